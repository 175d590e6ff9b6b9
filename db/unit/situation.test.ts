// What is told of units is loaded from one place: held against asking for each unit's rows one by one.
import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { addDays, plain } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { PLAIN_POLICY } from "#core/unit/index.ts";
import { type Actor, type Tx, withClub } from "../pool.ts";
import * as seed from "../seed.ts";
import { type TestDatabase, takenBack, testDatabase, twoClubs } from "../testing.ts";
import { loadSituation, loadSituations } from "./situation.ts";

let database: TestDatabase;
let actor: Actor;
let other: Actor;
beforeAll(async () => {
  database = await testDatabase();
  [actor, other] = await twoClubs(database);
});
afterAll(() => database.close());

const today = plain("2026-06-01");
const ODD = ['say "1.2"', "1,2", "],[", "back\\slash", "a\nb", "'", "версия 1", "1.0"];
const LATE = { ...PLAIN_POLICY, recheckAfterDays: 7 };

type Drawn = {
  readonly group: boolean;
  readonly parts: boolean;
  readonly shelved: boolean;
  readonly region: number | undefined;
  readonly hold: number | undefined;
  readonly loans: readonly { readonly out: number; readonly back: number | undefined }[];
  readonly readings: readonly {
    readonly dsp: boolean;
    readonly raw: number;
    readonly day: number | undefined;
    readonly struck: boolean;
  }[];
};
const odd = fc.nat({ max: ODD.length - 1 });
const maybe = <T>(one: fc.Arbitrary<T>) => fc.option(one, { nil: undefined });
const unit: fc.Arbitrary<Drawn> = fc.record({
  group: fc.boolean(),
  parts: fc.boolean(),
  shelved: fc.nat({ max: 4 }).map((n) => n === 0),
  region: maybe(odd),
  hold: maybe(odd),
  loans: fc
    .array(fc.record({ out: fc.nat({ max: 90 }), back: fc.nat({ max: 9 }) }), { maxLength: 2 })
    .chain((past) =>
      maybe(fc.nat({ max: 9 })).map((out) => [
        ...past,
        ...(out === undefined ? [] : [{ out, back: undefined }]),
      ]),
    ),
  readings: fc.array(
    fc.record({
      dsp: fc.boolean(),
      raw: odd,
      day: maybe(fc.nat({ max: 300 })),
      struck: fc.nat({ max: 3 }).map((n) => n === 0),
    }),
    { maxLength: 5 },
  ),
});

async function lay(tx: Tx, drawn: readonly Drawn[], by = actor.person) {
  const model = await seed.seedModel(tx, { maker: "T", name: "Two", kind: "base", note: "", suffixes: [] });
  const bare = await seed.seedModel(tx, { maker: "T", name: "None", kind: "base", note: "", suffixes: [] });
  const part = (name: string, position: number) =>
    seed.seedComponent(tx, { model, name, position, numbering: undefined, by });
  const [main, dsp] = [await part("main", 0), await part("dsp", 1)];
  const group = await seed.seedGroup(tx, { name: "Late", purpose: "", policy: LATE, position: 0 });
  await tx.query(
    "insert into connector (club_id, name, shape, pins, keyed, way) values (current_club(), 'Two-pin', 'round', 2, true, 'cable')",
  );
  await tx.query(
    `update model set identity = identity || '{"plugs":["two-PIN","unheard of"]}'::jsonb where id = any($1::bigint[])`,
    [[model, bare]],
  );
  for (const [n, one] of drawn.entries()) {
    const { rows } = await tx.query<{ id: string }>(
      `insert into unit (club_id, tag, model_id, group_id, region, added_on, hold_until, hold_why, shelved_at)
       values (current_club(), $1, $2, $3, $4, '2026-01-01', $5, $6, case when $7 then now() end) returning id`,
      [
        `T-${n}`,
        one.parts ? model : bare,
        one.group ? group : null,
        one.region === undefined ? null : ODD[one.region],
        one.hold === undefined ? null : "2026-07-01",
        one.hold === undefined ? null : ODD[one.hold],
        one.shelved,
      ],
    );
    const id = rows[0]?.id;
    for (const { out, back } of one.loans)
      await tx.query(
        "insert into custody (club_id, unit_id, person_id, out_on, back_on) values (current_club(), $1, $2, $3, $4)",
        [
          id,
          actor.person,
          addDays(today, -out - 10),
          back === undefined ? null : addDays(today, -out - 10 + back),
        ],
      );
    for (const { dsp: isDsp, raw, day, struck } of one.parts ? one.readings : [])
      await tx.query(
        `insert into reading (club_id, unit_id, component_id, raw, source, read_at, struck_at, struck_by, struck_why)
         values (current_club(), $1, $2, $3, 'keys', $4, case when $5 then now() end, case when $5 then $6::bigint end, case when $5 then 'w' end)`,
        [
          id,
          isDsp ? dsp : main,
          ODD[raw],
          day === undefined ? null : `${addDays(today, -day)}T12:00:00Z`,
          struck,
          actor.person,
        ],
      );
  }
  return { model, bare, main, dsp };
}

/** The same, asked for row by row. */
async function oneByOne(tx: Tx, only?: string) {
  const told = [];
  const { rows: units } = await tx.query<Record<string, string | null>>(
    "select id, model_id, group_id, region, added_on, hold_until, hold_why from unit where shelved_at is null order by id",
  );
  for (const row of units) {
    const { rows: readings } = await tx.query<{
      id: string;
      component_id: string;
      raw: string;
      on: string | null;
    }>(
      `select id, component_id, raw, (read_at at time zone (select time_zone from club))::date "on" from reading
       where unit_id = $1 and struck_at is null order by placed_at, id`,
      [row.id],
    );
    const newest = new Map(readings.map((one) => [one.component_id, one]));
    const { rows: loans } = await tx.query<{ back_on: string | null }>(
      "select back_on from custody where unit_id = $1 order by back_on",
      [row.id],
    );
    const backs = loans.flatMap((loan) => loan.back_on ?? []);
    told.push({
      id: row.id,
      model: row.model_id,
      group: row.group_id,
      region: row.region ?? undefined,
      addedOn: row.added_on,
      hold: row.hold_until === null ? undefined : { until: row.hold_until, why: row.hold_why },
      away: loans.length > backs.length,
      backOn: backs.at(-1),
      readings: [...newest.values()]
        .filter((one) => only === undefined || one.component_id === only)
        .map(({ id, component_id, raw, on }) => ({ id, component: component_id, raw, on: on ?? undefined }))
        .sort((a, b) => Number(a.component) - Number(b.component)),
    });
  }
  return told;
}

const shown = ({ all }: Awaited<ReturnType<typeof loadSituations>>) =>
  all
    .map(({ unit: { readings, id, model, group, region, addedOn, hold, away, backOn } }) => ({
      id,
      model,
      group,
      region,
      addedOn,
      hold,
      away,
      backOn,
      readings: readings
        .map(({ id: own, component, raw, on }) => ({ id: own, component, raw, on }))
        .sort((a, b) => Number(a.component) - Number(b.component)),
    }))
    .sort((a, b) => Number(a.id) - Number(b.id));

describe("situations", () => {
  it("tell of each unit what its own rows say, whatever was typed into them", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(unit, { maxLength: 6 }), (drawn) =>
        takenBack(actor, async (tx) => {
          const { model, bare, main, dsp } = await lay(tx, drawn);
          const club = await loadSituations(tx, { of: "club" }, today);
          expect(shown(club)).toEqual(await oneByOne(tx));
          for (const { unit: one, catalogue, policy, radio, kit, today: day } of club.all) {
            expect([...catalogue.keys()]).toEqual(one.model === model ? [main, dsp] : []);
            expect(policy).toEqual(one.group === null ? PLAIN_POLICY : LATE);
            expect(radio).toEqual({ model: one.model, plugs: [expect.stringMatching(/^\d+$/)] });
            expect([kit, day]).toEqual([club.kit.prepared, today]);
            expect(club.of.get(one.id)?.unit).toBe(one);
            expect((await loadSituation(tx, one.id, today))?.unit).toEqual(one);
          }
          const part = await loadSituations(tx, { of: "model", id: model }, today, main);
          expect(shown(part)).toEqual((await oneByOne(tx, main)).filter((one) => one.model === model));
          // A model has its catalogue here whether it has units or not; one without components has none.
          expect([...part.catalogues.keys()]).toEqual([model]);
          expect((await loadSituations(tx, { of: "model", id: bare }, today)).catalogues.size).toBe(0);
        }),
      ),
      { numRuns: cases(12) },
    );
  });

  it("tell nothing of a unit that is shelved, or that is another club's", async () => {
    await takenBack(actor, async (tx) => {
      await lay(tx, [{ ...PLAIN, shelved: true }]);
      expect(await loadSituation(tx, await firstOf(tx), today)).toBeUndefined();
    });
    const theirs = await withClub(other, async (tx) => {
      await lay(tx, [PLAIN], other.person);
      const id = await firstOf(tx);
      expect((await loadSituation(tx, id, today))?.unit.id).toBe(id);
      return id;
    });
    await withClub(actor, async (tx) => {
      expect(await loadSituation(tx, theirs, today)).toBeUndefined();
      expect((await loadSituations(tx, { of: "club" }, today)).all).toEqual([]);
    });
  });
});

const PLAIN: Drawn = {
  group: false,
  parts: true,
  shelved: false,
  region: undefined,
  hold: undefined,
  loans: [],
  readings: [],
};
const firstOf = async (tx: Tx) => {
  const { rows } = await tx.query<{ id: string }>("select id from unit where tag = 'T-0'");
  return rows[0]?.id ?? "";
};
