// A radio with a device whose pairing holds no more.
import { z } from "zod";
import { plainDate } from "../../quantities/index.ts";
import { fact } from "../../unit/index.ts";
import { pastHolds } from "../holds.ts";
import { defineNeed, type NeedOf, NONE, type Radio } from "./kind.ts";

/** A device that it is paired with, since when that holds no more, and why. */
const REASONS = [
  fact("pairing", { device: z.string(), why: z.enum(["dropped", "failed", "lost"]), on: plainDate }),
] as const;
type PairingNeed = NeedOf<"pairing", "unpaired", z.output<(typeof REASONS)[number]>>;

export const pairing = defineNeed({
  kind: "pairing",
  causes: ["unpaired"],
  followsStanding: false,
  reasons: REASONS,
  doings: { pair: { due: 60 } },
  here: "pair",
  away: "ask-back",
  forHolder: "when-you-come",
  items: { pair: 90 },
});

/** One for all devices with which it holds no more, from the first day on which one of them did not. */
export function pairingNeeds({ unit, policy, component }: Radio): PairingNeed[] {
  const broken = [...(unit.unpaired ?? [])].sort((a, b) =>
    a.on === b.on ? (a.device < b.device ? -1 : 1) : a.on < b.on ? -1 : 1,
  );
  const [first] = broken;
  if (!first) return [];
  const need: PairingNeed = {
    unit: unit.id,
    kind: "pairing",
    component,
    cause: "unpaired",
    urgency: "routine",
    dueFrom: first.on,
    targets: NONE,
    because: broken.map(({ device, why, on }) => ({ kind: "pairing" as const, device, why, on })),
  };
  return [pastHolds(need, unit, policy)];
}
