// Any one procedure of a dossier is gone through.
import { stage, written } from "../blocks.ts";
import type { RunPlan } from "../plan.ts";
import type { KnownProcedure } from "../procedure.ts";

/** Any one procedure of a dossier, as it is written. */
export const composeProcedure = (procedure: KnownProcedure): RunPlan => ({
  purpose: "procedure",
  stages: stage("do", procedure.title, written(procedure, procedure.title)),
});
