// People, settings of the club, its log, its documents and who is signed in. This is the room’s door: others import from here alone.

export { type Limiter, limiters, WINDOW_SECONDS } from "./attempts.ts";
export {
  clubName,
  groupById,
  groups,
  lastBackup,
  type PlaceRow,
  pinnable,
  places,
  putGroup,
  putPlace,
  shelvedUnits,
} from "./club.ts";
export { bringClubBack, filesBeyond, writeClub } from "./document.ts";
export { type FoundRow, findByLetters, namesToFind } from "./find.ts";
export { type About, appendAll, appendLog, type LogFilter, readLog } from "./log.ts";
export {
  anyClub,
  comings,
  foundClub,
  isLastKeeper,
  type PersonFields,
  type PersonRow,
  people,
  personById,
  putPerson,
  recoverPerson,
  setTheme,
  shelvedPeople,
  shelvePerson,
} from "./people.ts";
export { clubProgress, offersToTry, putUnwanted } from "./progress.ts";
export {
  closeSession,
  endSessions,
  findAccount,
  findLink,
  logSignIn,
  makeLink,
  openSession,
  passwordHashOf,
  redeemLink,
  sessionPerson,
  sessionsOf,
  setPassword,
  signingKey,
} from "./sessions.ts";
