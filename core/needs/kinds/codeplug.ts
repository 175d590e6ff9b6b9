// A radio whose group carries the club's plan of channels, and which has something else.
import { z } from "zod";
import { laterOf, plainDate } from "../../quantities/index.ts";
import { fact } from "../../unit/index.ts";
import { pastHolds } from "../holds.ts";
import { defineNeed, type NeedOf, NONE, type Radio } from "./kind.ts";

/** The plan, since when it counts; and what the radio carries: an older one, another table, or what nobody knows. */
const REASONS = [
  fact("codeplug", {
    plan: z.number(),
    since: plainDate,
    has: z.enum(["older", "other", "unknown"]),
    on: plainDate.optional(),
  }),
] as const;
type CodeplugNeed = NeedOf<"codeplug", "not-the-plan", z.output<(typeof REASONS)[number]>>;

export const codeplug = defineNeed({
  kind: "codeplug",
  causes: ["not-the-plan"],
  followsStanding: false,
  reasons: REASONS,
  doings: { program: { due: 70 } },
  here: "program",
  away: "ask-back",
  forHolder: "when-you-come",
  items: { program: 100 },
});

/** From the day on which the plan counts, until it is in. */
export function codeplugNeeds({ unit, policy, component }: Radio): CodeplugNeed[] {
  const { codeplug: carried } = unit;
  if (!carried || policy.codeplug !== "plan") return [];
  const need: CodeplugNeed = {
    unit: unit.id,
    kind: "codeplug",
    component,
    cause: "not-the-plan",
    urgency: "routine",
    dueFrom: laterOf(carried.since, unit.addedOn),
    targets: NONE,
    because: [{ kind: "codeplug", ...carried }],
  };
  return [pastHolds(need, unit, policy)];
}
