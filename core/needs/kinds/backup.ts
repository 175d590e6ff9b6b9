// A radio that was read out before and flashed on a later day is to be read out again.
import type { z } from "zod";
import { plainDate } from "../../quantities/index.ts";
import { fact } from "../../unit/index.ts";
import { pastHolds } from "../holds.ts";
import { defineNeed, type NeedOf, NONE, type Radio } from "./kind.ts";

const REASONS = [fact("backed-up", { on: plainDate }), fact("written-since", { on: plainDate })] as const;
type BackupNeed = NeedOf<"backup", "written-since-backup", z.output<(typeof REASONS)[number]>>;

export const backup = defineNeed({
  kind: "backup",
  causes: ["written-since-backup"],
  followsStanding: false,
  reasons: REASONS,
  doings: { "back-up": { due: 30, bench: "backup" } },
  here: "back-up",
  away: "ask-back",
  forHolder: "when-you-come",
  items: { "back-up": 60 },
});

/** Of one that was never kept nothing is said: with nothing to compare, nobody knows whether anything would be lost. */
export function backupNeeds({ unit, policy, component }: Radio): BackupNeed[] {
  const { backup: kept } = unit;
  if (kept?.writtenOn === undefined || kept.writtenOn <= kept.on) return [];
  const need: BackupNeed = {
    unit: unit.id,
    kind: "backup",
    component,
    cause: "written-since-backup",
    urgency: "routine",
    dueFrom: kept.writtenOn,
    targets: NONE,
    because: [
      { kind: "backed-up", on: kept.on },
      { kind: "written-since", on: kept.writtenOn },
    ],
  };
  return [pastHolds(need, unit, policy)];
}
