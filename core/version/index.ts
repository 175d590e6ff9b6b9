// What a version as written says, and which of two is the newer one, by the numbering of its maker. This is the room’s door: others import from here alone.

export { compareText, type Order } from "./digits.ts";
export { type EntryProblem, readEntry } from "./entry.ts";
export { type Inference, inferScheme } from "./infer.ts";
export { numberingShape } from "./numbering.ts";
export { boundsOf, liesIn, parseRange, rangeText } from "./range.ts";
export { type Range, rangeShape, type Stretch } from "./range-shape.ts";
export {
  LONGEST_READOUT,
  type Numbering,
  orderVersions,
  SCHEME_KINDS,
  type Version,
  type VersionProblem,
  type VersionReader,
  versionReader,
} from "./version.ts";
