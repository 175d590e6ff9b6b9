// What a model is known for: procedures, key combinations, oddities, service items; how dossiers are merged. This is the room’s door: others import from here alone.

export { type Combination, confusable } from "./confusable.ts";
export { type Difference, differencesOf, factKey, factsOf } from "./differences.ts";
export {
  type DocumentProblem,
  type Dossier,
  type DossierRelease,
  dossierDocument,
  FORMAT,
  FORMAT_VERSION,
  LONGEST_DOSSIER,
  readDossier,
  withoutGuarded,
} from "./document.ts";
export { filledUp } from "./fill-up.ts";
export {
  IDENTITY_FACTS,
  type Identity,
  identityShape,
  type PartReading,
  partReadingShape,
  SHOWN_WHERE,
} from "./identity.ts";
export { BODIES, keysTwice, type Layout, layoutShape } from "./layout.ts";
export { mergeEffect, toldOf } from "./merged.ts";
export {
  EFFECTS,
  type Effect,
  GUARDED_PARTS,
  type GuardedPart,
  isGuarded,
  type LineProblem,
  PURPOSES,
  type Purpose,
  procedureShape,
  readSteps,
  withoutSteps,
} from "./procedure.ts";
export {
  overlapOf,
  parseSerials,
  revisionsOfSerial,
  type SerialProblem,
  type SerialRange,
  serialRangeShape,
  serialsText,
  type WithSerials,
} from "./serial.ts";
export { codeOf, codeShape, mismatches, STANDING_ORDER, settingShape, settingStanding } from "./service.ts";
export { parseStep, type Signs, STEP_EXAMPLES, type Step, signsShape, stepShape, stepText } from "./step.ts";
export {
  type Candidate,
  FEATURES,
  type Feature,
  type KnownModel,
  type SeenRadio,
  whichModel,
} from "./which.ts";
