// The area of codeplugs in a club of 100,000 radios: what it asks of the radios themselves.
import type pg from "pg";
import { addPlan, addPlanTable, carried, sumOf } from "#db/codeplug/index.ts";
import { type Actor, type Tx, withClub } from "#db/pool.ts";
import { keepFile } from "#db/run/index.ts";
import { best, type Measured, ratio } from "./clock.ts";

const channelsOf = (plan: number) => [
  { position: 1, name: "A", receive: 145_000_000 + plan, digital: false },
];

/** No statement writes so many radios at once. */
const PARTS = 20;

/** Three revisions of the plan for every model; of ten radios seven carry one of them, two another table, and of one nobody knows. */
async function fillCarried(tx: Tx, { person: by }: Actor): Promise<void> {
  await keepFile(tx, "f".repeat(64), new Uint8Array([1]));
  const models = await tx.query<{ id: string }>("select id from model");
  for (const n of [1, 2, 3]) {
    const [channels, sha256] = [channelsOf(n), "f".repeat(64)];
    const plan = await addPlan(tx, { blocks: [], by, issuedAt: "2026-05-01T00:00:00Z" });
    for (const { id: model } of models.rows)
      await addPlanTable(tx, {
        plan,
        model,
        sum: sumOf(channels),
        sha256,
        laid: { channels, left: [], listening: [], cut: [], blocks: [] },
      });
  }
  await tx.query(
    `insert into codeplug (club_id, unit_id, source, name, channels, sum, person_id)
     select current_club(), u.id, 'brought', 'c', case when u.id % 10 < 9 then '[]'::jsonb end,
       case when u.id % 10 < 7 then ($2::text[])[1 + u.id % 3] when u.id % 10 < 9 then repeat('e', 64) end, $1 from unit u`,
    [by, [1, 2, 3].map((n) => sumOf(channelsOf(n)))],
  );
  for (let i = 0; i < PARTS; i++)
    await tx.query(
      `insert into codeplug_now (club_id, unit_id, codeplug_id, sum, at)
       select club_id, unit_id, id, sum, at from codeplug where unit_id % $1 = $2`,
      [PARTS, i],
    );
}

/** Who carries what, told with some of their tags, against a look at as many rows by their keys. */
export async function measureCarried(actor: Actor, owner: pg.Client): Promise<Measured> {
  await withClub(actor, (tx) => fillCarried(tx, actor), "work");
  await owner.query("vacuum analyze");
  return withClub(actor, async (tx) => {
    const rows = await carried(tx);
    const units = rows.reduce((sum, row) => sum + row.units, 0);
    const told = rows.reduce((sum, row) => sum + row.tags.length, 0);
    if (units < 100_000) throw new Error(`only ${units} radios are told of`);
    const { rows: some } = await tx.query<{ id: string }>("select id from unit limit $1", [told]);
    const area = await best(60, () => carried(tx));
    const lookup = await best(60, () =>
      tx.query("select * from unit where club_id = $1 and id = any($2::bigint[])", [
        actor.club,
        some.map(({ id }) => id),
      ]),
    );
    return ratio(
      `who carries what, ${units} radios, ${told} of them told by their tags, against a primary-key lookup of as many rows`,
      area,
      lookup,
      5,
    );
  });
}
