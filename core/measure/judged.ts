// What a measurement comes to: what may be there, and the verdict against what the radio is rated for.
import { againstStability, frequencyError } from "./frequency.ts";
import type { MeasuredKind } from "./kinds.ts";
import { type AgainstRated, againstRated, type Interval, intervalOf, RATED_TOLERANCE } from "./power.ts";

export type Measured = {
  readonly kind: MeasuredKind;
  readonly value: number;
  /** In hertz. */
  readonly frequency?: number | undefined;
  /** What the meter may be off by, as it stands on it; empty: nobody knows. */
  readonly error: string;
  readonly fullScale?: number | undefined;
};
/** What its model and mode say; absent: nobody has noted it. */
export type Rated = {
  /** Watts. */
  readonly watts?: number | undefined;
  /** Parts per million that it keeps its frequency within. */
  readonly stability?: number | undefined;
};

export type Judged = {
  /** In the unit of its kind; absent: nobody knows what the meter may be off by. */
  readonly interval?: Interval | undefined;
  /** Of a frequency error. */
  readonly ppm?: { readonly shown: number; readonly within?: Interval | undefined };
  /** Absent: there is nothing to hold it against. */
  readonly verdict?: AgainstRated | undefined;
};

/** Only power and frequency errors are held against something. */
export function judged(one: Measured, { watts, stability }: Rated): Judged {
  const { kind, value, frequency, error, fullScale } = one;
  if (kind === "frequency error" && frequency !== undefined) {
    const { ppm, within } = frequencyError(value, frequency, error);
    const told = { interval: within?.hertz, ppm: { shown: ppm, within: within?.ppm } };
    if (!within || stability === undefined) return told;
    return { ...told, verdict: againstStability(within.ppm, stability) };
  }
  const interval = intervalOf(value, error, fullScale);
  if (kind !== "power" || !interval || watts === undefined) return { interval };
  return { interval, verdict: againstRated(interval, watts, RATED_TOLERANCE) };
}
