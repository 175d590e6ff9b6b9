// People, what each may do, the log and the first hour of a club. This is the room’s door: others import from here alone.

export { ACTS, may, type Permission, ROLES, type Role, readRole } from "./acts.ts";
export { foldAddress, LONGEST_ADDRESS } from "./address.ts";
export { type ClubDocument, clubDocument, readClubDocument } from "./document.ts";
export { type Begun, type FirstStep, firstSteps, OFFERS, type StepNow } from "./first-steps.ts";
export { GUARDED_ENTRIES, LOG_KINDS, type LogEntry, logEntry } from "./log.ts";
export { logQuery } from "./log-search.ts";
export { csvRows, needRows, type OutDocument, type OutUnit, outDocument, releaseRows } from "./out.ts";
export { ranked } from "./ranking.ts";
