// What a run is to do, made from what is known of a radio when it is taken to the bench.

import type { Purpose } from "#core/dossier/procedure.ts";
import type { Chain, Chains } from "#core/kit/chain.ts";
import { chainsOfUnit, toolingOfRoute } from "#core/kit/tooling.ts";
import { excess, transmitOf } from "#core/modes/mode.ts";
import { probesFor, RASTER } from "#core/modes/probes.ts";
import { allowedOn } from "#core/modes/standing.ts";
import { needsOf } from "#core/needs/unit.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { bad, good, type Result } from "#core/quantities/result.ts";
import { goalOfNeeds, stateOfUnit, wayOf } from "#core/route/way.ts";
import {
  composeBackup,
  composeMode,
  composeProcedure,
  composeRead,
  composeRestore,
  composeUpdate,
  holdsFor,
  type KnownProcedure,
  type Moment,
  needsGates,
  procedureFor,
  transmits,
  type WorkFacts,
  withGathered,
} from "#core/run/compose.ts";
import type { RunPlan } from "#core/run/plan.ts";
import { policyOn } from "#core/unit/policy.ts";
import { backupById } from "#db/backups.ts";
import { knownProcedure, proceduresOf } from "#db/dossier.ts";
import { loadKit } from "#db/kit.ts";
import { type GearRow, gearRows } from "#db/kit-put.ts";
import { releasesOf, revisionsOf } from "#db/models.ts";
import { knownMode, type ModeRow, modesOf } from "#db/modes.ts";
import type { Tx } from "#db/pool.ts";
import { type Thing, thingsTaken } from "#db/runs.ts";
import { bandPlan } from "#db/segments.ts";
import { type LoadedSituation, loadSituation } from "#db/situation.ts";
import { unitById } from "#db/units.ts";

/** What a radio is taken to the bench for. `chain`: another than the best; `keep`: over nothing that erases, if that can be. */
export type Errand =
  | { readonly procedure: string }
  | { readonly component: string }
  | { readonly update: { readonly chain?: string | undefined; readonly keep?: boolean | undefined } }
  | { readonly backup: { readonly chain?: string | undefined } }
  | { readonly restore: { readonly backup: string; readonly chain?: string | undefined } }
  | { readonly mode: { readonly mode: string; readonly chain?: string | undefined } };

export type PlanProblem =
  | { readonly kind: "no-unit" }
  | { readonly kind: "no-procedure" }
  | { readonly kind: "no-component" }
  /** The procedure is a draft, or for other firmware or hardware. */
  | { readonly kind: "other-radio" }
  /** It flashes, erases or unlocks: it is part of a run that has its gates. */
  | { readonly kind: "needs-gates" }
  /** It needs no firmware. */
  | { readonly kind: "nothing-due" }
  /** Nothing leads there, or it cannot be told whether anything does. */
  | { readonly kind: "no-way" }
  /** What it needs fits some hardware of its model only, and nobody has noted which it has. */
  | { readonly kind: "hardware-unknown" }
  /** That is no backup of this radio. */
  | { readonly kind: "no-backup" }
  /** Its model has no such mode, or not with what it runs. */
  | { readonly kind: "no-mode" };

export type Planned = {
  readonly plan: RunPlan;
  readonly title: string;
  /** What it works with, from the chains it goes by. */
  readonly things: readonly Thing[];
  /** Every chain by which its first install, or what it reads or writes, can be reached, in words; the best known first. */
  readonly ways: readonly { readonly key: string; readonly what: string }[];
  /** The procedures in it that erase. */
  readonly erasing: readonly Pick<KnownProcedure, "id" | "title">[];
};

/** The plan for an errand, with what it works with; a dummy load, too, where it transmits. */
export async function planFor(
  tx: Tx,
  unit: string,
  errand: Errand,
  today: PlainDate,
): Promise<Result<Planned, PlanProblem>> {
  const planned = await plannedFor(tx, unit, errand, today);
  if (!planned.ok || !transmits(planned.value.plan)) return planned;
  const load = await freeLoad(tx, unit);
  const { plan, things } = planned.value;
  return good({
    ...planned.value,
    plan: withGathered(plan, load ? `dummy load ${load.tag}` : "a dummy load"),
    things: load ? [...things, { kind: "gear" as const, id: load.id, name: load.tag }] : things,
  });
}

/** A dummy load that is sound and here; one that no bench holds for another radio before the others. */
async function freeLoad(tx: Tx, unit: string): Promise<GearRow | undefined> {
  const own = (await unitById(tx, unit))?.tag;
  const taken = new Set(
    (await thingsTaken(tx)).flatMap(({ kind, id, tag }) => (kind === "gear" && tag !== own ? [id] : [])),
  );
  const loads = (await gearRows(tx)).filter(
    ({ kind, condition, holder_id }) => kind === "dummy load" && condition === "sound" && holder_id === null,
  );
  return loads.find(({ id }) => !taken.has(id)) ?? loads[0];
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

async function modePlan(
  tx: Tx,
  situation: LoadedSituation,
  known: readonly KnownProcedure[],
  asked: { readonly mode: string; readonly chain?: string | undefined },
  today: PlainDate,
): Promise<Result<Planned, PlanProblem>> {
  const { unit, policy } = situation;
  const modes = modesHere(situation, await modesOf(tx, unit.model));
  const row = modes.find(({ id }) => id === asked.mode);
  if (!row) return bad({ kind: "no-mode" });
  const all = modes.map(knownMode);
  const allowed =
    allowedOn(
      {
        policy: policyOn(policy, today).transmit ?? { rule: "as it is" },
        plan: await bandPlan(tx),
        holder: unit.mode?.holder ?? (unit.away ? {} : undefined),
      },
      today,
    ) ?? [];
  const { probes } = probesFor(
    all.map((mode) => ({ id: mode.id, transmit: transmitOf(mode) })),
    allowed,
    RASTER,
  );
  const isErased = row.facts.erases !== "nothing";
  const chains = chainsOfUnit(situation, "read");
  const chain = isErased ? chosen(chains, asked.chain) : undefined;
  const work = await workFacts(tx, situation, known, chain ? [chain] : []);
  const enter = known.find(({ id, draft }) => id === row.enter_id && !draft);
  const beyond = allowed.length > 0 && excess(row.facts, allowed).length > 0;
  return good({
    plan: composeMode(work.facts, {
      ...{ name: row.name, erases: row.facts.erases, enter, setting: row.facts.setting, beyond },
      probes: probes.map(({ frequency, outside, transmits }) => ({
        ...{ frequency, outside },
        transmits: transmits.includes(row.id),
      })),
    }),
    title: `Switch it to ${row.name}`,
    things: work.things,
    ways: isErased ? chains.chains.map(work.said) : [],
    erasing: enter?.effect === "erase" ? [{ id: enter.id, title: enter.title }] : [],
  });
}

/** The modes that a unit can be in, by what it runs and what hardware it has; what is unknown speaks against nothing. */
export function modesHere(situation: LoadedSituation, rows: readonly ModeRow[]): ModeRow[] {
  const moment = momentOf(situation);
  return rows.filter((row) => {
    const { firmware, hardwareRevisions } = knownMode(row);
    const asked = { ...(firmware && { firmware }), ...(hardwareRevisions && { hardwareRevisions }) };
    return holdsFor({ draft: false, ...asked }, moment);
  });
}

const momentOf = ({ unit, catalogue }: LoadedSituation) => ({
  unit,
  catalogue,
  state: stateOfUnit(unit, catalogue),
});

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

async function updatePlan(
  tx: Tx,
  situation: LoadedSituation,
  known: readonly KnownProcedure[],
  asked: { readonly chain?: string | undefined; readonly keep?: boolean | undefined },
): Promise<Result<Planned, PlanProblem>> {
  const { unit, catalogue, policy, today } = situation;
  const goal = goalOfNeeds(needsOf(unit, catalogue, policy), today);
  if (goal.size === 0) return bad({ kind: "nothing-due" });
  const { result } = wayOf(unit, catalogue, policyOn(policy, today), goal, asked.keep);
  if (!result.ok) return bad({ kind: "no-way" });
  const releases = result.value.steps.map((step) => catalogue.get(step.component)?.byId.get(step.release));
  const isPicky = releases.some((release) => release?.hardwareRevisions !== undefined);
  if (isPicky && unit.hardwareRevision === undefined) return bad({ kind: "hardware-unknown" });
  const tooling = toolingOfRoute(result, situation);
  const chains =
    "steps" in tooling ? tooling.steps.flatMap((step) => chosen(step.chains, asked.chain) ?? []) : [];
  const work = await workFacts(tx, situation, known, chains);
  const to = result.value.steps.at(-1);
  const prepared = to && catalogue.get(to.component);
  const version = prepared?.byId.get(to?.release ?? "")?.version ?? "";
  return good({
    plan: composeUpdate({ ...work.facts, route: result.value }),
    title: `Update ${prepared?.component.name ?? ""} to ${version}`.replace(/ +/g, " ").slice(0, 200),
    things: work.things,
    ways: "steps" in tooling ? (tooling.steps[0]?.chains.chains ?? []).map(work.said) : [],
    erasing: erasingIn(
      known,
      result.value.erases === "nothing" ? ["flash"] : ["flash", "restore"],
      momentOf(situation),
    ),
  });
}

/** Of the procedures that are taken, those that erase. */
const erasingIn = (known: readonly KnownProcedure[], purposes: readonly Purpose[], moment: Moment) =>
  purposes.flatMap((purpose) => {
    const procedure = procedureFor(purpose, known, moment);
    return procedure?.effect === "erase" ? [{ id: procedure.id, title: procedure.title }] : [];
  });

/** The chain that was asked for, if it still holds; else the best known. */
const chosen = ({ chains }: Chains, key: string | undefined): Chain | undefined =>
  chains.find((chain) => chain.key === key) ?? chains[0];

async function workFacts(
  tx: Tx,
  situation: LoadedSituation,
  procedures: readonly KnownProcedure[],
  chains: readonly Chain[],
): Promise<{
  readonly facts: WorkFacts;
  readonly things: readonly Thing[];
  readonly said: (chain: Chain) => Planned["ways"][number];
}> {
  const { unit } = situation;
  const tools = new Map((await loadKit(tx)).prepared.kit.tools.map((tool) => [tool.id, tool.name]));
  const things = thingsOf(chains, tools);
  const releases = await releasesOf(tx, unit.model);
  const revisions = await revisionsOf(tx, unit.model);
  const hardware = revisions.find((r) => r.id === unit.hardwareRevision)?.name;
  const [first] = chains;
  const named = (chain: Chain) =>
    thingsOf([chain], tools)
      .map(({ name }) => name)
      .join(", ");
  return {
    things,
    said: (chain) => ({ key: chain.key, what: named(chain) }),
    facts: {
      ...momentOf(situation),
      procedures,
      gather: things.map(({ kind, name }) =>
        kind === "lead" || kind === "adapter" ? `${kind} ${name}` : name,
      ),
      guards: {
        ...(hardware !== undefined && { hardware: `hardware ${hardware}` }),
        ...(first && {
          chain: {
            what: named(first),
            bad: chains.some(({ evidence }) => evidence.verdict === "known-bad"),
          },
        }),
        sums: new Map(releases.flatMap((r) => (r.file_sha256 ? [[r.id, r.file_sha256] as const] : []))),
      },
    },
  };
}

/** What chains go by, each once. */
function thingsOf(chains: readonly Chain[], tools: ReadonlyMap<string, string>): Thing[] {
  const all = chains.flatMap(({ lead, atRadio, atComputer, computer, tool }): Thing[] => [
    ...(lead ? [{ kind: "lead" as const, id: lead.id, name: lead.tag }] : []),
    ...[...atRadio, ...atComputer].map((joint) => ({
      kind: "adapter" as const,
      id: joint.id,
      name: joint.tag,
    })),
    { kind: "computer", id: computer.id, name: computer.name },
    ...(tool ? [{ kind: "tool" as const, id: tool.tool, name: tools.get(tool.tool) ?? "the tool" }] : []),
  ]);
  return [...new Map(all.map((thing) => [`${thing.kind} ${thing.id}`, thing])).values()];
}
