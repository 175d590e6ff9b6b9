// A need: something a unit lacks, with a cause, an urgency and the date from which it is due.
// Needs never depend on today; the reader asks which are open today and which target counts today.

import { addDays, type PlainDate } from "../quantities/date.ts";
import type { Urgency } from "../release/words.ts";
import type { Fact } from "../unit/facts.ts";

export const NEED_KINDS = [
  "firmware",
  "reading",
  "catalogue",
  "backup",
  "mode",
  "measurement",
  "pairing",
  "codeplug",
  "identity",
] as const;
export type NeedKind = (typeof NEED_KINDS)[number];

const FOLLOWS_STANDING: Readonly<Record<NeedKind, boolean>> = {
  ...{ firmware: true, reading: true, catalogue: true },
  ...{ backup: false, mode: false, measurement: false, pairing: false, codeplug: false, identity: false },
};
/** Whether a need follows from how a part of the radio stands, what it runs against what it should. */
export const followsStanding = (kind: NeedKind): boolean => FOLLOWS_STANDING[kind];

/** What made the need, in one word: for grouping and for the first sentence on screen. */
export const NEED_CAUSES = [
  "behind",
  "withdrawn",
  "aside",
  "pinned",
  "unread",
  "unclear",
  "stale",
  "back-from-custody",
  "flash-unconfirmed",
  "ahead",
  "unlisted",
  "uncounted",
  "written-since-backup",
  "transmits-beyond",
  "unmeasured",
  "unpaired",
  "not-the-plan",
  "no-identity",
] as const;
export type NeedCause = (typeof NEED_CAUSES)[number];

export type Target = { readonly from: PlainDate; readonly release: string };

export type Need = {
  readonly unit: string;
  readonly kind: NeedKind;
  readonly component: string;
  readonly cause: NeedCause;
  readonly urgency: Urgency;
  readonly dueFrom: PlainDate;
  /** The first day on which it no longer stands: only a pin with an end makes one. */
  readonly dueTo?: PlainDate;
  /** The date it would be due but for a hold that moves it past. */
  readonly heldFrom?: PlainDate;
  /** Which release to go to, from which date; oldest first. Empty where no release is the answer. */
  readonly targets: readonly Target[];
  readonly because: readonly Fact[];
};

/** True on the days from `dueFrom` until before `dueTo`. */
export const isOpen = (need: Pick<Need, "dueFrom" | "dueTo">, today: PlainDate): boolean =>
  need.dueFrom <= today && (need.dueTo === undefined || today < need.dueTo);

/** True on the days on which only a hold keeps it from being due. */
export const isHeld = (need: Pick<Need, "dueFrom" | "heldFrom">, today: PlainDate): boolean =>
  need.heldFrom !== undefined && need.heldFrom <= today && today < need.dueFrom;

/** The last day on which a hold keeps a need from being due: a hold holds through the day that it names. */
export const heldUntil = (dueFrom: PlainDate): PlainDate => addDays(dueFrom, -1);

/** The target that counts today: the last one not after today. */
export function targetOn(need: Pick<Need, "targets">, today: PlainDate): string | undefined {
  let release: string | undefined;
  for (const target of need.targets) if (target.from <= today) release = target.release;
  return release;
}
