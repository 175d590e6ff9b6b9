// The plan that brings a radio to what it needs, or to another release that was asked for.
import { z } from "zod";
import { toolingOfRoute } from "#core/kit/index.ts";
import { needsOf } from "#core/needs/index.ts";
import { bad, good, mustGet, type Result } from "#core/quantities/index.ts";
import { type Goal, goalOfNeeds, goalsBeside, type Step, stateOfUnit, wayOf } from "#core/route/index.ts";
import { composeUpdate } from "#core/run/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { orderVersions } from "#core/version/index.ts";
import { modelById } from "#db/model/index.ts";
import type { LoadedSituation } from "#db/unit/index.ts";
import { pairsOf } from "../bluetooth/pair-facts.ts";
import { id } from "../shapes.ts";
import { defineErrand, type Known } from "./errand.ts";
import type { Planned, PlanProblem } from "./planned.ts";
import { chainKey, chosen, erasingIn, momentOf, ratedOf, workFacts } from "./work.ts";

const shape = z.object({ chain: chainKey, to: id.optional() });

export const update = defineErrand({ shape, isWork: true, plan: updatePlan });

/** Problems: `nothing-due`, `no-release`, `no-way`, `hardware-unknown`. */
async function updatePlan(
  { tx, situation, procedures }: Known,
  asked: z.output<typeof shape>,
): Promise<Result<Planned, PlanProblem>> {
  const { unit, catalogue, policy, today } = situation;
  const aim = goalOf(situation, asked.to);
  if (!aim.ok) return aim;
  const goal = aim.value;
  const on = policyOn(policy, today);
  const { result } = wayOf(unit, catalogue, on, goal);
  if (!result.ok) return bad({ kind: "no-way" });
  const to = result.value.steps.at(-1);
  if (!to) return bad({ kind: "nothing-due" });
  const wanted = new Set(goal.values());
  const others = goalsBeside(catalogue, on, [...goal.keys()]).filter(
    ({ release }) => !wanted.has(release.id),
  );
  const releases = result.value.steps.map((step) => catalogue.get(step.component)?.byId.get(step.release));
  const isPicky = releases.some((release) => release?.hardwareRevisions !== undefined);
  if (isPicky && unit.hardwareRevision === undefined) return bad({ kind: "hardware-unknown" });
  const tooling = toolingOfRoute(result, situation);
  const chains =
    "steps" in tooling ? tooling.steps.flatMap((step) => chosen(step.chains, asked.chain) ?? []) : [];
  const work = await workFacts(tx, situation, procedures, chains);
  const prepared = mustGet(catalogue, to.component);
  const { version } = mustGet(prepared.byId, to.release);
  return good({
    plan: composeUpdate({
      ...work.facts,
      route: result.value,
      backsUpOnlyErasing: ((await modelById(tx, unit.model))?.no_backup_why ?? "") !== "",
      pairs: await pairsOf(tx, unit),
      ...(on.measure?.afterFlash && { measure: await ratedOf(tx, unit) }),
    }),
    title: (goesBack(situation, to)
      ? `Take ${prepared.component.name} back to ${version}`
      : `Update ${prepared.component.name} to ${version}`
    )
      .replace(/ +/g, " ")
      .slice(0, 200),
    things: work.things,
    ways: "steps" in tooling ? (tooling.steps[0]?.chains.chains ?? []).map(work.said) : [],
    goals: others.slice(0, MOST_GOALS).map(({ component, release }) => ({
      id: release.id,
      what: `${component.name} ${release.version}, ${release.track}`.trim(),
    })),
    erasing: erasingIn(
      procedures,
      result.value.erases === "nothing" ? ["flash"] : ["flash", "restore"],
      momentOf(situation),
    ),
  });
}

/** Is a release older than what the unit runs now? What cannot be compared is not. */
function goesBack({ unit, catalogue }: LoadedSituation, to: Pick<Step, "component" | "release">): boolean {
  const prepared = catalogue.get(to.component);
  const now = stateOfUnit(unit, catalogue).get(to.component);
  const then = prepared?.reader.release(to.release);
  return now !== undefined && then !== undefined && orderVersions(then, now) === -1;
}

/** So many releases are offered at most. */
const MOST_GOALS = 50;

/** What its needs call for; where another release is asked for, that in place of it. */
function goalOf(
  { unit, catalogue, policy, today }: LoadedSituation,
  to: string | undefined,
): Result<Goal, PlanProblem> {
  const goal = goalOfNeeds(needsOf(unit, catalogue, policy), today);
  if (to === undefined) return goal.size > 0 ? good(goal) : bad({ kind: "nothing-due" });
  const found = goalsBeside(catalogue, policyOn(policy, today), [...catalogue.keys()]).find(
    ({ release }) => release.id === to,
  );
  if (!found) return bad({ kind: "no-release" });
  return good(new Map([...goal, [found.component.id, to]]));
}
