// Which procedures a hand can begin by mistake.

import { type Combination, confusable, type Step } from "#core/dossier/index.ts";
import type { ProcedureRow } from "#db/model/index.ts";

/** What a model's procedures hold down at once, those that begin with a combination. */
export const combinationsOf = (procedures: readonly ProcedureRow[]): Combination[] =>
  procedures.flatMap((p) => {
    const hold = p.steps.find((step) => step.kind === "hold");
    if (!hold || p.draft) return [];
    return [{ id: p.id, purpose: p.purpose, effect: p.effect, keys: hold.keys, turn: hold.turn }];
  });

/** The procedures that do harm and are one key away from what a harmless step asks to hold, the worst first. */
export function besideStep(step: Step | undefined, procedures: readonly ProcedureRow[]): ProcedureRow[] {
  if (step?.kind !== "hold") return [];
  const harmful = procedures.filter((procedure) => procedure.effect !== "harmless");
  const here: Combination = {
    id: "here",
    purpose: "update-mode",
    effect: "harmless",
    keys: step.keys,
    turn: step.turn,
  };
  return confusable([here, ...combinationsOf(harmful)])
    .filter((pair) => pair.a === "here" || pair.b === "here")
    .flatMap((pair) => harmful.find(({ id }) => id === pair.a || id === pair.b) ?? []);
}
