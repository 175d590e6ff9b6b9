// Calendar dates without time or zone, as `YYYY-MM-DD` strings that sort as they read.
// Nothing here reads a clock: "today" is always handed in.
import { Memo } from "./memo.ts";
import { bad, good, type Result } from "./result.ts";

declare const brand: unique symbol;
/** A real calendar date, `YYYY-MM-DD`, years 0001 to 9998. Compare with `<` and `>`. */
export type PlainDate = string & { readonly [brand]: true };

const MS_PER_DAY = 86_400_000;
const SHAPE = /^(\d{4})-(\d{2})-(\d{2})$/;

/** The last year that a date of ours may lie in: a day after any of them can still be written. */
const LAST_YEAR = 9998;

/** True if the text is a real date of ours: shape and calendar both. */
export function isPlainDate(text: string): text is PlainDate {
  const parts = SHAPE.exec(text);
  if (!parts) return false;
  return (
    Number(parts[1]) <= LAST_YEAR && isCalendarDate(Number(parts[1]), Number(parts[2]), Number(parts[3]))
  );
}

/** True if year, month (1-12) and day name a day that exists in the Gregorian calendar. */
export function isCalendarDate(year: number, month: number, day: number): boolean {
  if (year < 1 || month < 1 || month > 12 || day < 1) return false;
  return day <= daysInMonth(year, month);
}

function daysInMonth(year: number, month: number): number {
  if (month === 2) return (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0 ? 29 : 28;
  return month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31;
}

/** The date for a year, month (1-12) and day, or undefined if there is no such day. */
export function dateOf(year: number, month: number, day: number): PlainDate | undefined {
  if (!isCalendarDate(year, month, day)) return undefined;
  const pad = (n: number, width: number) => String(n).padStart(width, "0");
  return `${pad(year, 4)}-${pad(month, 2)}-${pad(day, 2)}` as PlainDate;
}

/** The date, for literals and trusted input; throws on anything else, since that is a defect of the caller. */
export function plain(text: string): PlainDate {
  if (!isPlainDate(text)) throw new RangeError(`not a calendar date: ${text.slice(0, 40)}`);
  return text;
}

/** Days since 1 January 1970, by the calendar's own arithmetic: a Date for each would cost more than the rest. */
function dayNumberOf(date: PlainDate): number {
  const month = Number(date.slice(5, 7));
  const year = Number(date.slice(0, 4)) - (month <= 2 ? 1 : 0);
  const era = Math.floor(year / 400);
  const yearOfEra = year - era * 400;
  const dayOfYear =
    Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + Number(date.slice(8, 10)) - 1;
  return (
    era * 146_097 +
    yearOfEra * 365 +
    Math.floor(yearOfEra / 4) -
    Math.floor(yearOfEra / 100) +
    dayOfYear -
    719_468
  );
}

/** The last day that can be written at all. */
const END_OF_CALENDAR = dayNumberOf("9999-12-31" as PlainDate);
const BEGIN_OF_CALENDAR = dayNumberOf("0001-01-01" as PlainDate);

/** The date `days` later (or earlier, if negative). Problem: `beyond-calendar`, where it cannot be written as one of ours. */
export function daysAfter(date: PlainDate, days: number): Result<PlainDate, { kind: "beyond-calendar" }> {
  const sum = sumOf(date, days);
  return sum === undefined ? bad({ kind: "beyond-calendar" }) : good(sum);
}

/** The date `days` later (or earlier, if negative), where that is known to be within the calendar; throws where it is not. */
export function addDays(date: PlainDate, days: number): PlainDate {
  const sum = sumOf(date, days);
  if (sum === undefined) throw new RangeError(`${days} days after ${date} is no date`);
  return sum;
}

function sumOf(date: PlainDate, days: number): PlainDate | undefined {
  if (days === 0) return date;
  let known = sums.get(days);
  if (!known) {
    if (sums.size > 500) sums.clear();
    known = new Map();
    sums.set(days, known);
  }
  let sum = known.get(date);
  if (sum === undefined) {
    const day = dayNumberOf(date) + days;
    if (day > END_OF_CALENDAR || day < BEGIN_OF_CALENDAR) return undefined;
    sum = new Date(day * MS_PER_DAY).toISOString().slice(0, 10) as PlainDate;
    if (known.size > 5000) known.clear();
    known.set(date, sum);
  }
  return sum;
}
/** The same few sums are asked for again and again: "a year after that reading". By days, then by date. */
const sums = new Map<number, Map<PlainDate, PlainDate>>();

/** Whole days from `from` to `to`; negative if `to` is earlier. */
export const daysBetween = (from: PlainDate, to: PlainDate): number => dayNumberOf(to) - dayNumberOf(from);

/** The later of two days. */
export const laterOf = (a: PlainDate, b: PlainDate): PlainDate => (a > b ? a : b);

/** The earlier of two days. */
export const earlierOf = (a: PlainDate, b: PlainDate): PlainDate => (a < b ? a : b);

/** The calendar date that an instant falls on in a time zone (IANA name). */
export function dateInZone(instant: Date, timeZone: string): PlainDate {
  const shape = zoneShapes.get(
    timeZone,
    () => new Intl.DateTimeFormat("en-CA", { timeZone, year: "numeric", month: "2-digit", day: "2-digit" }),
  );
  return plain(shape.format(instant));
}
const zoneShapes = new Memo<string, Intl.DateTimeFormat>(100);
