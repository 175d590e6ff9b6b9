// What a run tells of the radio itself: in which mode it is, whether that is proved, how strong it is.
import { fullScaleOf, isUnlikely, parseMeterError } from "#core/measure/index.ts";
import { readProbes, transmitOf } from "#core/modes/index.ts";
import { bad, good, must, type Result } from "#core/quantities/index.ts";
import { type Run, type RunStep, type SentEvent, stepsOf } from "#core/run/index.ts";
import { gearRows } from "#db/kit/index.ts";
import { addUnitMode, knownMode, modesOf, revisionsOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { addMeasurement, putSimulated, setHardware, unitById } from "#db/unit/index.ts";
import { ratedHere } from "../measurement/rated-here.ts";
import { simulatedRadio } from "../unit/simulated.ts";
import type { Happened, Outcome } from "./run-happened.ts";

/** In which mode it is from now on; a simulated radio is in it. */
export async function noteUnitMode(
  tx: Tx,
  { row, run, who }: Happened,
  { mode: name, erases }: Extract<RunStep, { kind: "switched" }>,
  how: "set" | "proved",
  outcome: Outcome,
): Promise<void> {
  const unit = must(await unitById(tx, row.unit_id), "the radio of a run");
  const mode = (await modesOf(tx, unit.model_id)).find((one) => one.name === name);
  // It may have been shelved meanwhile: what was done was done all the same.
  if (!mode) return;
  await addUnitMode(tx, {
    unit: row.unit_id,
    mode: mode.id,
    how,
    why: "",
    by: who.person,
    run: row.id,
    ...(how === "proved" && { seen: [...run.probed] }),
  });
  outcome.log.push({ entry: { kind: "mode-noted" as const, name, how, why: "" }, unit: row.unit_id });
  outcome.touches.push({
    scope: { of: "units" as const, ids: [row.unit_id] },
    why: `the mode of ${row.tag}`,
  });
  const radio = await simulatedRadio(tx, row.unit_id, true);
  const content = erases ? { kind: "blank" as const } : radio?.content;
  if (radio && content && how === "set")
    await putSimulated(tx, row.unit_id, { ...radio, mode: mode.id, content });
}

/** What a meter showed is a measurement of the radio, with what that meter may be off by. */
export async function noteMeasured(
  tx: Tx,
  { row, run, who }: Happened,
  { watts, meter, sure }: Extract<SentEvent["what"], { kind: "measured" }>,
  outcome: Outcome,
): Promise<Result<Run, { readonly kind: "unlikely"; readonly rated: number }>> {
  const unit = await unitById(tx, row.unit_id);
  const rated = unit && (await ratedHere(tx, unit));
  if (!sure && isUnlikely(watts, rated)) return bad({ kind: "unlikely", rated: rated ?? 0 });
  const gear = (await gearRows(tx)).find((one) => one.kind === "meter" && one.tag === meter);
  const isRead = gear !== undefined && parseMeterError(gear.error).ok;
  const fields = {
    kind: "power" as const,
    value: watts,
    meter: gear?.tag ?? "",
    note: "",
    error: isRead ? gear.error : "",
    fullScale: gear && fullScaleOf(gear.rating),
  };
  await addMeasurement(tx, row.unit_id, who.person, fields, undefined);
  outcome.log.push({
    entry: { kind: "measured" as const, what: "power", value: watts, meter: fields.meter },
    unit: row.unit_id,
  });
  outcome.touches.push({
    scope: { of: "units" as const, ids: [row.unit_id] },
    why: `a measurement of ${row.tag}`,
  });
  return good(run);
}

/** With the last test frequency: if all that was seen fits this mode and no other, it is proved. */
export async function proveMode(tx: Tx, happened: Happened, outcome: Outcome): Promise<void> {
  const { row, run } = happened;
  const steps = stepsOf(row.plan).map(({ step }) => step);
  const switched = steps.find((step) => step.kind === "switched");
  const isLast = run.odd === undefined && !steps.slice(run.place).some((step) => step.kind === "probe");
  if (!isLast || switched?.kind !== "switched") return;
  const unit = must(await unitById(tx, row.unit_id), "the radio of a run");
  const modes = (await modesOf(tx, unit.model_id)).map(knownMode);
  const fits = readProbes(
    run.probed,
    modes.map((mode) => ({ id: mode.id, name: mode.name, transmit: transmitOf(mode) })),
  );
  if (fits.length === 1 && fits[0]?.name === switched.mode)
    await noteUnitMode(tx, happened, switched, "proved", outcome);
}

/** Which hardware it was seen to have is noted, where nobody had noted it; that it has another than is noted is for a keeper to correct. */
export async function hardwareSeen(
  tx: Tx,
  { row }: Happened,
  seen: string | undefined,
  outcome: Outcome,
): Promise<void> {
  if (seen === undefined) return;
  const unit = await unitById(tx, row.unit_id);
  if (!unit || unit.hardware_revision !== null) return;
  const revision = (await revisionsOf(tx, unit.model_id)).find(({ name }) => name === seen);
  if (!revision || !(await setHardware(tx, unit.id, revision.id))) return;
  const what = `hardware ${revision.name}`;
  outcome.log.push({ entry: { kind: "unit-changed" as const, what }, unit: unit.id });
  outcome.touches.push({ scope: { of: "units" as const, ids: [unit.id] }, why: what });
}
