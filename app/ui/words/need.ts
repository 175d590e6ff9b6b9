// A need as one sentence.
import { type NeedCause, type Target, targetOn } from "#core/needs/need.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import type { Names } from "./standing.ts";
import { sayDate } from "./time.ts";

type SaidNeed = {
  readonly cause: NeedCause;
  readonly component: string;
  readonly targets: readonly Target[];
  readonly dueFrom: PlainDate;
};

export function sayNeed(need: SaidNeed, names: Names, many: boolean): string {
  const target = targetOn(need, names.today);
  const which = many ? `${need.component}: ` : "";
  const to = target ? names.release(target) : undefined;
  switch (need.cause) {
    case "behind":
      return `${which}install ${to ?? "the newer release"}`;
    case "pinned":
      return `${which}bring to ${to ?? "the pinned release"}, which its group is pinned to`;
    case "withdrawn":
      return to
        ? `${which}leave the withdrawn release for ${to}`
        : `${which}runs a withdrawn release, and there is none to go to`;
    case "aside":
      return to ? `${which}leave its track for ${to}` : `${which}on a track its group does not use`;
    case "unread":
      return `${which}read it for the first time`;
    case "unclear":
      return `${which}read it again; the last reading cannot be placed`;
    case "stale":
      return `${which}read it again; the last reading is old`;
    case "back-from-custody":
      return `${which}read it; it came back and nobody has`;
    case "flash-unconfirmed":
      return `${which}read it to confirm the flash`;
    case "unlisted":
      return `${which}find out which releases there are for it; we know of none`;
    case "uncounted":
      return `${which}say how this model numbers its releases; what it shows can stand in two places`;
    case "written-since-backup":
      return "read it out and keep the file; it was written to since the last backup";
    case "unmeasured":
      return "measure its power; its group asks for that";
    case "unpaired":
      return "pair it again; what it was paired with does not hold any more";
    case "not-the-plan":
      return "write the plan of channels into it; its group carries that";
    case "no-identity":
      return "ask for its ID or call sign; it has not come";
    case "transmits-beyond":
      return "switch its mode; it transmits where its user may not";
    case "ahead":
      return `${which}add what it runs to our list of releases`;
  }
}

export const saySince = (need: Pick<SaidNeed, "dueFrom">, names: Names): string =>
  `since ${sayDate(need.dueFrom, names.locale, names.today)}`;
