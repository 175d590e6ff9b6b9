// Modes of a radio: what is known of them, what they block, and which presses lead to one. This is the room’s door: others import from here alone.

export { axisOf, marksOf } from "./axis.ts";
export { type Bands, liesInBands, normalised, without } from "./band.ts";
export { type Band, bandShape, hertz } from "./band-shape.ts";
export { excess, mostWatts, ratedWatts, type Stranded, strandedChannels, transmitOf } from "./mode.ts";
export { type Channel, type Mode, modeShape } from "./mode-shape.ts";
export {
  bandPlanDocument,
  MOST_SEGMENTS,
  planDocument,
  planRows,
  readPlanDocument,
  readPlanRows,
} from "./plan-document.ts";
export { changesAfter, classesOf, privilegesOn, segmentsOn } from "./privileges.ts";
export { type Segment, segmentShape } from "./privileges-shape.ts";
export { type Probed, type Probes, probesFor, RASTER, readProbes } from "./probes.ts";
export {
  allowedOn,
  byConcern,
  classOf,
  exceedsOn,
  type InMode,
  type ModeFacts,
  modeStanding,
} from "./standing.ts";
export { type TransmitPolicy, transmitPolicy } from "./standing-shape.ts";
export { MOST_BANDS, OUTSIDE, TRANSMIT_RULES, type TransmitRule } from "./words.ts";
