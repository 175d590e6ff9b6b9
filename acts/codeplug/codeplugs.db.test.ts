// The plan of channels changed and issued, written into simulated radios, read again and restored: what is known of a radio at each point.
import { afterAll, beforeAll, expect, it } from "vitest";
import { writeDocument } from "#core/codeplug/index.ts";
import { foldRun, nextStep, stepsOf } from "#core/run/index.ts";
import {
  carried,
  codeplugById,
  codeplugNow,
  codeplugsOf,
  planDraft,
  planNow,
  radiosWithout,
  tablesOf,
} from "#db/codeplug/index.ts";
import type { Tx } from "#db/pool.ts";
import { backupsOf, eventsOf, keepPart, runById } from "#db/run/index.ts";
import { putSimulated, simulatedState, unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { answerRun } from "../run/answer-run.ts";
import { beginRun } from "../run/begin-run.ts";
import { keepBackup } from "../run/keep-backup.ts";
import { workMachine } from "../run/work-machine.ts";
import { changePlan } from "./change-plan.ts";
import { sumOfFile } from "./codeplug-file.ts";
import { dropPlan } from "./drop-plan.ts";
import { issuePlan } from "./issue-plan.ts";
import { keepChannels } from "./keep-channels.ts";
import { mendCodeplug } from "./mend-codeplug.ts";
import { mergeList } from "./merge-list.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const act = (tx: Tx, one: unknown, input: object) =>
  performIn(tx, one as never, club.who, { input, key: crypto.randomUUID() }) as Promise<
    | { readonly ok: true; readonly value: { readonly answer: Record<string, string> } }
    | { readonly ok: false; readonly problem: { readonly kind: string } }
  >;
const unitOf = async (tx: Tx, tag: string) => (await unitByTag(tx, tag))?.id ?? "";
const lacking = async (tx: Tx) =>
  (
    await tx.query<{ tag: string }>(
      "select u.tag from need n join unit u on u.club_id = n.club_id and u.id = n.unit_id where n.kind = 'codeplug' order by u.tag",
    )
  ).rows.map(({ tag }) => tag);

/** Goes through a run on a simulated radio until nothing is left, or until `stop` says so. */
async function work(tx: Tx, tag: string, errand: object, stop: (step: string) => boolean = () => false) {
  const unit = await unitOf(tx, tag);
  const begun = await act(tx, beginRun, { unit, for: errand });
  if (!begun.ok) throw new Error(JSON.stringify(begun.problem));
  const id = begun.value.answer.run ?? "";
  const stands = async () => {
    const row = await runById(tx, id);
    if (!row) throw new Error("the run is there");
    return { row, run: foldRun(row.plan, (await eventsOf(tx, [id])).get(id) ?? []) };
  };
  const send = async (what: object) =>
    act(tx, answerRun, {
      run: id,
      events: [{ id: crypto.randomUUID(), number: (await stands()).run.number + 1, what }],
    });
  await send({ kind: "started" });
  for (let i = 0; i < 200; i++) {
    const { run } = await stands();
    const step = nextStep(run)?.step;
    if (!step) await send({ kind: "finished" });
    if (!step || stop(step.kind === "gate" ? step.gate : step.kind)) break;
    if (step.kind === "machine") {
      const number = (await stands()).run.number;
      await act(tx, workMachine, { run: id, number, event: crypto.randomUUID() });
      // The simulated work began long ago: its time is over.
      const radio = (await simulatedState(tx, unit)) as { work?: { begun: number } };
      if (radio.work) await putSimulated(tx, unit, { ...radio, work: { ...radio.work, begun: 0 } });
      await act(tx, workMachine, { run: id, number: number + 1, event: crypto.randomUUID() });
    } else if (step.kind === "read-back") {
      await send({ kind: "reading", component: step.component, raw: step.version ?? "1.14" });
      await send({ kind: "seen" });
    } else if (step.kind === "gate")
      await send({
        kind: "held",
        gate: step.gate,
        ...(step.gate === "power" && { charge: 90 }),
        ...(step.gate === "file" && { sha256: step.sha256 }),
      });
    else await send({ kind: "seen" });
  }
  return { id, stands, send };
}

it("a plan that is issued makes needs where its table is not in; written, read again and the same, they are gone", () =>
  club.trial(async (tx) => {
    const before = await lacking(tx);
    expect(before).toContain("W-03");
    expect(before).not.toContain("W-04");
    // TRIAL and OLD carry their own.
    expect(before).not.toContain("W-13");
    const channel = { name: "Ford watch", receive: 145_450_000, transmit: 145_450_000, digital: false };
    expect(
      await act(tx, changePlan, { version: 1, change: { do: "add-members", block: 0, members: [channel] } }),
    ).toMatchObject({ ok: true, value: { answer: { version: 2 } } });
    // A draft counts for nobody.
    expect(await lacking(tx)).toEqual(before);
    const stale = { do: "remove-block", block: 0 };
    expect(await act(tx, changePlan, { version: 0, change: stale })).toMatchObject({
      problem: { kind: "meanwhile" },
    });
    expect(await act(tx, issuePlan, { version: 7, note: "" })).toMatchObject({
      problem: { kind: "meanwhile" },
    });
    expect(await act(tx, issuePlan, { version: 2, note: "the ford" })).toMatchObject({
      value: { answer: { plan: 3 } },
    });
    const after = await lacking(tx);
    expect(after).toContain("W-04");
    expect(after).toContain("W-01");
    // No table of a base set has the calling channels: theirs stay the same.
    expect(after).not.toContain("L-03");

    const { id } = await work(tx, "W-04", { write: {} });
    expect((await runById(tx, id))?.ended_at).not.toBeNull();
    const now = await codeplugNow(tx, await unitOf(tx, "W-04"));
    expect(now).toMatchObject({ source: "written", plan: 3 });
    expect(now?.channels?.some(({ name }) => name === "Ford watch")).toBe(true);
    expect(await lacking(tx)).toEqual(after.filter((tag) => tag !== "W-04"));
    // What was in it is kept first, and known, for it was our own file.
    const line = await codeplugsOf(tx, await unitOf(tx, "W-04"), 3);
    expect(line.map(({ source, plan }) => [source, plan])).toEqual([
      ["written", 3],
      ["read", 2],
      ["written", 2],
    ]);
    // A second radio gets the very same file; that is no backup saved under the wrong unit.
    await work(tx, "W-05", { write: {} });
    const [backup] = await backupsOf(tx, await unitOf(tx, "W-05"), 1);
    expect(backup?.same_as).toEqual([]);
    expect((await lacking(tx)).includes("W-05")).toBe(false);
  }));

it("until it was read again nobody knows what a radio has", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-03");
    const { send } = await work(tx, "W-03", { write: {} }, (step) => step === "same");
    expect(await codeplugNow(tx, unit)).toMatchObject({ source: "written", channels: null, plan: null });
    const because = await tx.query<{ because: readonly { has: string }[] }>(
      "select because from need where unit_id = $1 and kind = 'codeplug'",
      [unit],
    );
    expect(because.rows[0]?.because[0]?.has).toBe("unknown");
    // What is read again is something else: the gate does not hold, and nothing is proved.
    await send({ kind: "held", gate: "same", sha256: "0".repeat(64) });
    expect(await codeplugNow(tx, unit)).toMatchObject({ channels: null });
    await send({ kind: "held", gate: "same" });
    expect(await codeplugNow(tx, unit)).toMatchObject({ plan: 2 });
  }));

it("a revision of the radio's own line is written back; one of another radio is stopped at a gate, of another model not begun", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-04");
    const line = await codeplugsOf(tx, unit, 10);
    const older = line.find(({ plan }) => plan === 1);
    await work(tx, "W-04", { write: { codeplug: older?.id } });
    expect(await codeplugNow(tx, unit)).toMatchObject({ source: "restored", plan: 1, parent_id: older?.id });
    expect(await lacking(tx)).toContain("W-04");

    const { stands } = await work(tx, "W-05", { write: { codeplug: older?.id } }, (step) => step === "base");
    const { run, row } = await stands();
    expect(nextStep(run)?.step).toMatchObject({ kind: "gate", gate: "base", bad: true });
    expect(row.ended_at).toBeNull();
    const heron = await act(tx, beginRun, {
      unit: await unitOf(tx, "H-01"),
      for: { write: { codeplug: older?.id } },
    });
    expect(heron).toMatchObject({ problem: { kind: "other-model", base: "W-04", model: "Wicket" } });
    const oxbow = await act(tx, beginRun, { unit: await unitOf(tx, "O-01"), for: { write: {} } });
    expect(oxbow).toMatchObject({ problem: { kind: "no-plan" } });
  }));

it("channels that would not work in the mode that the radio is in are told before they are written", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "H-01");
    const begun = await act(tx, beginRun, { unit, for: { write: {} } });
    const row = begun.ok ? await runById(tx, begun.value.answer.run ?? "") : undefined;
    const said = row
      ? stepsOf(row.plan).flatMap(({ step }) =>
          step.kind === "do" && step.step.kind === "confirm" ? [step.step.what] : [],
        )
      : [];
    expect(said.some((what) => /will not work: in the mode locked/.test(what))).toBe(true);
    const fits = await act(tx, beginRun, { unit: await unitOf(tx, "W-05"), for: { write: {} } });
    const other = fits.ok ? await runById(tx, fits.value.answer.run ?? "") : undefined;
    expect(JSON.stringify(other?.plan)).not.toContain("will not work");
  }));

it("an erasing update leaves nothing known of it until what it had is written back", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-03");
    await tx.query('update release set conditions = conditions || \'{"erases": "codeplug"}\'');
    await work(tx, "W-03", { update: {} }, (step) => step === "same");
    const line = await codeplugsOf(tx, unit, 4);
    expect(line.map(({ source }) => source)).toEqual(["restored", "erased", "erased", "read"]);
    expect(line[0]).toMatchObject({ sum: null });
  }));

it("the draft can be dropped; a table of its own takes a radio out of the plan; counts come to all radios", () =>
  club.trial(async (tx) => {
    expect(await act(tx, dropPlan, { version: 1 })).toMatchObject({ ok: true });
    await act(tx, changePlan, { version: 0, change: { do: "remove-block", block: 8 } });
    expect((await planDraft(tx))?.blocks).toHaveLength(8);
    expect(await act(tx, dropPlan, { version: 1 })).toMatchObject({ ok: true });
    expect(await planDraft(tx)).toBeUndefined();
    expect((await planNow(tx))?.blocks).toHaveLength(9);
    const all = await carried(tx);
    const { rows } = await tx.query<{ n: number }>(
      "select count(*)::int n from unit where shelved_at is null",
    );
    expect(all.reduce((sum, { units }) => sum + units, 0)).toBe(rows[0]?.n);

    const tables = await tablesOf(tx, (await planNow(tx))?.id ?? "");
    const without = () =>
      radiosWithout(
        tx,
        tables.map(({ model_id, sum }) => ({ model: model_id, sum })),
        100,
      );
    expect((await without()).tags).toEqual(await lacking(tx));
    const channels = [{ position: 1, name: "own", receive: 145_500_000, digital: false }];
    await act(tx, keepChannels, { unit: await unitOf(tx, "W-01"), name: "own.csv", channels });
    expect(await lacking(tx)).toContain("W-01");
    expect((await without()).tags).toEqual(await lacking(tx));
    // The same table kept again is nothing new.
    await act(tx, keepChannels, { unit: await unitOf(tx, "W-01"), name: "again.csv", channels });
    expect((await codeplugsOf(tx, await unitOf(tx, "W-01"), 1))[0]?.name).toBe("own.csv");
  }));

it("what is made for a radio is not in it until it is written; lists are merged into such a table, and cures make one", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-15");
    const own = await codeplugNow(tx, unit);
    const input = { unit, codeplug: own?.id, cure: "listen-only" };
    const made = await act(tx, mendCodeplug, input);
    if (!made.ok) throw new Error(made.problem.kind);
    const id = made.value.answer.codeplug;
    expect(await codeplugNow(tx, unit)).toMatchObject({ id: own?.id });
    expect(await act(tx, mendCodeplug, { ...input, codeplug: id })).toMatchObject({
      problem: { kind: "nothing" },
    });
    expect(await act(tx, mendCodeplug, { ...input, unit: await unitOf(tx, "W-04") })).toMatchObject({
      problem: { kind: "no-codeplug" },
    });
    const incoming = [
      { key: "1", name: "One" },
      { key: "2", name: "Two" },
    ];
    const merge = { unit, codeplug: id, list: "talkgroups" };
    const merged = await act(tx, mergeList, { ...merge, incoming });
    const last = merged.ok ? merged.value.answer.codeplug : "";
    expect(await act(tx, mergeList, { ...merge, codeplug: last, incoming })).toMatchObject({
      problem: { kind: "nothing" },
    });
    expect(await codeplugById(tx, last ?? "")).toMatchObject({
      source: "made",
      parent_id: id,
      lists: { talkgroups: { by: "position", members: incoming } },
    });
    await work(tx, "W-15", { write: { codeplug: last } });
    expect(await codeplugNow(tx, unit)).toMatchObject({ source: "written", parent_id: last, count: 6 });
    expect((await codeplugNow(tx, unit))?.lists.talkgroups?.members).toEqual(incoming);
  }));

it("a file that was read out says its channels if it is our own document; others keep them to themselves", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-08");
    const keep = async (text: string, name: string) => {
      const bytes = new TextEncoder().encode(text);
      const sha256 = sumOfFile(bytes);
      await keepPart(tx, sha256, 0, bytes);
      return act(tx, keepBackup, { unit, sha256, size: bytes.length, name, confirmed: true });
    };
    const before = await codeplugNow(tx, unit);
    expect(before).toMatchObject({ source: "read", channels: null });
    expect(await keep("x".repeat(9000), "opaque.plug")).toMatchObject({ ok: true });
    expect(await codeplugNow(tx, unit)).toEqual(before);
    const channels = [{ position: 1, name: "own", receive: 145_500_000, digital: false }];
    expect(await keep(writeDocument("Fenwright Wicket", channels), "own.json")).toMatchObject({ ok: true });
    expect(await codeplugNow(tx, unit)).toMatchObject({ source: "read", name: "own.json", channels });
  }));
