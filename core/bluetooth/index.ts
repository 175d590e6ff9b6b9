// Bluetooth devices, their batteries, and who is paired with whom. This is the room’s door: others import from here alone.

export { chargeAt, idleDrain } from "./charge.ts";
export { fieldDay } from "./field-day.ts";
export { type Noted, storyOf } from "./log.ts";
export {
  forgotten,
  type PairAdvice,
  type PairingHappened,
  type PairingState,
  type PairPlan,
  pairingPlan,
  pairingState,
} from "./pairing.ts";
export { baseOf } from "./profile.ts";
export {
  type Charged,
  chargeNow,
  chargerPlans,
  LEAST_TO_PAIR,
  LOW,
  leastToProgram,
  type Now,
  RESERVE,
  type Readiness,
  readinessOf,
} from "./readiness.ts";
export { TROUBLES } from "./troubles.ts";
export {
  atOnce,
  breakEven,
  compareWays,
  lastsFor,
  minutesOf,
  type ProgrammingWay,
  timesOf,
  type WayName,
} from "./ways.ts";
