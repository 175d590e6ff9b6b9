// A radio is taken to the bench: to go through a procedure, or to read what it runs.
import { z } from "zod";
import { bad, good } from "#core/quantities/result.ts";
import { stateOfUnit } from "#core/route/way.ts";
import { composeProcedure, composeRead, holdsFor, needsGates } from "#core/run/compose.ts";
import { knownProcedure, proceduresOf } from "#db/dossier.ts";
import { isDuplicate } from "#db/errors.ts";
import { addRun } from "#db/runs.ts";
import { loadSituation } from "#db/situation.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";
import { unitHere } from "./unit-here.ts";

/**
 * `for`: a procedure of its dossier, or a component whose version is to be read. Problems: those of a unit; `busy`, if another run has the
 * radio; `no-procedure` and `no-component`; `other-radio`, if the procedure is a draft or for other firmware or
 * hardware; `needs-gates`, if it flashes, erases or unlocks.
 */
export const beginRun = defineAct({
  name: "begin-run",
  input: z.object({
    unit: id,
    for: z.union([z.object({ procedure: id }), z.object({ component: id })]),
  }),
  may: "work-at-bench",
  run: async (tx, { unit, for: asked }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const situation = await loadSituation(tx, unit, who.today);
    if (!situation) return bad({ kind: "no-unit" as const });
    const { catalogue } = situation;
    const moment = { unit: situation.unit, catalogue, state: stateOfUnit(situation.unit, catalogue) };
    const procedures = (await proceduresOf(tx, here.value.model_id)).map(knownProcedure);
    const procedure = "procedure" in asked ? procedures.find((p) => p.id === asked.procedure) : undefined;
    if ("procedure" in asked) {
      if (!procedure) return bad({ kind: "no-procedure" as const });
      if (!holdsFor(procedure, moment)) return bad({ kind: "other-radio" as const });
      if (needsGates(procedure)) return bad({ kind: "needs-gates" as const });
    } else if (!catalogue.has(asked.component)) return bad({ kind: "no-component" as const });
    const plan = procedure
      ? composeProcedure(procedure)
      : composeRead({ ...moment, procedures, component: "component" in asked ? asked.component : "" });
    const title = procedure?.title ?? plan.stages[0]?.title ?? "";
    try {
      const run = await addRun(tx, { unit, title, plan, by: who.person });
      return good({ answer: { run }, log: [{ entry: { kind: "run-begun" as const, what: title }, unit }] });
    } catch (error) {
      if (isDuplicate(error, "run_one_at_a_time")) return bad({ kind: "busy" as const });
      throw error;
    }
  },
});
