// Releases, their tracks, urgency and conditions, and the catalogue that a model makes of them. This is the room’s door: others import from here alone.

export {
  type Catalogue,
  type Component,
  catalogueOf,
  greatestOf,
  orderRelease,
  type PlacedRelease,
  type PreparedComponent,
  prepareComponent,
} from "./catalogue.ts";
export { PLAIN_CONDITIONS } from "./conditions.ts";
export { type Conditions, conditionsShape } from "./conditions-shape.ts";
export { type Contradiction, contradictionsOf } from "./contradictions.ts";
export {
  fixValues,
  newReleaseValues,
  type ReleaseValues,
  readRelease,
  releaseValues,
  revisionMark,
} from "./form.ts";
export {
  cell,
  FIX_SAYS,
  type FieldErrors,
  FOLDED_ROWS,
  type FormValues,
  rangeValues,
  requirement,
  requirementsSaid,
  rowsSaid,
  SPARE_ROWS,
  stretchesSaid,
  textOf,
  withEmptyRows,
} from "./form-rows.ts";
export { findReleases, LONGEST_NOTES, MOST_PROPOSALS, type Proposal, type TextRange } from "./notes.ts";
export { asPartName, LONGEST_PART_NAME, PART_NAME_RULE, partName } from "./part-name.ts";
export {
  fileShape,
  fixShape,
  type Release,
  type ReleaseRow,
  releaseRow,
  releaseShape,
  type WrittenRelease,
  withdrawalShape,
} from "./release.ts";
export {
  changesOf,
  columnsOf,
  imagined,
  RELEASE_COLUMNS,
  releaseOf,
  type StoredRelease,
  writtenOf,
} from "./stored.ts";
export { AHEAD, isAhead } from "./withdrawal.ts";
export {
  ERASES,
  type Erases,
  RELEASE_FIELD_WORD,
  TRACKS,
  type Track,
  URGENCIES,
  type Urgency,
  WAYS,
  type Way,
  worseOf,
} from "./words.ts";
