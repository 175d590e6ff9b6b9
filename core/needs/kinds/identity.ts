// A digital ID or a call sign that a radio is to have and that has not come.
import { z } from "zod";
import { daysAfter, plainDate } from "../../quantities/index.ts";
import { fact } from "../../unit/index.ts";
import { pastHolds } from "../holds.ts";
import { defineNeed, type NeedOf, NONE, type Radio } from "./kind.ts";

/** Asked for on, and expected by. */
const REASONS = [
  fact("identity", {
    what: z.enum(["digital", "call"]),
    askedOn: plainDate.optional(),
    by: plainDate.optional(),
  }),
] as const;
type IdentityNeed = NeedOf<"identity", "no-identity", z.output<(typeof REASONS)[number]>>;

export const identity = defineNeed({
  kind: "identity",
  causes: ["no-identity"],
  followsStanding: false,
  reasons: REASONS,
  doings: { "ask-for": { due: 80 } },
  here: "ask-for",
  away: "ask-for",
  forHolder: "when-you-come",
  items: { "ask-for": 110 },
});

/** One for all that have not arrived: at once while one was not asked for, else from the day after the first should have come. */
export function identityNeeds({ unit, policy, component }: Radio): IdentityNeed[] {
  const due = (unit.awaited ?? []).flatMap((one) => {
    if (one.askedOn === undefined) return [{ one, from: one.since }];
    const from = one.by && daysAfter(one.by, 1);
    return from?.ok ? [{ one, from: from.value }] : [];
  });
  const dueFrom = due.map(({ from }) => from).sort()[0];
  if (dueFrom === undefined) return [];
  const need: IdentityNeed = {
    unit: unit.id,
    kind: "identity",
    component,
    cause: "no-identity",
    urgency: "routine",
    dueFrom,
    targets: NONE,
    because: due.map(({ one: { what, askedOn, by } }) => ({
      kind: "identity" as const,
      what,
      ...(askedOn && { askedOn }),
      ...(by && { by }),
    })),
  };
  return [pastHolds(need, unit, policy)];
}
