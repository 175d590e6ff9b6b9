// What a meter said, with what it may be off by: never one number, always an interval. Powers in watts or dBm.
import { bad, good, type Result } from "../quantities/index.ts";

/** From low to high, both belong to it. */
export type Interval = { readonly low: number; readonly high: number };

/** What a meter may be off by; what is given adds up. */
export type MeterError = {
  /** A share of what it shows: 0.05 for 5 %. */
  readonly ofReading?: number;
  /** A share of its full scale. */
  readonly ofScale?: number;
  readonly decibels?: number;
  /** So many watts, whatever it shows. */
  readonly watts?: number;
  /** So many of the last place that it shows. */
  readonly digits?: number;
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

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const SIDES = new RegExp(
  String.raw`^(?:[-−]\s*(${NUMBER})\s*/\s*\+\s*(${NUMBER})|\+\s*(${NUMBER})\s*/\s*[-−]\s*(${NUMBER}))`,
);
const PLAIN = new RegExp(String.raw`^(?:±|\+/-|\+-)?\s*(${NUMBER})`);
const UNIT = /^(%|dB|[mk]?W|digits?|dgts?|counts?)$/i;
const OF = /^(?:of\s+)?(?:the\s+)?(reading|rdg|full[ -]scale|f\.?s\.?|scale|range)$/i;
const WATTS: Readonly<Record<string, number>> = { mw: 0.001, w: 1, kw: 1000 };

/**
 * Reads what stands on a meter or in its papers: "10 % of full scale", "10 % FS", "5 % rdg + 1 digit", "± 0.2 W", "± 1 dB"; a bare share is of the
 * reading. Of two sides ("-1/+2 dB") the larger counts both ways: papers do not agree whether the sides are the meter's or the power's, and an
 * interval must leave nothing out. Problem: `error-unreadable`, with the part.
 */
export function parseMeterError(text: string): Result<MeterError, MeterProblem> {
  const error: { -readonly [Name in keyof MeterError]: number } = {};
  // A plus parts two of them, but not where it says a side.
  for (const part of text.split(/(?<![/\s]|^)\s*\+(?!\s*[/-])|\band\b|;/i)) {
    const found = partOf(part.trim());
    if (!found) return bad({ kind: "error-unreadable", part: part.trim().slice(0, 60) });
    error[found.name] = (error[found.name] ?? 0) + found.value;
  }
  return good(error);
}

function partOf(text: string): { readonly name: keyof MeterError; readonly value: number } | undefined {
  const sides = SIDES.exec(text);
  const head = sides ?? PLAIN.exec(text);
  if (!head) return undefined;
  const value = Math.max(...head.slice(1).flatMap((one) => (one ? [Number(one.replace(",", "."))] : [])));
  const [unit = "", ...rest] = text
    .slice(head[0].length)
    .trim()
    .split(/(?<=^(?:%|dB|[mk]?W|digits?|dgts?|counts?))(?![A-Za-z])/i);
  const of = rest.join("").trim();
  if (!UNIT.test(unit) || value > 100 || (of !== "" && !OF.test(of))) return undefined;
  const what = unit.toLowerCase();
  if (what === "%")
    return { name: /^(of\s+)?(the\s+)?(f|s|range)/i.test(of) ? "ofScale" : "ofReading", value: value / 100 };
  if (of !== "") return undefined;
  if (what === "db") return { name: "decibels", value };
  const watts = WATTS[what];
  return watts === undefined ? { name: "digits", value } : { name: "watts", value: value * watts };
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
  const off =
    watts * (error.ofReading ?? 0) +
    (fullScale ?? 0) * (error.ofScale ?? 0) +
    (error.watts ?? 0) +
    (error.digits ?? 0) * lastPlaceOf(watts);
  const factor = 10 ** ((error.decibels ?? 0) / 10);
  return good({ low: Math.max(0, watts - off) / factor, high: (watts + off) * factor });
}

/** The least step of what is shown: of 4.6 W a tenth. Where noughts at its end were left out it is taken for larger than it was, never smaller. */
function lastPlaceOf(watts: number): number {
  const [, decimals = ""] = String(watts).split(".");
  return /^\d+$/.test(decimals) ? 10 ** -decimals.length : 1;
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
