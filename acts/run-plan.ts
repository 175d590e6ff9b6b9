// What a run is to do, made from what is known of a radio when it is taken to the bench.
import { chainsOfUnit } from "#core/kit/tooling.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { bad, good, type Result } from "#core/quantities/result.ts";
import { sendings, withGathered } from "#core/run/blocks.ts";
import {
  composeBackup,
  composeMeasure,
  composeProcedure,
  composeRead,
  composeRestore,
} from "#core/run/compose.ts";
import { holdsFor, type KnownProcedure, needsGates } from "#core/run/procedure.ts";
import { backupById } from "#db/backups.ts";
import { knownProcedure, proceduresOf } from "#db/dossier.ts";
import type { Tx } from "#db/pool.ts";
import { type LoadedSituation, loadSituation } from "#db/situation.ts";
import { freeLoad } from "./free-load.ts";
import { modePlan } from "./plan-mode.ts";
import { pairPlan } from "./plan-pair.ts";
import { programPlan } from "./plan-program.ts";
import { updatePlan } from "./plan-update.ts";
import { chosen, erasingIn, momentOf, ratedOf, workFacts } from "./plan-work.ts";
import { writePlan } from "./plan-write.ts";
import type { Errand, Planned, PlanProblem } from "./planned.ts";

/** The plan for an errand, with what it works with; a dummy load, too, where it transmits. */
export async function planFor(
  tx: Tx,
  unit: string,
  errand: Errand,
  today: PlainDate,
): Promise<Result<Planned, PlanProblem>> {
  const planned = await plannedFor(tx, unit, errand, today);
  if (!planned.ok || sendings(planned.value.plan) === 0) return planned;
  const { plan, things } = planned.value;
  const load = await freeLoad(tx, unit, plan);
  return good({
    ...planned.value,
    plan: withGathered(plan, load.what),
    things: load.thing ? [...things, load.thing] : things,
  });
}

async function plannedFor(
  tx: Tx,
  unit: string,
  errand: Errand,
  today: PlainDate,
): Promise<Result<Planned, PlanProblem>> {
  const situation = await loadSituation(tx, unit, today);
  if (!situation) return bad({ kind: "no-unit" });
  const known = (await proceduresOf(tx, situation.unit.model)).map(knownProcedure);
  if ("procedure" in errand) return procedurePlan(situation, known, errand.procedure);
  if ("component" in errand) return readPlan(situation, known, errand.component);
  if ("update" in errand) return updatePlan(tx, situation, known, errand.update);
  if ("measure" in errand)
    return good({
      plan: composeMeasure(await ratedOf(tx, situation.unit)),
      title: "Measure its power",
      ...{ things: [], ways: [], erasing: [] },
    });
  if ("pair" in errand) return pairPlan(tx, situation, errand.pair.device);
  if ("program" in errand) return programPlan(tx, situation, known, errand.program);
  if ("write" in errand) return writePlan(tx, situation, known, errand.write, today);
  if ("mode" in errand) return modePlan(tx, situation, known, errand.mode, today);
  const restored = "restore" in errand ? await backupById(tx, errand.restore.backup) : undefined;
  if ("restore" in errand && restored?.unit_id !== unit) return bad({ kind: "no-backup" });
  const asked = "restore" in errand ? errand.restore.chain : errand.backup.chain;
  const chains = chainsOfUnit(situation, restored ? "write" : "read");
  const chain = chosen(chains, asked);
  const work = await workFacts(tx, situation, known, chain ? [chain] : []);
  return good({
    plan: restored ? composeRestore(work.facts, restored.sha256) : composeBackup(work.facts),
    title: restored ? "Write a backup back" : "Back it up",
    things: work.things,
    ways: chains.chains.map(work.said),
    erasing: restored ? erasingIn(known, ["restore"], momentOf(situation)) : [],
  });
}

function procedurePlan(
  situation: LoadedSituation,
  known: readonly KnownProcedure[],
  id: string,
): Result<Planned, PlanProblem> {
  const procedure = known.find((p) => p.id === id);
  if (!procedure) return bad({ kind: "no-procedure" });
  if (!holdsFor(procedure, momentOf(situation))) return bad({ kind: "other-radio" });
  if (needsGates(procedure)) return bad({ kind: "needs-gates" });
  return good({
    plan: composeProcedure(procedure),
    title: procedure.title,
    things: [],
    ways: [],
    erasing: [],
  });
}

function readPlan(
  situation: LoadedSituation,
  procedures: readonly KnownProcedure[],
  component: string,
): Result<Planned, PlanProblem> {
  if (!situation.catalogue.has(component)) return bad({ kind: "no-component" });
  const plan = composeRead({ ...momentOf(situation), procedures, component });
  return good({ plan, title: plan.stages[0]?.title ?? "", things: [], ways: [], erasing: [] });
}
