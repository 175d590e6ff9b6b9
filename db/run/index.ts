// Runs, their files and backups, and tries at the practice bench. This is the room’s door: others import from here alone.

export { addBackup, backupById, backupsOf, othersWith, usualSizes } from "./backups.ts";
export { fileContent, filePart, fileSize, keepFile, keepPart, keepWhole, knownFiles, PART } from "./files.ts";
export { addTry, benchRules, practiceOf, practisable, putBenchRules } from "./practice.ts";
export {
  addEvent,
  addRun,
  addThings,
  endRun,
  eventsOf,
  hearFrom,
  holdRun,
  isSilent,
  lockRun,
  openRuns,
  type RunRow,
  releaseThing,
  runById,
  runsOfModel,
  runsOfUnit,
  runsThatWrote,
  type Thing,
  takeThings,
  thingsTaken,
} from "./runs.ts";
