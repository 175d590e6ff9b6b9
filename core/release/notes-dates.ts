// Days in release notes: numbers in the order that the whole text keeps, or with the name of the month.

import { dateOf, type PlainDate, possibleDateOrders, readDate } from "../quantities/index.ts";

const MONTHS = [
  ["jan"],
  ["feb"],
  ["mar", "mär", "mrz"],
  ["apr"],
  ["may", "mai"],
  ["jun"],
  ["jul"],
  ["aug"],
  ["sep"],
  ["oct", "okt"],
  ["nov"],
  ["dec", "dez"],
];
const NAMES = MONTHS.flat().join("|");
const DAY_OR_MONTH = String.raw`(?:0?[1-9]|[12]\d|3[01])`;
const NUMBERS = String.raw`\b\d{4}[-/.]\d{1,2}[-/.]\d{1,2}\b|(?<![\w.])${DAY_OR_MONTH}[./]${DAY_OR_MONTH}[./](?:\d{4}|\d{2})\b(?!\.\d)`;
const DAY_FIRST = String.raw`\b\d{1,2}(?:st|nd|rd|th|\.)?\s+(?:${NAMES})[a-zäé]*\.?,?\s+\d{4}\b`;
const MONTH_FIRST = String.raw`\b(?:${NAMES})[a-zäé]*\.?\s+\d{1,2}(?:st|nd|rd|th)?,?\s+\d{4}\b`;

/** A day as it is written in a line. */
export const DAY_PATTERN = new RegExp(`${NUMBERS}|${DAY_FIRST}|${MONTH_FIRST}`, "iu");

/** What can be nothing but a day: the name of its month, or all four digits of its year. */
const SURE = /[a-zäé]|\d{4}/iu;

/** The day in a line, as it is written. Of several the one that can be nothing else, then the last: a version may look like a day. */
export function dayWritten(line: string): string | undefined {
  const all = [...line.matchAll(new RegExp(DAY_PATTERN.source, "giu"))].map(([day]) => day);
  return all.find((day) => SURE.test(day)) ?? all.at(-1);
}

const monthOf = (word: string): number =>
  MONTHS.findIndex((names) => names.some((name) => word.toLowerCase().startsWith(name))) + 1;

/** `other`: what the day is too, if day and month cannot be told apart anywhere in the text. */
export type ReadDay = { readonly on: PlainDate; readonly other?: PlainDate };

/** Reads the days of a text: numbers are in the order under which all of its days are real ones. */
export function datesIn(text: string): { readonly read: (written: string) => ReadDay | undefined } {
  const numbers = [...text.matchAll(new RegExp(NUMBERS, "gu"))].slice(0, 500).map(([cell]) => cell);
  // Each is in year, month, day or not by itself: only those of the other kind have an order to be found.
  const open = numbers.filter((cell) => !/^\d{4}/.test(cell));
  const orders = open.length > 0 ? possibleDateOrders(open) : [];
  return {
    read(written) {
      const day = dayWritten(written);
      if (day === undefined) return undefined;
      const named = /^(\d{1,2})\D*?\s+([a-zäé]+)\.?,?\s+(\d{4})$/iu.exec(day);
      if (named) return dayOf(Number(named[3]), monthOf(named[2] ?? ""), Number(named[1]));
      const turned = /^([a-zäé]+)\.?\s+(\d{1,2})\D*?(\d{4})$/iu.exec(day);
      if (turned) return dayOf(Number(turned[3]), monthOf(turned[1] ?? ""), Number(turned[2]));
      if (/^\d{4}/.test(day)) {
        const on = readDate(day, "ymd");
        return on && { on };
      }
      const [on, other] = orders.flatMap((order) => readDate(day, order) ?? []);
      return on && { on, ...(other !== undefined && other !== on && { other }) };
    },
  };
}

function dayOf(year: number, month: number, day: number): ReadDay | undefined {
  const on = dateOf(year, month, day);
  return on && { on };
}
