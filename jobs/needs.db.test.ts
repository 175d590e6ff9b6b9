// Changes that touch many units: worked off by the queue in parts, and taken up again after a killed server.
import fc from "fast-check";
import pg from "pg";
import { afterAll, beforeAll, expect, test } from "vitest";
import { bringUpToDate } from "#acts/needs/bring-up-to-date.ts";
import { recompute } from "#acts/needs/recompute.ts";
import { plain } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { PLAIN_POLICY } from "#core/unit/index.ts";
import { type Actor, withClub } from "#db/pool.ts";
import * as seed from "#db/seed.ts";
import { PLAIN_UNIT, type TestDatabase, testDatabase, twoClubs } from "#db/testing.ts";
import { addUnit } from "#db/unit/index.ts";
import { openWork } from "#db/unit/work.ts";
import { doWork, startWorking } from "./needs.ts";

const UNITS = 23;
let database: TestDatabase;
let one: Actor;
let two: Actor;
let group: string;

beforeAll(async () => {
  database = await testDatabase();
  [one, two] = await twoClubs(database);
  await withClub(one, async (tx) => {
    group = await seed.seedGroup(tx, { name: "G", purpose: "", policy: PLAIN_POLICY, position: 0 });
    const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
    await seed.seedComponent(tx, { model, name: "main", position: 0, numbering: undefined, by: one.person });
    for (let i = 0; i < UNITS; i++) {
      await addUnit(
        tx,
        { ...PLAIN_UNIT, tag: `T-${i}`, model, group: i % 3 ? group : undefined },
        plain("2026-01-01"),
      );
    }
  });
});
afterAll(() => database.close());

const needs = () =>
  withClub(
    one,
    async (tx) => (await tx.query("select unit_id, kind, due_from from need order by 1, 2, 3")).rows,
  );
const forget = () => withClub(one, (tx) => tx.query("delete from need"));
const waiting = () =>
  withClub(one, async (tx) => {
    const { rows } = await tx.query<{ work: string }>("select id work from work where finished_at is null");
    return rows.map(({ work }) => ({ club: one.club, person: one.person, work }));
  });

test("parts of any size do what one transaction does, and say how far they are", async () => {
  await withClub(one, (tx) => recompute(tx, { of: "club" }));
  const whole = await needs();
  expect(whole).toHaveLength(UNITS);
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 1, max: UNITS + 2 }), async (part) => {
      await forget();
      await withClub(one, (tx) => bringUpToDate(tx, { of: "club" }, "a test", 0));
      expect(await needs()).toEqual([]);
      expect(await withClub(one, openWork)).toEqual([{ why: "a test", done: 0, total: UNITS }]);
      for (const job of await waiting()) await doWork(job, part);
      expect(await needs()).toEqual(whole);
      expect(await withClub(one, openWork)).toEqual([]);
    }),
    { numRuns: cases(12) },
  );
});

test("few units are done at once, and a job concerns its scope alone", async () => {
  await forget();
  const n = await withClub(one, (tx) => bringUpToDate(tx, { of: "group", id: group }, "few"));
  expect(await withClub(one, openWork)).toEqual([]);
  expect((await needs()).length).toBe(n);
  await forget();
  await withClub(one, (tx) => bringUpToDate(tx, { of: "group", id: group }, "many", 0));
  for (const job of await waiting()) await doWork(job, 4);
  expect((await needs()).length).toBe(n);
});

test("a change undone leaves no job behind, and another club's name opens none of our work", async () => {
  const undone = withClub(one, async (tx) => {
    await bringUpToDate(tx, { of: "club" }, "undone", 0);
    throw new Error("changed my mind");
  });
  await expect(undone).rejects.toThrow("changed my mind");
  expect(await waiting()).toEqual([]);
  await forget();
  await withClub(one, (tx) => bringUpToDate(tx, { of: "club" }, "ours", 0));
  for (const job of await waiting()) await doWork({ ...job, club: two.club, person: two.person });
  expect(await needs()).toEqual([]);
  for (const job of await waiting()) await doWork(job);
});

test("what a killed server left unfinished is done by the next one, from the queue", async () => {
  await forget();
  await withClub(one, (tx) => bringUpToDate(tx, { of: "club" }, "left lying", 0));
  // The job itself is lost with the server that had taken it; the work stands in its table.
  await withClub(one, (tx) => tx.query("delete from pgboss.job where name = 'needs'"));
  const worker = await startWorking(database.appUrl);
  await expect.poll(() => withClub(one, openWork), { timeout: 30_000 }).toEqual([]);
  await worker.stop();
  expect(await needs()).toHaveLength(UNITS);
});

test("a part that fails is undone with all behind it; what was done before it stays, and the job goes on from there", async () => {
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  const units = await withClub(one, async (tx) => {
    const { rows } = await tx.query<{ id: string }>("select id from unit order by model_id, id");
    return rows.map((row) => row.id);
  });
  await owner.query(`create function refuse() returns trigger language plpgsql as
    $$ begin if new.unit_id = tg_argv[0]::bigint then raise exception 'not this one'; end if; return new; end $$`);
  for (const [bad, done] of [
    [0, 0],
    [9, 8],
    [12, 12],
    [UNITS - 1, 20],
  ] as const) {
    await forget();
    await withClub(one, (tx) => bringUpToDate(tx, { of: "club" }, "in parts", 0));
    const [job] = await waiting();
    if (!job) throw new Error("no job");
    await owner.query(
      `create trigger refuse before insert on need for each row execute function refuse('${units[bad]}')`,
    );
    await expect(doWork(job, 4)).rejects.toThrow("not this one");
    await owner.query("drop trigger refuse on need");
    expect(await withClub(one, openWork)).toEqual([{ why: "in parts", done, total: UNITS }]);
    expect((await needs()).map((row) => row.unit_id)).toEqual(units.slice(0, done));
    await doWork(job, 4);
    expect(await withClub(one, openWork)).toEqual([]);
    expect((await needs()).map((row) => row.unit_id)).toEqual(units);
  }
  await owner.query("drop function refuse");
  await owner.end();
});

test("two servers at the same job do it once, and each unit has its needs once", async () => {
  await forget();
  await withClub(one, (tx) => bringUpToDate(tx, { of: "club" }, "twice", 0));
  const jobs = await waiting();
  await Promise.all([...jobs, ...jobs, ...jobs].map((job) => doWork(job, 3)));
  expect(await withClub(one, openWork)).toEqual([]);
  expect(await needs()).toHaveLength(UNITS);
  const { rows } = await withClub(one, (tx) =>
    tx.query<{ done: number }>("select done from work where why = 'twice'"),
  );
  expect(rows).toEqual([{ done: UNITS }]);
});

test("a radio that somebody holds is waited for, and what was read of it meanwhile counts", async () => {
  await forget();
  await withClub(one, (tx) => bringUpToDate(tx, { of: "club" }, "waits", 0));
  const [job] = await waiting();
  if (!job) throw new Error("no job");
  let working: Promise<void> | undefined;
  const unit = await withClub(one, async (tx) => {
    const { rows } = await tx.query<{ id: string; component: string }>(
      "select u.id, c.id component from unit u join component c on c.model_id = u.model_id where u.tag = 'T-9' for no key update of u",
    );
    const [held] = rows;
    working = doWork(job, 4);
    // The parts before it get done; the one that it belongs to waits for us.
    await expect
      .poll(async () => (await withClub(one, openWork)).map((work) => work.done), { timeout: 10_000 })
      .toEqual([8]);
    await tx.query(
      `insert into reading (club_id, unit_id, component_id, raw, source, read_at)
       values (current_club(), $1, $2, '7.7', 'screen', '2026-05-05')`,
      [held?.id, held?.component],
    );
    return held?.id;
  });
  await working;
  const { rows } = await withClub(one, (tx) =>
    tx.query("select cause, due_from from need where unit_id = $1 and kind = 'reading'", [unit]),
  );
  expect(rows).toEqual([{ cause: "stale", due_from: "2027-05-05" }]);
  expect(await withClub(one, openWork)).toEqual([]);
});
