// What a run comes to for Bluetooth: pairings proved, failed and lost; what a programmer's battery showed and gave; profiles written.
import { z } from "zod";
import { nextStep, stepsOf } from "#core/run/index.ts";
import {
  addCharge,
  addPairing,
  addPairingEvent,
  addProfileUse,
  deviceById,
  deviceOf,
  deviceRows,
  endPairing,
  profileById,
} from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { thingsTaken } from "#db/run/index.ts";
import { losePairings } from "../bluetooth/lose-pairings.ts";
import { pairingsBeside } from "../bluetooth/pair-facts.ts";
import { id } from "../shapes.ts";
import type { Happened, Outcome } from "./run-happened.ts";

const pairErrand = z.object({ pair: z.object({ device: id }) });
const programErrand = z.object({ program: z.object({ profile: id }) });

const touched = (row: Happened["row"], why: string) => ({
  scope: { of: "units" as const, ids: [row.unit_id] },
  why,
});

/** It is paired and holds: the pairing stands from now on, and is proved. What the device holds no more beside it is ended. */
export async function pairedNow(
  tx: Tx,
  { row, who }: Happened,
  tag: string,
  outcome: Outcome,
): Promise<void> {
  const errand = pairErrand.safeParse(row.errand);
  // As a part of an update it is known by its tag.
  const device = errand.success
    ? await deviceById(tx, errand.data.pair.device)
    : (await deviceRows(tx)).find((one) => one.tag === tag);
  if (!device) return;
  const { own, over } = await pairingsBeside(tx, row.unit_id, device);
  for (const other of over) {
    const why = `paired with ${row.tag} instead`;
    await endPairing(tx, other.id, why);
    outcome.log.push({
      entry: { kind: "pairing-ended" as const, device: device.tag, why },
      unit: other.unit_id,
    });
    outcome.touches.push({
      scope: { of: "units" as const, ids: [other.unit_id] },
      why: `${other.tag} unpaired`,
    });
  }
  const pairing = await addPairing(tx, { device: device.id, unit: row.unit_id, by: who.person });
  await addPairingEvent(tx, { pairing, kind: "proved", note: "at the bench", by: who.person });
  outcome.log.push({
    entry: own
      ? {
          kind: "pairing-noted" as const,
          device: device.tag,
          how: "proved" as const,
          note: "at the bench",
        }
      : { kind: "paired" as const, device: device.tag },
    unit: row.unit_id,
  });
  outcome.touches.push(touched(row, `${row.tag} paired with ${device.tag}`));
}

/** The run was stopped before it held: of a pairing that stood, that is a failed check. */
export async function pairingFailed(
  tx: Tx,
  { row, run, who }: Happened,
  reason: string,
  outcome: Outcome,
): Promise<void> {
  const errand = pairErrand.safeParse(row.errand);
  const device = errand.success ? await deviceById(tx, errand.data.pair.device) : undefined;
  const proof = stepsOf(row.plan).find(({ step }) => step.kind === "paired");
  if (!device || !proof || run.place > proof.place) return;
  const { own } = await pairingsBeside(tx, row.unit_id, device);
  if (!own || run.place === 0) return;
  const note = reason.slice(0, 300);
  await addPairingEvent(tx, { pairing: own.id, kind: "failed", note, by: who.person });
  outcome.log.push({
    entry: { kind: "pairing-noted" as const, device: device.tag, how: "failed" as const, note },
    unit: row.unit_id,
  });
  outcome.touches.push(touched(row, `${row.tag} not paired`));
}

/** What was erased has forgotten what it was paired with. */
export async function erasedNow(tx: Tx, { row, who }: Happened, outcome: Outcome): Promise<void> {
  const lost = await losePairings(tx, row.unit_id, who.person, row.title);
  if (lost.length === 0) return;
  outcome.log.push(...lost);
  outcome.touches.push(touched(row, `pairings of ${row.tag}`));
}

/** The charge that a gate was passed with is a level: of the radio's own battery, or of what goes into it. */
export async function chargeSeen(
  tx: Tx,
  { row, before, who }: Happened,
  percent: number | undefined,
  outcome: Outcome,
): Promise<void> {
  const step = nextStep(before)?.step;
  if (percent === undefined || step?.kind !== "gate" || step.gate !== "power") return;
  const device =
    step.device === undefined
      ? await deviceOf(tx, "unit", row.unit_id)
      : (await deviceRows(tx)).find(({ tag }) => tag === step.device);
  const isOwn = step.device !== undefined || device?.kind === "radio";
  if (!device || !isOwn || device.battery !== "sound") return;
  await addCharge(tx, who.person, { device: device.id, kind: "level", how: "run", percent });
  outcome.log.push({
    entry: { kind: "charge-noted" as const, device: device.tag, how: "level" as const, percent },
    unit: row.unit_id,
  });
}

/** Something was written: the programmer that it went by has given some of its charge, and a profile has gone into this radio. */
export async function writtenNow(tx: Tx, { row, who }: Happened, outcome: Outcome): Promise<void> {
  for (const thing of await thingsTaken(tx, row.id)) {
    const device = thing.kind === "lead" ? await deviceOf(tx, "lead", thing.id) : undefined;
    if (device?.battery !== "sound" || !device.per_use) continue;
    const used = { device: device.id, kind: "used" as const, how: "run" as const };
    await addCharge(tx, who.person, { ...used, percent: device.per_use });
    outcome.log.push({
      entry: {
        kind: "charge-noted" as const,
        device: device.tag,
        how: "used" as const,
        percent: device.per_use,
      },
    });
  }
  const errand = programErrand.safeParse(row.errand);
  const profile = errand.success ? await profileById(tx, errand.data.program.profile) : undefined;
  if (profile) await addProfileUse(tx, { profile: profile.id, unit: row.unit_id, by: who.person });
}
