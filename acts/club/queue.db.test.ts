// What an act leaves to the queue: from the press to the needs of radios that are too many for one transaction.
import { afterAll, beforeAll, expect, it } from "vitest";
import { AT_ONCE } from "#acts/needs/bring-up-to-date.ts";
import { PLAIN_POLICY } from "#core/unit/index.ts";
import { type Actor, withClub } from "#db/pool.ts";
import * as seed from "#db/seed.ts";
import { type TestDatabase, testDatabase, twoClubs } from "#db/testing.ts";
import { openWork } from "#db/unit/work.ts";
import { startWorking } from "#jobs/needs.ts";
import { perform } from "../define.ts";
import { changeGroup } from "./change-group.ts";

let database: TestDatabase;
let actor: Actor;
let group: string;
const UNITS = AT_ONCE + 1;

beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
  await withClub(actor, async (tx) => {
    group = await seed.seedGroup(tx, { name: "G", purpose: "", policy: PLAIN_POLICY, position: 0 });
    const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
    await seed.seedComponent(tx, {
      model,
      name: "main",
      position: 0,
      numbering: undefined,
      by: actor.person,
    });
    await tx.query(
      `insert into unit (club_id, tag, model_id, group_id, added_on)
       select current_club(), 'T-' || n, $1, $2, '2026-01-01' from generate_series(1, $3::int) n`,
      [model, group, UNITS],
    );
  });
});
afterAll(() => database.close());

const needs = () =>
  withClub(actor, async (tx) => {
    const { rows } = await tx.query<{ n: number }>("select count(distinct unit_id)::int n from need");
    return rows[0]?.n;
  });

it("a rule that many radios follow is worked out by whoever takes jobs, after the act is done and not before", async () => {
  // The one who takes jobs is there already: what was left lying before it came is no help.
  const worker = await startWorking(database.appUrl);
  try {
    const done = await perform(
      changeGroup,
      { ...actor, role: "keeper", today: "2027-01-01" as never },
      {
        input: { group, name: "G", purpose: "other", policy: { ...PLAIN_POLICY, recheckAfterDays: 30 } },
        key: crypto.randomUUID(),
      },
    );
    expect(done).toMatchObject({ ok: true });
    await expect.poll(() => withClub(actor, openWork), { timeout: 30_000 }).toEqual([]);
    expect(await needs()).toBe(UNITS);
  } finally {
    await worker.stop();
  }
});
