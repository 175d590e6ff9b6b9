// What a meter said, with what it may be off by: never one number, always an interval. Powers in watts or dBm.
import { bad, good, type Result } from "../quantities/result.ts";

/** From low to high, both belong to it. */
export type Interval = { readonly low: number; readonly high: number };

/** What a meter may be off by; what is given adds up. */
export type MeterError = {
  /** A share of what it shows: 0.05 for 5 %. */
  readonly ofReading?: number;
  /** A share of its full scale. */
  readonly ofScale?: number;
  readonly decibels?: number;
};
export type Meter = {
  readonly error: MeterError;
  /** What its scale ends at, in watts. */
  readonly fullScale?: number;
};

/** 1 W are 30 dBm. Of nothing it is minus infinity. */
export const dbmOf = (watts: number): number => 10 * Math.log10(watts * 1000);
export const wattsOf = (dbm: number): number => 10 ** (dbm / 10) / 1000;

export type MeterProblem =
  /** It says nothing that a meter's error could be. */
  { readonly kind: "error-unreadable"; readonly part: string };

/**
 * Reads what stands on a meter or in its papers: "10 % of full scale", "5 % of reading + 0.5 dB", "± 1 dB"; a bare share is of the reading.
 * Problem: `error-unreadable`, with the part.
 */
export function parseMeterError(text: string): Result<MeterError, MeterProblem> {
  const error: { ofReading?: number; ofScale?: number; decibels?: number } = {};
  for (const part of text.split(/\+(?!\s*[/-])|\band\b|;/i)) {
    const found =
      /^\s*(?:±|\+\/-|\+-)?\s*(\d+(?:[.,]\d+)?)\s*(%|dB)\s*(?:of\s+(?:the\s+)?(reading|full scale|scale))?\s*$/i.exec(
        part,
      );
    const number = Number(found?.[1]?.replace(",", "."));
    if (!found || !Number.isFinite(number) || number > 100)
      return bad({ kind: "error-unreadable", part: part.trim().slice(0, 60) });
    const isDecibels = found[2]?.toLowerCase() === "db";
    if (isDecibels && found[3]) return bad({ kind: "error-unreadable", part: part.trim().slice(0, 60) });
    if (isDecibels) error.decibels = (error.decibels ?? 0) + number;
    else if (/scale/i.test(found[3] ?? "")) error.ofScale = (error.ofScale ?? 0) + number / 100;
    else error.ofReading = (error.ofReading ?? 0) + number / 100;
  }
  return good(error);
}

export type PowerProblem =
  /** Its error is a share of its full scale, and nobody has noted where that ends. */
  | { readonly kind: "no-full-scale" }
  /** It shows more than its scale has. */
  | { readonly kind: "beyond-scale"; readonly fullScale: number };

/** The watts that may be there when a meter shows so many. Source of the rule: what meters' papers say adds up at worst. */
export function power(watts: number, meter: Meter): Result<Interval, PowerProblem> {
  const { error, fullScale } = meter;
  if (fullScale !== undefined && watts > fullScale) return bad({ kind: "beyond-scale", fullScale });
  if (error.ofScale !== undefined && fullScale === undefined) return bad({ kind: "no-full-scale" });
  const off = watts * (error.ofReading ?? 0) + (fullScale ?? 0) * (error.ofScale ?? 0);
  const factor = 10 ** ((error.decibels ?? 0) / 10);
  return good({ low: Math.max(0, watts - off) / factor, high: (watts + off) * factor });
}

/** What may be there when a meter showed so many watts, by what stands on it; undefined: nobody knows what it may be off by. */
export function intervalOf(
  watts: number,
  error: string,
  fullScale: number | undefined,
): Interval | undefined {
  const read = error === "" ? undefined : parseMeterError(error);
  if (!read?.ok) return undefined;
  const found = power(watts, { error: read.value, ...(fullScale !== undefined && { fullScale }) });
  return found.ok ? found.value : undefined;
}

/** So many times what it is rated for no radio gives: rather the unit was mistaken. */
const FAR = 5;

/** Whether so much power is to be asked about before it is believed; with nothing to compare it is not. In watts. */
export const isUnlikely = (watts: number, rated: number | undefined): boolean =>
  rated !== undefined && watts > FAR * rated;

/** So far off its rated power a radio counts as well, as a share: makers' papers allow about as much. */
export const RATED_TOLERANCE = 0.2;

export type AgainstRated = "within" | "low" | "high" | "cannot tell";

/** Held against the rated power, which may be off by a share itself (0.2 for 20 %): a verdict only where the whole interval agrees. */
export function againstRated({ low, high }: Interval, rated: number, tolerance: number): AgainstRated {
  const [least, most] = [rated * (1 - tolerance), rated * (1 + tolerance)];
  if (high < least) return "low";
  if (low > most) return "high";
  return low >= least && high <= most ? "within" : "cannot tell";
}
