// A run at the bench: its steps, its answers, and what its end means. This is the room’s door: others import from here alone.

export { type BackupDoubt, doubtsOf, isFinalDoubt, MOST_BYTES } from "./backup-check.ts";
export { type Measuring, sendings, type WorkFacts, withGathered } from "./blocks.ts";
export { CAUSES, causesFor, oddAt } from "./causes.ts";
export { draftSteps, purposeOfStage } from "./draft.ts";
export { estimate, historyOf } from "./estimate.ts";
export {
  FIRM_GATES,
  GATES,
  type Gate,
  type Happening,
  happening,
  type RunEvent,
  type SentEvent,
  sentEvent,
} from "./event.ts";
export {
  applyEvent,
  foldRun,
  gateHolds,
  lastFile,
  nextStep,
  POWER_FLOOR,
  type Run,
  type Unfit,
} from "./fold.ts";
export {
  hasGuarded,
  hidesWords,
  isFinal,
  placeAgain,
  planShape,
  type RunPlan,
  type RunStep,
  stepsOf,
  withoutGuarded,
  withoutNotes,
} from "./plan.ts";
export { holdsFor, type KnownProcedure, type Moment, needsGates, procedureFor } from "./procedure.ts";
export { composeBackup } from "./purposes/backup.ts";
export { composeMeasure } from "./purposes/measure.ts";
export { composeMode } from "./purposes/mode.ts";
export { composePair, type PairFacts } from "./purposes/pair.ts";
export { composeProcedure } from "./purposes/procedure.ts";
export { composeProgram } from "./purposes/program.ts";
export { composeRead } from "./purposes/read.ts";
export { composeRestore } from "./purposes/restore.ts";
export { composeUpdate } from "./purposes/update.ts";
