// What was measured, against its limit, with how sure that is. This is the room’s door: others import from here alone.

export { parseCounterError } from "./frequency.ts";
export {
  harmonicOf,
  harmonics,
  type Limit,
  type Line,
  type LineVerdict,
  limitShape,
  lineShape,
  linesOf,
  type NamedLimit,
  type SpectrumMeter,
  worstOf,
} from "./harmonics.ts";
export { type Judged, judged } from "./judged.ts";
export { MEASURED, MEASURED_KINDS, measuredKind } from "./kinds.ts";
export { fullScaleOf, loadFor, loadInWords, type Sending } from "./load.ts";
export { type Interval, isUnlikely, parseMeterError, wattsOf } from "./power.ts";
export { type Trend, trend, unseen } from "./trend.ts";
