// Pairings, batteries and profiles, through the acts and the runs that change them.
import { afterAll, beforeAll, expect, it } from "vitest";
import { addDays } from "#core/quantities/index.ts";
import { foldRun, type Happening, nextStep, stepsOf } from "#core/run/index.ts";
import { chargesOf, deviceRows, loadKnown, pairingsOf, profilesOf, valuesOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { backupsOf, eventsOf, runById } from "#db/run/index.ts";
import { unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { planFor } from "../errands/plan.ts";
import { shelveThing } from "../kit/shelve-thing.ts";
import { writeThing } from "../kit/write-thing.ts";
import { recordReading } from "../reading/record-reading.ts";
import { answerRun } from "../run/answer-run.ts";
import { beginRun } from "../run/begin-run.ts";
import { addBattery } from "./add-battery.ts";
import { endPairing } from "./end-pairing.ts";
import { noteCharge } from "./note-charge.ts";
import { notePairing } from "./note-pairing.ts";
import { pairDevice } from "./pair-device.ts";
import { readSimulatedLevel } from "./read-simulated-level.ts";
import { tieDevice } from "./tie-device.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const act = (tx: Tx, one: unknown, input: object) =>
  performIn(tx, one as never, club.who, { input, key: crypto.randomUUID() }) as Promise<{
    readonly ok: boolean;
    readonly value: { readonly answer: Record<string, string> };
  }>;
const unitOf = async (tx: Tx, tag: string) => (await unitByTag(tx, tag))?.id ?? "";
const deviceOf = async (tx: Tx, tag: string) =>
  (await deviceRows(tx)).find((row) => row.tag === tag && row.kind !== "radio")?.id ?? "";
const pairingNeed = async (tx: Tx, tag: string) =>
  (
    await tx.query<{ because: { device: string; why: string; on: string }[] }>(
      "select because from need where unit_id = $1 and kind = 'pairing'",
      [await unitOf(tx, tag)],
    )
  ).rows.flatMap(({ because }) => because.map(({ device, why }) => [device, why]));

async function run(tx: Tx, tag: string, errand: object) {
  const begun = await act(tx, beginRun, { unit: await unitOf(tx, tag), for: errand });
  if (!begun.ok) throw new Error(JSON.stringify(begun));
  const id = begun.value.answer.run ?? "";
  const stands = async () => {
    const row = await runById(tx, id);
    if (!row) throw new Error("the run is there");
    return foldRun(row.plan, (await eventsOf(tx, [id])).get(id) ?? []);
  };
  const send = async (...whats: readonly Happening[]) => {
    const { number } = await stands();
    const events = whats.map((what, i) => ({ id: crypto.randomUUID(), number: number + i + 1, what }));
    return act(tx, answerRun, { run: id, events });
  };
  /** Goes on by hand until a step is of such a kind, or nothing is left. */
  const until = async (kind: string) => {
    for (let i = 0; i < 100; i++) {
      const step = nextStep(await stands())?.step;
      if (!step || step.kind === kind) return;
      if (step.kind !== "gate") await send({ kind: "seen" });
      else if (step.gate === "backup" || step.gate === "same")
        await send({ kind: "overrode", gate: step.gate, reason: "kept last night" });
      else
        await send({
          kind: "held",
          gate: step.gate,
          charge: 90,
          ...(step.sha256 !== undefined && { sha256: step.sha256 }),
        });
    }
  };
  await send({ kind: "started" });
  return { id, stands, send, until };
}

it("a radio needs to be paired again while something holds no more, and not for what was taken apart or is on the shelf", () =>
  club.trial(async (tx) => {
    expect(await pairingNeed(tx, "H-03")).toEqual([["BT-2", "lost"]]);
    expect(await pairingNeed(tx, "H-06")).toEqual([["EP-1", "failed"]]);
    expect(await pairingNeed(tx, "H-02")).toEqual([]);
    const unit = await unitOf(tx, "H-02");
    const [pairing] = await pairingsOf(tx, { unit });
    const note = (what: string) => act(tx, notePairing, { unit, pairing: pairing?.id, what, note: "" });
    await note("dropped");
    expect(await pairingNeed(tx, "H-02")).toEqual([["BT-1", "dropped"]]);
    // With two of them it is one need still.
    await act(tx, pairDevice, { unit, device: await deviceOf(tx, "HS-1"), proved: false, ends: true });
    const headset = (await pairingsOf(tx, { unit })).find(({ device }) => device === "HS-1");
    await act(tx, notePairing, { unit, pairing: headset?.id, what: "failed", note: "" });
    expect(await pairingNeed(tx, "H-02")).toEqual([
      ["BT-1", "dropped"],
      ["HS-1", "failed"],
    ]);
    await note("proved");
    expect(await pairingNeed(tx, "H-02")).toEqual([["HS-1", "failed"]]);
    await act(tx, endPairing, { unit, pairing: headset?.id, why: "" });
    expect(await pairingNeed(tx, "H-02")).toEqual([]);
    expect(await act(tx, endPairing, { unit, pairing: headset?.id, why: "" })).toMatchObject({
      problem: { kind: "no-pairing" },
    });
  }));

it("a flash of today that erases has forgotten what it was paired with; one of another day, or that erases nothing, has not", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "H-05");
    const flash = (typed: string, more: object = {}) =>
      act(tx, recordReading, { unit, typed, source: "flash", ...more });
    await flash("bluetooth 1.4", { readOn: addDays(club.who.today, -1) });
    expect(await pairingNeed(tx, "H-05")).toEqual([]);
    await act(tx, recordReading, { unit, typed: "bluetooth 1.4", source: "screen" });
    expect(await pairingNeed(tx, "H-05")).toEqual([]);
    await flash("bluetooth 1.4");
    expect(await pairingNeed(tx, "H-05")).toEqual([["HS-1", "lost"]]);
    const [pairing] = await pairingsOf(tx, { unit });
    await flash("bluetooth 1.4");
    // What is lost is not lost once more.
    expect((await pairingsOf(tx, { unit }))[0]?.events.length).toBe(pairing?.events.length);
  }));

it("as a run: what the gate saw is a level; holding, it is paired and proved, and the device has forgotten the other", () =>
  club.trial(async (tx) => {
    const device = await deviceOf(tx, "BT-1");
    const pair = await run(tx, "H-01", { pair: { device } });
    await pair.until("gate");
    await pair.send({ kind: "held", gate: "power", charge: 9 });
    expect(nextStep(await pair.stands())?.step.kind).toBe("gate");
    await pair.send({ kind: "held", gate: "power", charge: 55 });
    expect((await chargesOf(tx, device)).at(-1)).toMatchObject({ kind: "level", percent: 55, how: "run" });
    await pair.until("paired");
    expect((await pairingsOf(tx, { device })).map(({ tag }) => tag)).toEqual(["H-02"]);
    await pair.send({ kind: "seen" });
    expect((await pairingsOf(tx, { device })).map(({ tag, events }) => [tag, events[0]?.kind])).toEqual([
      ["H-01", "proved"],
    ]);
    await pair.until("never");
    await pair.send({ kind: "finished" });
    expect((await pair.stands()).phase).toBe("finished");
  }));

it("stopped before it holds, a pairing that stood has failed; after it holds, or with nothing that stood, not", () =>
  club.trial(async (tx) => {
    const stopped = async (tag: string, device: string, kind: string) => {
      const pair = await run(tx, tag, { pair: { device: await deviceOf(tx, device) } });
      await pair.until(kind);
      if (kind === "paired-seen") {
        await pair.until("paired");
        await pair.send({ kind: "seen" });
      }
      await pair.send({ kind: "stopped", reason: "no time" });
    };
    await stopped("H-02", "BT-1", "pin");
    expect(await pairingNeed(tx, "H-02")).toEqual([["BT-1", "failed"]]);
    await stopped("H-05", "HS-1", "never");
    expect(await pairingNeed(tx, "H-05")).toEqual([]);
    await stopped("H-08", "BT-2", "pin");
    expect(await pairingsOf(tx, { unit: await unitOf(tx, "H-08") })).toEqual([]);
  }));

it("an update that erases pairs again what was paired, after it has written back", () =>
  club.trial(async (tx) => {
    // H-01 is behind; the release before it erases nothing: what is paired stays so.
    const unit = await unitOf(tx, "S-05");
    await act(tx, pairDevice, { unit, device: await deviceOf(tx, "HS-1"), proved: true, ends: true });
    const planned = await planFor(tx, unit, { update: {} }, club.who.today);
    if (!planned.ok) throw new Error(planned.problem.kind);
    const names = planned.value.plan.stages.map(({ name }) => name);
    expect(stepsOf(planned.value.plan).some(({ step }) => step.kind === "machine" && step.erases)).toBe(true);
    expect(names.indexOf("proof")).toBeGreaterThan(names.indexOf("restore"));
    expect(names.lastIndexOf("put-away")).toBeGreaterThan(names.indexOf("proof"));
    const update = await run(tx, "S-05", { update: {} });
    await update.until("paired");
    expect((await pairingsOf(tx, { unit }))[0]?.events[0]?.kind).toBe("lost");
    await update.send({ kind: "seen" });
    expect((await pairingsOf(tx, { unit }))[0]?.events[0]?.kind).toBe("proved");
  }));

it("what is out of use is paired with nothing, charged no more, and asked nothing", () =>
  club.trial(async (tx) => {
    const [unit, device] = [await unitOf(tx, "H-08"), await deviceOf(tx, "BT-3")];
    expect(await act(tx, pairDevice, { unit, device, proved: true, ends: true })).toMatchObject({
      problem: { kind: "out" },
    });
    expect(await act(tx, beginRun, { unit, for: { pair: { device } } })).toMatchObject({
      problem: { kind: "no-device" },
    });
    expect(await act(tx, noteCharge, { device, what: { kind: "plugged" }, how: "typed" })).toMatchObject({
      problem: { kind: "no-battery", battery: "swollen" },
    });
    expect(await act(tx, readSimulatedLevel, { device })).toMatchObject({ problem: { kind: "real" } });
    expect(await act(tx, readSimulatedLevel, { device: await deviceOf(tx, "BT-2") })).toMatchObject({
      ok: true,
    });
  }));

it("a charge log out of order is put in order, and what does not fit is not taken", () =>
  club.trial(async (tx) => {
    const device = await deviceOf(tx, "HS-1");
    const note = (kind: string, daysAgo: number, time: string) =>
      act(tx, noteCharge, {
        device,
        what: { kind },
        how: "typed",
        at: `${addDays(club.who.today, -daysAgo)}T${time}`,
      });
    expect(await note("plugged", 3, "10:00")).toMatchObject({ ok: true });
    expect(await note("unplugged", 4, "10:00")).toMatchObject({ problem: { kind: "not-plugged" } });
    expect(await note("unplugged", 3, "09:59")).toMatchObject({ problem: { kind: "not-plugged" } });
    expect(await note("unplugged", 3, "12:00")).toMatchObject({ ok: true });
    expect(await note("plugged", 3, "11:00")).toMatchObject({ problem: { kind: "plugged-already" } });
    expect(await note("unplugged", -2, "10:00")).toMatchObject({ problem: { kind: "ahead" } });
    expect((await chargesOf(tx, device)).map(({ kind }) => kind)).toEqual([
      ...["level", "plugged", "unplugged", "level"],
    ]);
  }));

it("of a battery the last notes count, and what was struck takes the place of none of them", () =>
  club.trial(async (tx) => {
    const device = await deviceOf(tx, "B-02");
    const before = await chargesOf(tx, device);
    await tx.query(
      `insert into charge (club_id, device_id, kind, percent, at, person_id, struck_at)
       select current_club(), $1, 'level', 50, now() - n * interval '1 minute', $2, case when n % 2 = 0 then now() end
       from generate_series(1, 500) n`,
      [device, club.who.person],
    );
    const counted = await chargesOf(tx, device);
    expect(counted).toHaveLength(200);
    expect(counted.length).toBeGreaterThan(before.length);
    const ids = new Set((await chargesOf(tx, device, { struck: true })).map(({ id }) => id));
    expect(ids.size).toBe(400);
    expect(counted.every(({ id }) => ids.has(id))).toBe(true);
  }));

it("a profile of another model is no codeplug here; of another radio it stops at a gate; its own passes, and where it went is kept", () =>
  club.trial(async (tx) => {
    const [profile] = await profilesOf(tx, await deviceOf(tx, "B-01"));
    const errand = { program: { profile: profile?.id } };
    expect(await act(tx, beginRun, { unit: await unitOf(tx, "T-02"), for: errand })).toMatchObject({
      problem: { kind: "other-model", base: "W-04", model: "Wicket" },
    });
    const foreign = await run(tx, "W-05", errand);
    await foreign.until("gate");
    await foreign.send({ kind: "held", gate: "base" });
    const gate = nextStep(await foreign.stands())?.step;
    expect(gate).toMatchObject({ kind: "gate", gate: "base", bad: true });
    await foreign.send({ kind: "overrode", gate: "base", reason: "all marshals carry the same" });
    // Read before anything is written: always.
    const works = stepsOf((await foreign.stands()).plan).flatMap(({ step }) =>
      step.kind === "machine" ? [step.work] : [],
    );
    expect(works).toEqual(["read", "write", "read"]);
    await foreign.send({ kind: "stopped", reason: "another evening" });
    const own = await run(tx, "W-04", errand);
    await own.until("gate");
    await own.send({ kind: "held", gate: "base" });
    expect(nextStep(await own.stands())?.step).toMatchObject({ gate: "power" });
    await own.send({ kind: "held", gate: "power", charge: 90 });
    expect(nextStep(await own.stands())?.step).toMatchObject({ gate: "power", device: "B-01", floor: 20 });
    await own.send({ kind: "held", gate: "power", charge: 70 });
    await own.send({ kind: "held", gate: "chain" });
    await own.until("gate");
    await own.send({ kind: "overrode", gate: "backup", reason: "kept last night" });
    const uses = (await profilesOf(tx, profile?.device_id ?? ""))[0]?.uses.length ?? 0;
    await own.until("machine");
    await own.send({ kind: "seen" });
    const after = (await profilesOf(tx, profile?.device_id ?? ""))[0];
    expect(after?.uses.length).toBe(uses + 1);
    expect(after?.uses[0]?.tag).toBe("W-04");
    // The programmer has given some of its charge.
    expect((await chargesOf(tx, profile?.device_id ?? "")).at(-1)).toMatchObject({
      kind: "used",
      percent: 4,
    });
  }));

it("a programmer among the leads is a device; it stays what it is; its firmware is kept under one radio only", () =>
  club.trial(async (tx) => {
    const known = await loadKnown(tx);
    const lead = (await valuesOf(tx, "leads", known)).find((row) => row.tag === "K-02");
    const fields = Object.fromEntries(Object.entries(lead ?? {}).filter(([name]) => name !== "id"));
    await act(tx, writeThing, { kind: "leads", thing: lead?.id, values: { ...fields, kind: "programmer" } });
    expect((await deviceRows(tx)).find((row) => row.lead_id === lead?.id)).toMatchObject({
      kind: "programmer",
      tag: "K-02",
    });
    const device = (await deviceRows(tx)).find((row) => row.tag === "BT-1");
    const own = (await valuesOf(tx, "devices", known)).find((row) => row.id === device?.id);
    const as = (kind: string) =>
      act(tx, writeThing, { kind: "devices", thing: device?.id, values: { tag: "BT-1", kind, holds: "1" } });
    expect(own?.kind).toBe("button");
    expect(await as("radio")).toMatchObject({
      problem: { kind: "fields", errors: { kind: expect.any(String) } },
    });
    expect(await as("headset")).toMatchObject({ ok: true });
    const programmer = await deviceOf(tx, "B-03");
    expect(await act(tx, tieDevice, { device: programmer, tag: "B-01" })).toMatchObject({
      problem: { kind: "taken", by: "B-01" },
    });
    expect(await act(tx, tieDevice, { device: device?.id, tag: "W-05" })).toMatchObject({
      problem: { kind: "not-programmer" },
    });
    const battery = await act(tx, addBattery, { unit: await unitOf(tx, "W-08") });
    await act(tx, shelveThing, { kind: "devices", thing: battery.value.answer.device });
    expect(await act(tx, tieDevice, { device: programmer, tag: "W-08" })).toMatchObject({
      problem: { kind: "taken", by: "W-08" },
    });
    expect(await act(tx, tieDevice, { device: programmer, tag: "W-05" })).toMatchObject({ ok: true });
    // What is tied is no radio whose battery could be looked after besides.
    expect(await act(tx, addBattery, { unit: await unitOf(tx, "W-05") })).toMatchObject({
      problem: { kind: "there-already" },
    });
    expect((await backupsOf(tx, await unitOf(tx, "W-04"), 1)).length).toBe(1);
  }));
