// Numbers in the cells of a table: with whichever decimal sign, with their unit behind them; and which unit a column of frequencies is in.
import { type DecimalSign, withPoint } from "../quantities/index.ts";

export const FREQUENCY_UNITS = ["Hz", "kHz", "MHz", "GHz"] as const;
export type FrequencyUnit = (typeof FREQUENCY_UNITS)[number];
const HERTZ: Record<FrequencyUnit, number> = { Hz: 1, kHz: 1e3, MHz: 1e6, GHz: 1e9 };

/** "145,5", "1.455e+08", "-32.1 dBm", "+600 kHz"; undefined for what is no number. A unit behind it is left off. */
export function numberIn(cell: string, sign: DecimalSign): number | undefined {
  const text = withPoint(cell.replace(/[\s\u00a0']/g, ""), sign).replace("−", "-");
  const found = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(?:[a-zµ]{1,4})?$/i.exec(text);
  return found ? Number(found[1]) : undefined;
}

/** The unit that a cell or a head names: "MHz", "freq/hz". */
export function unitIn(text: string): FrequencyUnit | undefined {
  const found = /(?:^|[^a-z])([gmk]?)hz(?![a-z])/i.exec(text);
  if (!found) return undefined;
  const prefix = (found[1] ?? "").toLowerCase();
  return prefix === "g" ? "GHz" : prefix === "m" ? "MHz" : prefix === "k" ? "kHz" : "Hz";
}

/** Between these lies what radios of clubs use, whatever the unit: from 1 MHz up to 3 GHz. */
const FROM_HZ = 3e6;
const FROM_KHZ = 3e3;

/** The unit of a column of frequencies: as its head says, else by the size of the middle one. */
export function unitOfColumn(head: string, values: readonly number[]): FrequencyUnit {
  const told = unitIn(head);
  if (told) return told;
  const sorted = values.filter((value) => value > 0).sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)] ?? 0;
  return middle >= FROM_HZ ? "Hz" : middle >= FROM_KHZ ? "kHz" : "MHz";
}

/** A frequency in whole hertz; a unit in the cell itself is taken at its word. Undefined for what is no frequency. */
export function frequencyIn(cell: string, unit: FrequencyUnit, sign: DecimalSign): number | undefined {
  const number = numberIn(cell, sign);
  if (number === undefined || number <= 0) return undefined;
  return Math.round(number * HERTZ[unitIn(cell) ?? unit]);
}
