// How far a radio is off its frequency: in hertz and in parts per million, with what the counter itself may be off by.
import { bad, good, type Result } from "../quantities/index.ts";
import type { AgainstRated, Interval, MeterProblem } from "./power.ts";

/** What a counter may be off by; what is given adds up. */
export type CounterError = {
  /** Parts per million of what it counts. */
  readonly ppm?: number;
  readonly hertz?: number;
};

const PART =
  /^(?:±|\+\/-|\+-)?\s*(\d+(?:[.,]\d+)?)\s*(ppm|parts?\s+(?:in|per)\s+(?:a\s+)?million|ppb|hz|khz)$/i;

/**
 * Reads what stands on a counter or in its papers: "2 ppm", "0.5 parts per million + 10 Hz". A digit counts as what it stands for, in hertz.
 * Problem: `error-unreadable`, with the part.
 */
export function parseCounterError(text: string): Result<CounterError, MeterProblem> {
  const error: { ppm?: number; hertz?: number } = {};
  for (const part of text.split(/(?<![/\s]|^)\s*\+(?!\s*[/-])|\band\b|;/i).map((one) => one.trim())) {
    const [, digits = "", unit = ""] = PART.exec(part) ?? [];
    if (digits === "") return bad({ kind: "error-unreadable", part: part.slice(0, 60) });
    const value = Number(digits.replace(",", "."));
    const small = unit.toLowerCase();
    if (small.endsWith("hz")) error.hertz = (error.hertz ?? 0) + (small === "khz" ? value * 1000 : value);
    else error.ppm = (error.ppm ?? 0) + (small === "ppb" ? value / 1000 : value);
  }
  return good(error);
}

export type FrequencyError = {
  /** What the counter showed above what was set, in hertz and in parts per million of that. */
  readonly hertz: number;
  readonly ppm: number;
  /** What may be there; absent: nobody knows what the counter may be off by. */
  readonly within?: { readonly hertz: Interval; readonly ppm: Interval };
};

/**
 * `hertz` off a frequency that was set, in hertz. A counter counts what is there, so its own parts per million are of that frequency. What is
 * written on the counter and cannot be read says nothing.
 */
export function frequencyError(hertz: number, frequency: number, error: string): FrequencyError {
  const ppm = (of: number) => (of / frequency) * 1e6;
  const read = error === "" ? undefined : parseCounterError(error);
  if (!read?.ok) return { hertz, ppm: ppm(hertz) };
  const off = (read.value.hertz ?? 0) + ((read.value.ppm ?? 0) * (frequency + hertz)) / 1e6;
  const [low, high] = [hertz - off, hertz + off];
  return {
    hertz,
    ppm: ppm(hertz),
    within: { hertz: { low, high }, ppm: { low: ppm(low), high: ppm(high) } },
  };
}

/** Held against what its maker says it keeps, in parts per million either way: a verdict only where the whole interval agrees. */
export function againstStability({ low, high }: Interval, most: number): AgainstRated {
  if (high < -most) return "low";
  if (low > most) return "high";
  return low >= -most && high <= most ? "within" : "cannot tell";
}
