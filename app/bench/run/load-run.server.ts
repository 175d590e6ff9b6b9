// A run as its page shows it.
import { z } from "zod";
import { pairPlanOf } from "#acts/bluetooth/pair-facts.ts";
import { errandShape, planFor } from "#acts/errands/plan.ts";
import type { Planned } from "#acts/errands/planned.ts";
import { TROUBLES } from "#core/bluetooth/index.ts";
import { may } from "#core/club/index.ts";
import { codeOf, isGuarded, mismatches } from "#core/dossier/index.ts";
import { fullScaleOf } from "#core/measure/index.ts";
import { liesInBands, transmitOf } from "#core/modes/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import {
  estimate,
  foldRun,
  hasGuarded,
  isFinal,
  planShape,
  type Run,
  stepsOf,
  withoutGuarded,
  withoutNotes,
} from "#core/run/index.ts";
import { deviceById, gearRows } from "#db/kit/index.ts";
import {
  codesIn,
  dossierHead,
  modesOf,
  proceduresOf,
  quirksOf,
  serviceItems,
  unitModes,
} from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, fileSize, isSilent, type RunRow, thingsTaken } from "#db/run/index.ts";
import { needsOfUnit, simulatedState, type UnitRow } from "#db/unit/index.ts";
import { radioShape } from "#simulators/radio/stored.ts";
import { workAt } from "#simulators/radio/work.ts";
import type { SignedIn } from "../../context.ts";
import { airOf } from "../../shared/air.ts";
import { historyOfModel } from "../../shared/estimate.server.ts";
import { inPassing, isHandedOut } from "../../shared/guarded.server.ts";
import { besideStep } from "../../shared/load-beside.server.ts";
import { sayNext } from "../../ui/words/needs/index.ts";

/** So many of the dossier's oddities are offered where something is odd. */
const MOST_QUIRKS = 20;

/** What the radio still needs, in a word, for whoever takes it off the bench. */
async function nextDue(tx: Tx, unit: string, today: PlainDate): Promise<string | undefined> {
  const open = (await needsOfUnit(tx, unit, today)).filter((need) => need.due_from <= today);
  const [first] = open;
  return first && sayNext(first.kind, first.component);
}

type Anew = Pick<Planned, "ways" | "goals"> & { readonly isOld: boolean };

/**
 * What would be planned if the run were begun now, as long as nothing has been written into the radio: by which other ways and to which other releases, and
 * whether it would be something else than what it began with.
 */
async function plannedNow(tx: Tx, row: RunRow, run: Run, today: PlainDate): Promise<Anew> {
  const nothing: Anew = { ways: [], isOld: false };
  const errand = errandShape.safeParse(row.errand);
  const isWritten = stepsOf(row.plan).some(({ step, place }) => place < run.place && isFinal(step));
  if (row.ended_at !== null || !errand.success || isWritten) return nothing;
  const planned = await planFor(tx, row.unit_id, errand.data, today);
  if (!planned.ok) return { ways: [], isOld: true };
  const text = (plan: unknown) => JSON.stringify(planShape.parse(plan));
  const { ways, goals, plan } = planned.value;
  return { ways, ...(goals && { goals }), isOld: text(plan) !== text(row.plan) };
}

/** What a simulated radio does at each test frequency of a run, by the mode it is in; nothing where nobody knows that. */
async function obeyed(tx: Tx, row: RunRow, unit: UnitRow, own: string | undefined) {
  const probes = stepsOf(row.plan).flatMap(({ step, place }) =>
    step.kind === "probe" ? [{ place, frequency: step.frequency }] : [],
  );
  if (probes.length === 0) return [];
  const modes = await modesOf(tx, unit.model_id);
  const now = own ?? (await unitModes(tx, unit.id, 1))[0]?.mode_id;
  const mode = modes.find(({ id }) => id === now);
  if (!mode) return [];
  const bands = transmitOf(mode.facts);
  return probes.map(({ place, frequency }) => [place, liesInBands(bands, frequency)] as const);
}

/** Where the radio, or the device, is a simulated one: both sides of it, to be tried beside the steps. */
async function airIn(tx: Tx, row: RunRow, unit: UnitRow, isSimulated: boolean) {
  const errand = z.object({ pair: z.object({ device: z.string() }) }).safeParse(row.errand);
  if (!errand.success || row.ended_at !== null) return undefined;
  const device = await deviceById(tx, errand.data.pair.device);
  if (!device || !(isSimulated || device.simulated)) return undefined;
  const { plan } = await pairPlanOf(tx, { id: unit.id, model: unit.model_id }, device);
  const { shows, address, per_use: perUse } = device;
  return plan.advice && plan.advice.menu !== "" ? airOf(plan.advice, { shows, address, perUse }) : undefined;
}

const probedModes = async (tx: Tx, model: string) =>
  (await modesOf(tx, model)).map(({ id, name, facts }) => ({ id, name, transmit: transmitOf(facts) }));

const meters = async (tx: Tx) =>
  (await gearRows(tx))
    .filter(({ kind, condition }) => kind === "meter" && condition !== "lost")
    // One whose scale is in watts is meant before a counter is.
    .sort((a, b) => Number(fullScaleOf(b.rating) !== undefined) - Number(fullScaleOf(a.rating) !== undefined))
    .map(({ tag, what }) => [tag, `${tag}, ${what}`] as const);

/** All of a run that its page needs, also to go on by itself while nothing answers. */
export async function loadRun(tx: Tx, row: RunRow, unit: UnitRow, who: SignedIn) {
  const { today } = who;
  const steps = stepsOf(row.plan);
  const sums = [
    ...new Set(steps.flatMap(({ step }) => (step.kind === "gate" && step.sha256 ? [step.sha256] : []))),
  ];
  // Sent together: one after the other, each would wait for the one before it.
  const [events, state, procedures, history, things, taken, head, quirks, items, silent, next, kept] =
    await Promise.all([
      eventsOf(tx, [row.id]).then((found) => found.get(row.id) ?? []),
      simulatedState(tx, row.unit_id),
      proceduresOf(tx, unit.model_id),
      historyOfModel(tx, unit.model_id),
      thingsTaken(tx, row.id),
      thingsTaken(tx),
      dossierHead(tx, unit.model_id),
      quirksOf(tx, unit.model_id),
      serviceItems(tx, unit.model_id),
      row.ended_at === null ? isSilent(tx, row.id) : false,
      row.ended_at === null ? undefined : nextDue(tx, row.unit_id, today),
      Promise.all(sums.map((sum) => fileSize(tx, sum))),
    ]);
  const codes = codesIn(items);
  const code = codeOf(codes, unit.region ?? undefined);
  const run = foldRun(row.plan, events);
  const radio = state && radioShape.parse(state);
  // What is guarded in a run is shown to those who may, and that is noted.
  const mayAll = may(who.role, "see-unlocking");
  const seesAll = hasGuarded(row.plan) ? await isHandedOut(who, { run: row.id }) : mayAll;
  const recovery = procedures.find((p) => p.purpose === "recover" && !p.draft);
  const isHeldBack =
    recovery !== undefined &&
    isGuarded(recovery) &&
    !(await isHandedOut(who, { model: unit.model_id, procedure: recovery.id }));
  const recover = isHeldBack ? undefined : recovery;
  const own = new Set(things.filter((t) => t.kind !== "tool").map((t) => `${t.kind} ${t.id}`));
  const inUse =
    run.phase === "ready" ? taken.filter((t) => t.run_id !== row.id && own.has(`${t.kind} ${t.id}`)) : [];
  const anew = await plannedNow(tx, row, run, today);
  return {
    ...anew,
    id: row.id,
    tag: row.tag,
    model: unit.model,
    model_id: unit.model_id,
    title: row.title,
    plan: seesAll ? row.plan : withoutGuarded(row.plan),
    events: seesAll ? events : withoutNotes(row.plan, events),
    by: row.held_by,
    byId: row.held_by_id,
    silent,
    begunAt: row.begun_at.toISOString(),
    layout: head.identity.layout,
    usual: steps.map(({ step }) => estimate(step, history)),
    things: things.map(({ kind, name }) => ({ kind, name })),
    inUse: inUse.map(({ name, by, tag, silent }) => ({ name, by, tag, silent })),
    stored: sums.filter((_, i) => kept[i] !== undefined),
    radio: radio && { charge: radio.charge, signs: radio.signs, on: radio.on, faults: radio.faults },
    /** Of a pairing with what is only simulated: what is in the air. */
    air: await airIn(tx, row, unit, radio !== undefined),
    /** The modes that its test frequencies are to tell apart. */
    probed: steps.some(({ step }) => step.kind === "probe") ? await probedModes(tx, unit.model_id) : [],
    /** By the place of a test frequency: whether the simulated radio transmits there. */
    obeys: radio ? await obeyed(tx, row, unit, radio.mode) : [],
    work: radio && run.machineSince !== undefined ? workAt(radio, Date.now()) : undefined,
    /** By the place of the step. */
    besides: steps.flatMap(({ step, place }) => {
      const found = inPassing(besideStep(step.kind === "do" ? step.step : undefined, procedures));
      return found.length > 0 ? [[place, found] as const] : [];
    }),
    // A tool that is set for another code is the first thing to think of.
    quirks: [
      ...(mayAll ? mismatches(codes, unit.region ?? undefined) : []),
      ...(steps.some(({ step }) => step.kind === "paired") ? TROUBLES : []),
      ...quirks,
    ]
      .slice(0, MOST_QUIRKS)
      .map(({ symptom, cause, cure }) => ({ symptom, cause, cure })),
    /** How the tool is set for this very radio. */
    code:
      mayAll && code.kind === "known" && code.code.tool
        ? { name: code.code.name, tool: code.code.tool }
        : undefined,
    recover: recover && { id: recover.id, title: recover.title, steps: recover.steps },
    meters: steps.some(({ step }) => step.kind === "measure") ? await meters(tx) : [],
    lent: unit.holder,
    hold:
      unit.hold_until !== null && unit.hold_until >= today
        ? { until: unit.hold_until, why: unit.hold_why ?? "" }
        : undefined,
    nextDue: next,
  };
}

export type LoadedRun = Awaited<ReturnType<typeof loadRun>>;
