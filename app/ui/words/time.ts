// Dates and times as people say them: 2 May 2027, 19:40; in the club's locale and time zone.

import { daysBetween, Memo, type PlainDate } from "#core/quantities/index.ts";

const shapes = new Memo<string, Intl.DateTimeFormat>(200);

function shape(locale: string, name: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  return shapes.get(`${locale} ${name} ${options.timeZone}`, () => new Intl.DateTimeFormat(locale, options));
}

const noon = (date: PlainDate) => new Date(`${date}T12:00:00Z`);

/** 2 May 2027; without the year if it is this year's. */
export function sayDate(date: PlainDate, locale: string, today?: PlainDate): string {
  const short = today !== undefined && today.slice(0, 4) === date.slice(0, 4);
  return saidDates.get(`${date} ${locale} ${short}`, () => {
    const options = { day: "numeric", month: "short", timeZone: "UTC" } as const;
    return short
      ? shape(locale, "day", options).format(noon(date))
      : shape(locale, "date", { ...options, year: "numeric" }).format(noon(date));
  });
}
/** A page says the same few dates again and again. */
const saidDates = new Memo<string, string>(3000);

/** 2 May 2027, 19:40. */
export const sayInstant = (instant: string | Date, locale: string, timeZone: string): string =>
  shape(locale, "instant", {
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
    timeZone,
  }).format(typeof instant === "string" ? new Date(instant) : instant);

/** 2 May, 19:40: for what lies near, where the year is known. */
export const sayMoment = (instant: string | Date, locale: string, timeZone: string): string =>
  shape(locale, "moment", {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
    timeZone,
  }).format(typeof instant === "string" ? new Date(instant) : instant);

/** "today", "6 days ago", "in 12 days". */
export function sayDistance(date: PlainDate, today: PlainDate): string {
  const days = daysBetween(date, today);
  if (days === 0) return "today";
  const count = sayDays(Math.abs(days));
  return days > 0 ? `${count} ago` : `in ${count}`;
}

/** "1 day", "45 days", "4 months": rough where rough is enough. */
export function sayDays(days: number): string {
  if (days === 1) return "1 day";
  if (days < 60) return `${days} days`;
  const months = Math.round(days / 30.44);
  return months < 24 ? `${months} months` : `${Math.max(2, Math.floor(days / 365.25))} years`;
}
