// How radios are named where there are many.
import { afterAll, beforeAll, expect, test } from "vitest";
import type { Actor } from "../pool.ts";
import * as seed from "../seed.ts";
import { type TestDatabase, takenBack, testDatabase, twoClubs } from "../testing.ts";
import { someTags } from "./models.ts";

let database: TestDatabase;
let actor: Actor;
beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
});
afterAll(() => database.close());

test("the first two hundred are named, as people count, and all are counted", () =>
  takenBack(actor, async (tx) => {
    const model = await seed.seedModel(tx, { maker: "T", name: "N", kind: "base", note: "", suffixes: [] });
    const { rows } = await tx.query<{ id: string }>(
      `insert into unit (club_id, tag, model_id, added_on)
       select current_club(), 'W-' || n, $1, '2026-01-01' from generate_series(1, 230) n order by md5(n::text) returning id`,
      [model],
    );
    const ids = rows.map((row) => row.id);
    const first = Array.from({ length: 200 }, (_, i) => `W-${i + 1}`);
    expect(await someTags(tx, ids)).toEqual({ count: 230, tags: first });
    const few = await someTags(tx, ids.slice(0, 3));
    expect([few.count, few.tags.length]).toEqual([3, 3]);
    expect(await someTags(tx, [])).toEqual({ count: 0, tags: [] });
  }));
