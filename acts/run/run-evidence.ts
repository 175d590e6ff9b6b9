// What an event of a run says of the kit, and what it does to a simulated radio.
import { CAUSES, nextStep } from "#core/run/index.ts";
import { loadKit } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { thingsTaken } from "#db/run/index.ts";
import { loadSituation, putSimulated } from "#db/unit/index.ts";
import { atomsOf } from "#simulators/radio/atoms.ts";
import { type Deed, doDeed } from "#simulators/radio/radio.ts";
import { FAULTS, mended } from "#simulators/radio/work.ts";
import { addTryWith } from "../kit/note-try.ts";
import { kindOf, simulatedRadio } from "../unit/simulated.ts";
import type { Happened, Outcome } from "./run-happened.ts";

/** How the chain did. A simulated radio tells nothing about a lead. */
export async function noteAttempt(
  tx: Tx,
  { row, before, who }: Happened,
  worked: boolean,
  symptom: string,
  outcome: Outcome,
): Promise<void> {
  const step = nextStep(before)?.step;
  if (step?.kind !== "machine" || (await simulatedRadio(tx, row.unit_id))) return;
  const things = await thingsTaken(tx, row.id);
  const known = await loadKit(tx);
  const { kit } = known.prepared;
  const of = (kind: string) => things.filter((thing) => thing.kind === kind).map((thing) => thing.id);
  // Of a run that goes by several leads or computers nobody knows which it was.
  const [computers, leads, tools] = [of("computer"), of("lead"), of("tool")];
  if (computers.length !== 1 || leads.length > 1 || tools.length > 1) return;
  const computer = kit.computers.find(({ id }) => id === computers[0]);
  const lead = kit.leads.find(({ id }) => id === leads[0]);
  if (!computer) return;
  await addTryWith(tx, known, {
    unit: row.unit_id,
    operation: step.work,
    lead,
    computer,
    worked,
    settled: false,
    tool: kit.tools.find(({ id }) => id === tools[0]),
    symptom: symptom.slice(0, 300),
    by: who.person,
  });
  const what = things.map(({ name }) => name).join(", ");
  outcome.log.push({
    entry: { kind: "tried" as const, what, worked, symptom: symptom.slice(0, 300) },
    unit: row.unit_id,
  });
  outcome.touches.push({ scope: { of: "club" as const }, why: `a try with ${what}` });
}

/** What was seen was done: a simulated radio does it. */
export async function doneToRadio(tx: Tx, { row, before, who }: Happened): Promise<void> {
  const step = nextStep(before)?.step;
  if (step?.kind !== "do") return;
  const radio = await simulatedRadio(tx, row.unit_id, true);
  const situation = radio && (await loadSituation(tx, row.unit_id, who.today));
  if (!radio || !situation) return;
  const kind = await kindOf(tx, situation, row.tag, radio);
  let after = radio;
  for (const atom of atomsOf([step.step])) {
    if (atom.kind === "tool") continue;
    const deed: Deed = atom.kind === "hold" ? { ...atom, seconds: atom.seconds ?? 1 } : atom;
    after = doDeed(kind, after, deed).radio;
  }
  if (after !== radio) await putSimulated(tx, row.unit_id, after);
}

/** What helped helps a simulated radio too, if that was what it had. */
export async function mendRadio(tx: Tx, unit: string, cause: string): Promise<void> {
  const radio = await simulatedRadio(tx, unit, true);
  const fault = FAULTS.find((kind) => CAUSES.some((c) => c.id === kind && c.cause === cause));
  if (radio && fault) await putSimulated(tx, unit, mended(radio, fault));
}
