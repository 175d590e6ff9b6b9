// The same club in PostgreSQL: needs stored end to end, a release that touches many, Due's first page.
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import pg from "pg";
import { from as copyFrom } from "pg-copy-streams";
import { bringUpToDate } from "#acts/needs/bring-up-to-date.ts";
import { recompute } from "#acts/needs/recompute.ts";
import { addDays, plain } from "#core/quantities/index.ts";
import { addRelease } from "#db/model/index.ts";
import { type Actor, type Tx, withClub } from "#db/pool.ts";
import { testDatabase, twoClubs } from "#db/testing.ts";
import { boardGroup } from "#db/unit/index.ts";
import { doWork } from "#jobs/needs.ts";
import { measureCarried } from "./carried.ts";
import { best, type Measured, ratio, sorts } from "./clock.ts";
import { type BigClub, bigClub, POLICIES } from "./needs.ts";

const say = (what: string) => console.error(`  ${what}`);
const today = plain("2026-06-01");

export async function measureStore(): Promise<Measured[]> {
  const database = await testDatabase();
  const [actor] = await twoClubs(database);
  await withClub(actor, (tx) => fillClub(tx, bigClub()), "work");
  say("filled");
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  await owner.query("vacuum analyze");
  say("analysed");
  const stored = await best(1, () => storeAll(actor));
  await owner.query("vacuum analyze");
  say("stored");
  const copied = await copyPlain(owner, actor);
  const results = [
    ratio("needs of 100,000 units stored end to end, against copying as many plain rows", stored, copied, 3),
  ];
  results.push(await measureRelease(actor), ...(await measureBoard(actor, owner)));
  results.push(await measureCarried(actor, owner));
  await owner.end();
  await database.close();
  return results;
}

/** Puts a big club's groups, models, units and readings into the database; its needs are not worked out. */
export async function fillClub(tx: Tx, { models, units }: BigClub): Promise<void> {
  for (const [i, policy] of POLICIES.entries()) {
    await tx.query(
      "insert into unit_group (club_id, name, policy, position) values (current_club(), $1, $2, $3)",
      [`G${i}`, policy, i],
    );
  }
  await tx.query("insert into place (club_id, name, kind) values (current_club(), 'Shelf', 'shelf')");
  await tx.query(
    "insert into model (club_id, name, kind) select current_club(), 'M' || m, 'base' from generate_series(0, $1::int - 1) m",
    [models.length],
  );
  await tx.query(
    `insert into component (club_id, model_id, name, position, numbering) select current_club(), m.id, n.name, n.place, '{"kind":"dotted"}'
     from model m, (values ('main', 0), ('dsp', 1)) n(name, place)`,
  );
  const releases = models.flatMap((components, m) =>
    components.flatMap((c) =>
      c.releases.map((r) => ({
        m: `M${m}`,
        c: c.name,
        v: r.version,
        t: r.track,
        d: r.releasedOn,
        f: r.fixes,
      })),
    ),
  );
  await tx.query(
    `insert into release (club_id, component_id, version, track, released_on, fixes)
     select current_club(), c.id, r.v, r.t, r.d, r.f from jsonb_to_recordset($1::jsonb) r(m text, c text, v text, t text, d date, f jsonb)
     join model m on m.name = r.m join component c on c.model_id = m.id and c.name = r.c`,
    [JSON.stringify(releases)],
  );
  const ids = async (text: string) => {
    const { rows } = await tx.query<{ key: string; id: string }>(text);
    return new Map(rows.map((row) => [row.key, row.id]));
  };
  const modelIds = await ids("select name key, id from model");
  const groupIds = await ids("select name key, id from unit_group");
  const componentIds = await ids(
    "select m.name || '-' || c.name key, c.id from component c join model m on m.id = c.model_id",
  );
  for (let at = 0; at < units.length; at += 20_000) {
    const chunk = units.slice(at, at + 20_000);
    const { rows } = await tx.query<{ id: string }>(
      `insert into unit (club_id, tag, model_id, group_id, place_id, added_on)
       select current_club(), 'U-' || u.n, u.m, u.g, (select id from place), '2023-01-01'
       from unnest($1::int[], $2::bigint[], $3::bigint[]) u(n, m, g) returning id`,
      [
        chunk.map((u) => u.unit.id),
        chunk.map((u) => modelIds.get(`M${u.model}`)),
        chunk.map((u) => groupIds.get(`G${Number(u.unit.id) % POLICIES.length}`)),
      ],
    );
    const readings = chunk.flatMap((u, i) =>
      u.unit.readings.map((r) => ({ ...r, unit: rows[i]?.id, part: componentIds.get(`M${r.component}`) })),
    );
    await tx.query(
      `insert into reading (club_id, unit_id, component_id, raw, source, read_at)
       select current_club(), r.u, r.c, r.raw, 'screen', r.at from unnest($1::bigint[], $2::bigint[], $3::text[], $4::timestamptz[]) r(u, c, raw, at)`,
      [
        readings.map((r) => r.unit),
        readings.map((r) => r.part),
        readings.map((r) => r.raw),
        readings.map((r) => r.at),
      ],
    );
  }
}

/** As the server does it when a change concerns every unit: a job, worked off in parts. */
async function storeAll({ club, person }: Actor): Promise<void> {
  await withClub({ club, person }, (tx) => bringUpToDate(tx, { of: "club" }, "measured"));
  const { rows } = await withClub({ club, person }, (tx) =>
    tx.query<{ work: string }>("select id work from work where finished_at is null"),
  );
  for (const { work } of rows) await doWork({ club, person, work });
}

/** As many rows of the same columns, copied as text into a table without keys, indexes or security. */
async function copyPlain(owner: pg.Client, actor: Actor): Promise<number> {
  const { rows } = await withClub(
    actor,
    (tx) => tx.query<Record<string, unknown>>("select * from need"),
    "work",
  );
  const cell = (value: unknown) =>
    value === null
      ? "\\N"
      : (typeof value === "object" ? JSON.stringify(value) : String(value)).replace(
          /[\\\t\n]/g,
          (c) => `\\${c}`,
        );
  const lines = rows.map((row) => `${Object.values(row).map(cell).join("\t")}\n`);
  await owner.query("create table plain_need as select * from need with no data");
  return best(3, async () => {
    await owner.query("truncate plain_need");
    await pipeline(
      Readable.from(lines, { objectMode: false, highWaterMark: 1 << 20 }),
      owner.query(copyFrom("copy plain_need from stdin")),
    );
  });
}

async function measureRelease(actor: Actor): Promise<Measured> {
  const model = await withClub(
    actor,
    async (tx) => {
      // Ten models' units under one, so that a release touches 2,000.
      const { rows } = await tx.query<{ id: string; component: string }>(
        "select m.id, c.id component from model m join component c on c.model_id = m.id and c.name = 'main' where m.name = 'M0'",
      );
      const found = rows[0];
      await tx.query(
        "insert into unit (club_id, tag, model_id, added_on) select current_club(), 'V-' || n, $1, '2023-01-01' from generate_series(1, 1800) n",
        [found?.id],
      );
      await tx.query(
        "insert into reading (club_id, unit_id, component_id, raw, source, read_at) select current_club(), u.id, c.id, '1.0.0', 'screen', now() from unit u join component c on c.model_id = u.model_id where u.tag like 'V-%'",
      );
      await recompute(tx, { of: "model", id: found?.id ?? "" });
      return found;
    },
    "work",
  );
  let n = 0;
  const time = await best(3, () =>
    withClub(actor, async (tx) => {
      await addRelease(tx, {
        component: model?.component ?? "",
        version: `9.${n++}`,
        aliases: [],
        track: "factory",
        releasedOn: addDays(today, -1),
        fixes: [],
        notes: "",
      });
      await recompute(tx, { of: "model", id: model?.id ?? "" });
    }),
  );
  return sorts("one new release that touches 2,000 units: needs up to date", time, 100);
}

async function measureBoard(actor: Actor, owner: pg.Client): Promise<Measured[]> {
  await owner.query("vacuum analyze need");
  const limit = 50;
  const board = (tx: Tx) => boardGroup(tx, "kit", today, {}, "urgency", limit);
  const { units, page, lookup, scans } = await withClub(actor, async (tx) => {
    const rows = await board(tx);
    const ids = rows.map((row) => row.unit_id);
    // Nothing is measured on an empty page.
    if (ids.length === 0) throw new Error("Due's first page has no rows");
    const time = await best(60, () => board(tx));
    const base = await best(60, () =>
      tx.query("select * from unit where club_id = $1 and id = any($2::bigint[])", [actor.club, ids]),
    );
    const seen = await sequentialScans(tx);
    return { units: ids.length, page: time, lookup: base, scans: seen };
  });
  return [
    ratio(
      `Due's first page at 100,000 units (${units} rows), against a primary-key lookup of as many rows`,
      page,
      lookup,
      5,
    ),
    {
      what: "sequential scans of large tables on Due's first page",
      value: scans.join(", ") || "none",
      asked: "none",
      ok: scans.length === 0,
    },
  ];
}

/** Runs the board's statement under EXPLAIN and lists the large tables that it scans from end to end. */
async function sequentialScans(tx: Tx): Promise<string[]> {
  const spied: string[] = [];
  const spy: Tx = {
    copyIn: tx.copyIn,
    query: async (text, values) => {
      const plan = await tx.query<{ "QUERY PLAN": string }>(`explain ${text}`, values);
      spied.push(...plan.rows.map((row) => row["QUERY PLAN"]));
      return tx.query(text, values);
    },
  };
  await boardGroup(spy, "kit", today, {}, "urgency", 50);
  return spied.flatMap((line) => /Seq Scan on (need|unit|reading|release)\b/.exec(line)?.[1] ?? []);
}
