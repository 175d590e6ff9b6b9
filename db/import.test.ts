// Bringing in a sheet: all of it or nothing, and the same sheet twice changes nothing.
import { afterAll, beforeAll, expect, test } from "vitest";
import { guessColumns } from "#core/import/columns.ts";
import { planImport } from "#core/import/plan.ts";
import { readTable } from "#core/import/table.ts";
import { plain } from "#core/quantities/date.ts";
import { bringIn, knownClub } from "./import.ts";
import { type Actor, type Tx, withClub } from "./pool.ts";
import { type TestDatabase, testDatabase, twoClubs } from "./testing.ts";

let database: TestDatabase;
let actor: Actor;
const today = plain("2026-06-01");

beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
});
afterAll(() => database.close());

const SHEET = `tag,maker,model,place,group,version,date read
A-1,Tarn,Gorse,Shed,Spares,1.2,2026-01-03
A-2,Tarn,Gorse,Shed,Spares,1.3,2026-02-03
A-3,Tarn,Bracken,Loft,,,`;

async function plan(tx: Tx, text: string) {
  const table = readTable(text);
  if (!table.ok) throw new Error("no table");
  return planImport(
    table.value,
    { meanings: guessColumns(table.value.head), decimal: ".", dates: "ymd", today },
    await knownClub(tx),
  );
}

const bring = (text: string) =>
  withClub(actor, async (tx) => {
    const planned = await plan(tx, text);
    const newModels = planned.newModels.map((m) => ({ ...m, kind: "handheld" }));
    return bringIn(tx, planned.rows, { file: "sheet.csv", today, by: actor.person, newModels });
  });

const counts = () =>
  withClub(actor, async (tx) => {
    const { rows } = await tx.query(
      "select (select count(*) from unit)::int units, (select count(*) from reading)::int readings, (select count(*) from model)::int models, (select count(*) from place)::int places, (select count(*) from need)::int needs",
    );
    return rows[0];
  });

test("a first sheet makes models, places, groups, units, readings and their needs", async () => {
  expect(await bring(SHEET)).toEqual({ added: 3, changed: 0, readings: 2 });
  expect(await counts()).toEqual({ units: 3, readings: 2, models: 2, places: 2, needs: 3 });
});

test("the same sheet again changes nothing", async () => {
  const acts = await withClub(actor, async (tx) => (await plan(tx, SHEET)).rows.map((r) => r.act));
  expect(acts).toEqual(["same", "same", "same"]);
  expect(await bring(SHEET)).toEqual({ added: 0, changed: 0, readings: 0 });
  expect(await counts()).toEqual({ units: 3, readings: 2, models: 2, places: 2, needs: 3 });
});

test("a change moves a unit and keeps what the sheet leaves empty", async () => {
  expect(await bring("tag,place,version,date read\nA-1,Loft,1.4,2026-03-01")).toEqual({
    added: 0,
    changed: 1,
    readings: 1,
  });
  const { rows } = await withClub(actor, (tx) =>
    tx.query(
      "select p.name place, g.name team, m.name model from unit u join place p on p.id = u.place_id join unit_group g on g.id = u.group_id join model m on m.id = u.model_id where u.tag = 'A-1'",
    ),
  );
  expect(rows).toEqual([{ place: "Loft", team: "Spares", model: "Gorse" }]);
});

test("if anything fails on the way, nothing has happened", async () => {
  const before = await counts();
  await expect(
    withClub(actor, async (tx) => {
      const planned = await plan(tx, "tag,model\nB-1,Gorse\nB-2,Gorse");
      const broken = planned.rows.map((row) => ({ ...row, values: { ...row.values, tag: "B-1" } }));
      await bringIn(tx, broken, {
        file: "x",
        today,
        by: actor.person,
        newModels: [{ maker: "", name: "Sundew", kind: "base" }],
      });
    }),
  ).rejects.toThrow(/unit_tag/);
  expect(await counts()).toEqual(before);
});

test("5,000 rows go in and are all the same the second time", async () => {
  const lines = Array.from(
    { length: 5000 },
    (_, i) => `Big-${i},Tarn,Gorse,Hall ${i % 9},Many,1.${i % 30},2026-0${1 + (i % 5)}-11`,
  );
  const sheet = ["tag,maker,model,place,group,version,date read", ...lines].join("\n");
  expect(await bring(sheet)).toEqual({ added: 5000, changed: 0, readings: 5000 });
  const acts = await withClub(actor, async (tx) => (await plan(tx, sheet)).rows.map((r) => r.act));
  expect(new Set(acts)).toEqual(new Set(["same"]));
});
