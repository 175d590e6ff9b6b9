// Radios, their readings, needs, measurements and what is worked out later. This is the room’s door: others import from here alone.

export {
  BOARD_GROUPS,
  BOARD_SORTS,
  type BoardGroup,
  type BoardName,
  type BoardRow,
  boardGroup,
  boardGroups,
  boardNames,
  needsOfUnit,
  openNeeds,
  releaseNames,
  type StoredNeed,
  UNITS_DUE,
  unitsDue,
  type WallNeed,
} from "./board.ts";
export { loadCommon } from "./common.ts";
export { bringIn } from "./import.ts";
export { knownClub } from "./import-known.ts";
export { lockScope } from "./lock.ts";
export { addMeasurement, measurementsOf, strikeMeasurement } from "./measurements.ts";
export { type NeedRecord, recordOf, replaceNeeds } from "./needs.ts";
export { addReading, copyReading, readingsOf, strikeReading } from "./readings.ts";
export { rememberSheet, sheetHabits } from "./sheets.ts";
export { putSimulated, simulatedState } from "./simulated.ts";
export { type LoadedSituation, loadSituation, loadSituations, situationOf } from "./situation.ts";
export {
  addSpectrum,
  limitsOf,
  putLimit,
  type SpectrumRow,
  shelveLimit,
  spectraOf,
  strikeSpectrum,
} from "./spectra.ts";
export { type KnownUnit, loadLocked, type Scope, scopeSize } from "./unit-facts.ts";
export {
  addUnit,
  type CustodyRow,
  changeUnit,
  custodyOf,
  drawersOfWall,
  formerTags,
  heldBy,
  lendUnit,
  lockUnit,
  setHardware,
  setHold,
  shelveUnit,
  takeBack,
  type UnitRow,
  unitById,
  unitByTag,
  unitsByModel,
  wallUnits,
} from "./units.ts";
export { addWork, moveOn, OPEN_WORK, openWorkRow, type Part, unfinishedWork, workLeft } from "./work.ts";
