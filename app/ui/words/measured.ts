// Measurements in words: never more than is known.
import type { Interval, Judged, Trend } from "#core/measure/index.ts";

const VERDICT = {
  within: "as rated",
  low: "low",
  high: "high",
  "cannot tell": "cannot tell: the meter may be off by too much",
} as const;
const OFF_VERDICT = {
  within: "on frequency",
  low: "too low",
  high: "too high",
  "cannot tell": VERDICT["cannot tell"],
} as const;

export const sayVerdict = ({ verdict, ppm }: Judged): string =>
  verdict === undefined ? "" : (ppm ? OFF_VERDICT : VERDICT)[verdict];

/** Whether something should be done about it. */
export const isAmiss = ({ verdict, ppm }: Judged): boolean =>
  verdict === "low" || (ppm !== undefined && verdict === "high");

/** With one place behind the point; nothing has no sign. */
export const tenths = (value: number): string => (Number(value.toFixed(1)) || 0).toFixed(1);
const hundredths = (value: number): number => Number(value.toFixed(2)) || 0;
export const sayPpm = (ppm: number): string => `${hundredths(ppm)} ppm`;
export const sayPpmRange = ({ low, high }: Interval): string => `${hundredths(low)} to ${sayPpm(high)}`;

function sayTrend(found: Trend): string {
  if (found.kind === "too-few")
    return found.readings === 0 ? "Its power is not measured yet" : "Too few to tell whether it gets weaker";
  if (found.weaker) return `Getting weaker: about ${Math.abs(found.slope).toFixed(1)} W a year`;
  if (found.outside === "below") return "The last one lies below the others";
  return found.outside === "above" ? "The last one lies above the others" : "As strong as it was";
}

/** How far off its frequency it was at last. */
function sayOff(last: Judged): string | undefined {
  const { within } = last.ppm ?? {};
  if (!within || (last.verdict !== "low" && last.verdict !== "high")) return undefined;
  const far = last.verdict === "high" ? within : { low: -within.high, high: -within.low };
  return `Off its frequency: ${sayPpmRange(far)} ${OFF_VERDICT[last.verdict]}`;
}

/** The answer of the page: what is amiss first. `off`: the last frequency error that counts. */
export function sayMeasured(power: Trend, off: Judged | undefined): string {
  const [strength, frequency] = [sayTrend(power), off && sayOff(off)];
  const isQuiet = power.kind === "too-few" || (!power.weaker && power.outside === undefined);
  if (frequency) return isQuiet ? frequency : `${strength}. ${frequency}`;
  const isMeasured = power.kind !== "too-few" || power.readings > 0;
  if (isMeasured || !off) return strength;
  return off.verdict === "within" ? "On its frequency; its power is not measured yet" : strength;
}
