// One radio: what it has read, what it should run, and how sure the answer is. This is the room’s door: others import from here alone.

export { type CarriedCounts, carriesOf, countsOf, NOT_KNOWN } from "./carried.ts";
export { DEEDS, type DeedDoubt, deedDoubts } from "./done.ts";
export { type Fact, fact, STANDING_FACTS, type VersionPlace } from "./facts.ts";
export {
  FIELD_LIMITS,
  isTagUsable,
  UNIT_COLUMNS,
  UNIT_FIELDS,
  unitChanges,
  unitShape,
  unitTexts,
  unitValues,
  type WrittenUnit,
  writtenUnit,
} from "./fields.ts";
export { type PlacingProblem, placeReading, placingFact } from "./placing.ts";
export { PLAIN_POLICY, policyOn, withoutPin } from "./policy.ts";
export {
  type FallbackRule,
  type Hold,
  type Policy,
  type PolicyRule,
  policyShape,
  RULE_KINDS,
  type RuleKind,
} from "./policy-shape.ts";
export { previewReading, type ReadingPreview } from "./preview.ts";
export type { Situation } from "./situation.ts";
export {
  fitOf,
  isAdmitted,
  isAheadOfAll,
  isUntold,
  readingFact,
  runningFacts,
  runningOf,
  STANDINGS,
  type Standing,
  type StandingName,
  standingsOf,
  worstOf,
} from "./standing.ts";
export {
  dayOf,
  newestReading,
  READING_SOURCES,
  type Reading,
  type ReadingSource,
  type UnitFacts,
} from "./unit.ts";
