// The decimal sign and the order of dates that a sheet uses, found from its cells.
import { dateOf, type PlainDate } from "./date.ts";

export const DATE_ORDERS = ["ymd", "dmy", "mdy"] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];
export type DecimalSign = "." | ",";

/** The sign that most numbers have: one cell that is written otherwise does not decide for all the others. */
export function findDecimalSign(cells: readonly string[]): DecimalSign {
  const commas = cells.filter((cell) => /\d,\d/.test(cell)).length;
  const points = cells.filter((cell) => /\d\.\d/.test(cell)).length;
  return commas > points ? "," : ".";
}

/** "1,14" as "1.14" where the sheet uses a decimal comma; other texts stay. */
export const withPoint = (cell: string, sign: DecimalSign): string =>
  sign === "," ? cell.replace(/(\d),(\d)/g, "$1.$2") : cell;

/** Nobody writes these otherwise: they are read whatever the order of the others. */
const ISO = /^(\d{4})-(\d{2})-(\d{2})(?:[T ].*)?$/;

/** Reads a date in an order of parts, or one as ISO 8601 has it; two-digit years mean 2000 to 2099; a time behind it is left off. */
export function readDate(cell: string, order: DateOrder): PlainDate | undefined {
  const iso = ISO.exec(cell);
  if (iso) return dateOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const parts = /^(\d{1,4})[./\- ](\d{1,2})[./\- ](\d{1,4})(?:[T ]\d{1,2}:.*)?$/.exec(cell);
  if (!parts) return undefined;
  const [first = "", second = "", third = ""] = parts.slice(1);
  const yearText = order === "ymd" ? first : third;
  if (yearText.length !== 2 && yearText.length !== 4) return undefined;
  const year = yearText.length === 2 ? 2000 + Number(yearText) : Number(yearText);
  const month = Number(order === "mdy" ? first : second);
  const day = Number(order === "ymd" ? third : order === "dmy" ? first : second);
  return dateOf(year, month, day);
}

/** The orders under which every date of the column is a real one; the likeliest first. Both left means: ask. */
export function possibleDateOrders(cells: readonly string[]): DateOrder[] {
  const dates = cells.filter((cell) => cell !== "" && !ISO.test(cell));
  if (dates.length === 0) return cells.some((cell) => cell !== "") ? ["ymd"] : [...DATE_ORDERS];
  const counted = DATE_ORDERS.map((order) => ({
    order,
    read: dates.filter((cell) => readDate(cell, order) !== undefined).length,
  }));
  const most = Math.max(...counted.map((c) => c.read));
  const four = dates.some((cell) => /^\d{4}\D/.test(cell));
  return counted
    .filter((c) => c.read === most && (four ? c.order === "ymd" : c.order !== "ymd" || most === 0))
    .map((c) => c.order);
}
