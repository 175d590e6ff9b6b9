// A radio that transmits, in the mode it is in, where its user or its group should not.
import { z } from "zod";
import { classOf, exceedsOn, type ModeFacts, modeStanding } from "../../modes/index.ts";
import { plainDate } from "../../quantities/index.ts";
import { fact } from "../../unit/index.ts";
import { pastHolds } from "../holds.ts";
import { defineNeed, type NeedOf, NONE, type Radio } from "./kind.ts";

const REASONS = [
  fact("in-mode", { mode: z.string(), on: plainDate }),
  /** What may be used: by a class, of the holder or of the group; or what old radios were approved for. */
  fact("allowed-by", { class: z.string().optional(), of: z.enum(["holder", "group", "approval"]) }),
  /** Where it transmits beyond that: the first stretch, in hertz, and how much of the air in all. */
  fact("beyond", { from: z.number(), to: z.number(), width: z.number() }),
] as const;
type ModeReason = z.output<(typeof REASONS)[number]>;
type ModeNeed = NeedOf<"mode", "transmits-beyond", ModeReason>;

export const mode = defineNeed({
  kind: "mode",
  causes: ["transmits-beyond"],
  followsStanding: false,
  reasons: REASONS,
  doings: { switch: { due: 40 } },
  here: "switch",
  away: "ask-back",
  forHolder: "when-you-come",
  items: { switch: 70 },
});

/** One for each stretch of days on which it does so: a band plan changes on its days. */
export function modeNeeds({ unit, policy, component }: Radio): ModeNeed[] {
  const { mode: known } = unit;
  if (!known || !policy.transmit) return [];
  const facts = {
    modes: [known.now],
    now: known.now.id,
    policy: policy.transmit,
    plan: known.plan,
    holder: known.holder,
  };
  return exceedsOn(facts, known.on).map(({ from, to }) => {
    const standing = modeStanding(facts, from);
    const first = standing.kind === "exceeds" ? standing.excess[0] : undefined;
    const because: ModeReason[] = [{ kind: "in-mode", mode: known.now.name, on: known.on }, allowedBy(facts)];
    if (standing.kind === "exceeds" && first)
      because.push({ kind: "beyond", from: first.from, to: first.to, width: standing.width });
    const need: ModeNeed = {
      unit: unit.id,
      kind: "mode",
      component,
      cause: "transmits-beyond",
      urgency: "fix",
      dueFrom: from,
      ...(to && { dueTo: to }),
      targets: NONE,
      because,
    };
    return pastHolds(need, unit, policy);
  });
}

function allowedBy({ policy, holder }: Pick<ModeFacts, "policy" | "holder">): ModeReason {
  if (policy.rule === "legacy") return { kind: "allowed-by", of: "approval" };
  const own = classOf({ policy, holder });
  return {
    kind: "allowed-by",
    of: holder ? "holder" : "group",
    ...(own !== undefined && { class: own }),
  };
}
