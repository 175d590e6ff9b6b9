// When a need is open and which target counts. Needs never depend on today; the reader asks which are open today.
import { addDays, type PlainDate } from "../quantities/index.ts";

export type Target = { readonly from: PlainDate; readonly release: string };

/** The days of a need, whichever kind it is of. */
export type Days = {
  readonly dueFrom: PlainDate;
  readonly dueTo?: PlainDate;
  readonly heldFrom?: PlainDate;
};

/** True on the days from `dueFrom` until before `dueTo`. */
export const isOpen = (need: Days, today: PlainDate): boolean =>
  need.dueFrom <= today && (need.dueTo === undefined || today < need.dueTo);

/** True on the days on which only a hold keeps it from being due. */
export const isHeld = (need: Days, today: PlainDate): boolean =>
  need.heldFrom !== undefined && need.heldFrom <= today && today < need.dueFrom;

/** The last day on which a hold keeps a need from being due: a hold holds through the day that it names. */
export const heldUntil = (dueFrom: PlainDate): PlainDate => addDays(dueFrom, -1);

/** The target that counts today: the last one not after today. */
export function targetOn(
  need: { readonly targets: readonly Target[] },
  today: PlainDate,
): string | undefined {
  let release: string | undefined;
  for (const target of need.targets) if (target.from <= today) release = target.release;
  return release;
}
