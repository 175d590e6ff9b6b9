// A radio that is with somebody, and the day for bringing it back is past.
import type { z } from "zod";
import { daysAfter, plainDate } from "../../quantities/index.ts";
import { fact } from "../../unit/index.ts";
import { defineNeed, type NeedOf, NONE, type Radio } from "./kind.ts";

const REASONS = [fact("due-back", { on: plainDate })] as const;
type LoanNeed = NeedOf<"loan", "loan-overdue", z.output<(typeof REASONS)[number]>>;

export const loan = defineNeed({
  kind: "loan",
  causes: ["loan-overdue"],
  followsStanding: false,
  reasons: REASONS,
  doings: { "get-back": { due: 95 } },
  here: "get-back",
  away: "get-back",
  // When it is due back is said on their page anyway, and says nothing about the radio.
  forHolder: "nothing",
  items: { overdue: 30 },
  itemsOf: () => ["overdue"],
});

/** From the day after it should have come. A hold is about work on the radio, so that it moves nothing here. */
export function loanNeeds({ unit, component }: Radio): LoanNeed[] {
  const { dueBack } = unit;
  const from = dueBack && daysAfter(dueBack, 1);
  if (!dueBack || !from?.ok) return [];
  return [
    {
      unit: unit.id,
      kind: "loan",
      component,
      cause: "loan-overdue",
      urgency: "routine",
      dueFrom: from.value,
      targets: NONE,
      because: [{ kind: "due-back", on: dueBack }],
    },
  ];
}
