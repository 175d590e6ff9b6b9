// Single cells of a table of channels: directions, yes and no, widths, offsets.
import { numberIn, unitIn } from "../../import/index.ts";
import type { DecimalSign } from "../../quantities/index.ts";
import { WIDTHS } from "./columns.ts";

export const DIRECTIONS: Readonly<Record<string, number>> = {
  "+": 1,
  plus: 1,
  up: 1,
  "-": -1,
  "−": -1,
  minus: -1,
  down: -1,
  "": 0,
  "0": 0,
  off: 0,
  simplex: 0,
  none: 0,
};
const YES = /^(?:y|yes|on|true|1|x|add|✓)$/i;
const NO = /^(?:n|no|off|false|0|-|)$/i;

export const yesNo = (text: string): boolean | undefined =>
  YES.test(text) ? true : NO.test(text) ? false : undefined;

/** A width in hertz: a word, kilohertz, or hertz told by size; undefined for what is none. */
export function widthIn(cell: string, sign: DecimalSign): number | undefined {
  const word = WIDTHS[cell.trim().toLowerCase()];
  if (word !== undefined) return word;
  const number = numberIn(cell, sign);
  if (number === undefined || number <= 0) return undefined;
  const unit = unitIn(cell);
  return Math.round(unit === "Hz" || (unit === undefined && number >= 1000) ? number : number * 1000);
}

/** An offset in hertz with its sign; megahertz, kilohertz or hertz by its unit, else by its size. */
export function offsetIn(cell: string, head: string, sign: DecimalSign): number | undefined {
  const number = numberIn(cell, sign);
  if (number === undefined) return undefined;
  const size = Math.abs(number);
  const unit = unitIn(cell) ?? unitIn(head) ?? (size < 100 ? "MHz" : size < 100_000 ? "kHz" : "Hz");
  return Math.round(number * { Hz: 1, kHz: 1e3, MHz: 1e6, GHz: 1e9 }[unit]);
}
