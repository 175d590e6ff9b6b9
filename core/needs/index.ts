// What a radio needs, why, how urgent it is, and what is due. This is the room’s door: others import from here alone.

export { type Effect, effectOf, withRelease } from "./effect.ts";
export {
  ACTIONS,
  type Action,
  actionOf,
  firstAtBench,
  followsStanding,
  KINDS,
  mayBeAway,
  NEED_CAUSES,
  NEED_KINDS,
  type Need,
  type NeedCause,
  type NeedKind,
  type Reason,
  reasonShape,
  type SummaryKind,
} from "./kinds/index.ts";
export type { HoldReason } from "./kinds/kind.ts";
export { releasesIn } from "./mentions.ts";
export { type MossLevel, mossOf } from "./moss.ts";
export { heldUntil, isOpen, type Target, targetOn } from "./need.ts";
export { type PlainVerdict, plainVerdict } from "./plain.ts";
export { holdEffect, policyEffect } from "./policy-effect.ts";
export { type SummaryItem, summarise } from "./summary.ts";
export { needsOf } from "./unit.ts";
