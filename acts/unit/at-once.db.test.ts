// Two people who correct the same at the same moment: the second is held until the first is done, and neither is lost.
import pg from "pg";
import { afterAll, beforeAll, expect, it } from "vitest";
import { writtenUnit } from "#core/unit/index.ts";
import { withClub } from "#db/pool.ts";
import { unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { perform, performIn } from "../define.ts";
import { answerRun } from "../run/answer-run.ts";
import { beginRun } from "../run/begin-run.ts";
import { changeUnit } from "./change-unit.ts";

let club: DemoClub;
let owner: pg.Client;
beforeAll(async () => {
  club = await demoClub();
  owner = new pg.Client({ connectionString: process.env.MOSSY_DATABASE_URL });
  await owner.connect();
});
afterAll(async () => {
  await owner.end();
  await club.close();
});

/** Until somebody waits for a lock: then the second one has come as far as it can. */
async function somebodyWaits(): Promise<void> {
  const { rows } = await owner.query("select from pg_locks where not granted");
  if (rows.length === 0) await somebodyWaits();
}

it("two who begin with one lead at the same moment: the second is told who has it", async () => {
  const begun = async (tag: string) => {
    const unit = await club.ask((tx) => unitByTag(tx, tag));
    const input = { unit: unit?.id, for: { backup: {} } };
    const done = await perform(beginRun, club.who, { input, key: crypto.randomUUID() });
    if (!done.ok) throw new Error(done.problem.kind);
    return done.value.answer.run;
  };
  const [one, other] = [await begun("W-04"), await begun("W-05")];
  const started = (run: string) => ({
    input: { run, events: [{ id: `start of ${run}`, number: 1, what: { kind: "started" as const } }] },
    key: crypto.randomUUID(),
  });
  let second: ReturnType<typeof asSecond> | undefined;
  const asSecond = () => perform(answerRun, club.who, started(other));
  await withClub(club.who, async (tx) => {
    expect(await performIn(tx, answerRun, club.who, started(one))).toMatchObject({ ok: true });
    second = asSecond();
    await somebodyWaits();
  });
  expect(await second).toMatchObject({ ok: false, problem: { kind: "taken" } });
});

it("both corrections stand, each seen by the other's merge", async () => {
  const before = await club.ask((tx) => unitByTag(tx, "W-03"));
  if (!before) throw new Error("the demo has W-03");
  const baseline = { ...writtenUnit(before), unit: before.id };
  let second: ReturnType<typeof asSecond> | undefined;
  const asSecond = () =>
    perform(changeUnit, club.who, {
      input: { ...baseline, serial: "second's" },
      key: crypto.randomUUID(),
      baseline,
    });
  await withClub(club.who, async (tx) => {
    const first = await performIn(tx, changeUnit, club.who, {
      input: { ...baseline, note: "first's" },
      key: crypto.randomUUID(),
      baseline,
    });
    expect(first).toMatchObject({ ok: true });
    second = asSecond();
    await somebodyWaits();
  });
  expect(await second).toMatchObject({ ok: true, value: { told: 1 } });
  const after = await club.ask((tx) => unitByTag(tx, "W-03"));
  expect(after).toMatchObject({ note: "first's", serial: "second's" });
});
