// Changes that touch many units: worked off by the queue in parts, and taken up again after a killed server.
import fc from "fast-check";
import { afterAll, beforeAll, expect, test } from "vitest";
import { PLAIN_POLICY } from "#core/firmware/policy.ts";
import { plain } from "#core/quantities/date.ts";
import { recompute } from "./needs.ts";
import { type Actor, withClub } from "./pool.ts";
import * as seed from "./seed.ts";
import { type TestDatabase, testDatabase, twoClubs } from "./testing.ts";
import { addUnit } from "./units.ts";
import { bringUpToDate, doWork, openWork, startWorking } from "./work.ts";

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
      const unit = {
        tag: `T-${i}`,
        model,
        hardwareRevision: null,
        region: null,
        serial: "",
        note: "",
        place: null,
      };
      await addUnit(tx, { ...unit, group: i % 3 ? group : null }, plain("2026-01-01"));
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
    { numRuns: 12 },
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
