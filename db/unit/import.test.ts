// Bringing in a sheet: all of it or nothing, and the same sheet twice changes nothing.
import fc from "fast-check";
import pg from "pg";
import { afterAll, beforeAll, expect, test } from "vitest";
import { bringUpToDate } from "#acts/needs/bring-up-to-date.ts";
import { folded, guessColumns, type PlannedRow, planImport, readTable } from "#core/import/index.ts";
import { plain } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { appendAll } from "../club/index.ts";
import { type Actor, type Tx, withClub } from "../pool.ts";
import { type TestDatabase, takenBack, testDatabase, twoClubs } from "../testing.ts";
import { bringIn } from "./import.ts";
import { knownClub } from "./import-known.ts";

/** A plan put in, told and worked out, as the act does it. */
async function brings(...[tx, rows, options]: Parameters<typeof bringIn>) {
  const { log, units, ...brought } = await bringIn(tx, rows, options);
  await appendAll(tx, log);
  await bringUpToDate(tx, { of: "units", ids: units }, options.file);
  return brought;
}

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
    { meanings: guessColumns(table.value.head, ["panel"]), decimal: ".", dates: "ymd", today },
    await knownClub(tx, new Set(table.value.rows.map(({ cells }) => folded(cells[0] ?? "")))),
  );
}

const bring = (text: string) =>
  withClub(actor, async (tx) => {
    const planned = await plan(tx, text);
    const newModels = planned.newModels.map((m) => ({ ...m, kind: "handheld" }));
    return brings(tx, planned.rows, { file: "sheet.csv", today, by: actor.person, newModels });
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
  expect(await counts()).toEqual({ units: 3, readings: 2, models: 2, places: 2, needs: 5 });
});

test("the same sheet again changes nothing", async () => {
  const acts = await withClub(actor, async (tx) => (await plan(tx, SHEET)).rows.map((r) => r.act));
  expect(acts).toEqual(["same", "same", "same"]);
  expect(await bring(SHEET)).toEqual({ added: 0, changed: 0, readings: 0 });
  expect(await counts()).toEqual({ units: 3, readings: 2, models: 2, places: 2, needs: 5 });
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
      await brings(tx, broken, {
        file: "x",
        today,
        by: actor.person,
        newModels: [{ maker: "", name: "Sundew", kind: "base", revisions: [], components: ["main"] }],
      });
    }),
  ).rejects.toThrow(/unit_tag/);
  expect(await counts()).toEqual(before);
});

/** Brings sheets in one after the other, looks at what came of them, and takes all of it back. */
const trial = (act: (tx: Tx) => Promise<void>) => takenBack(actor, act);
const bringText = async (tx: Tx, text: string) => {
  const planned = await plan(tx, text);
  const newModels = planned.newModels.map((m) => ({ ...m, kind: "handheld" }));
  const brought = await brings(tx, planned.rows, { file: "sheet.csv", today, by: actor.person, newModels });
  return { rows: planned.rows, brought };
};
const stock = async (tx: Tx) => {
  const { rows } = await tx.query<Record<string, string>>(
    `select u.tag, m.maker, m.name model, coalesce(h.name, '') hardware, coalesce(u.region, '') region, u.serial,
       coalesce(p.name, '') place, coalesce(g.name, '') "group", u.note,
       coalesce((select string_agg(c.name || ' ' || r.raw, '|') from reading r join component c on c.id = r.component_id where r.unit_id = u.id), '') readings
     from unit u join model m on m.id = u.model_id left join hardware_revision h on h.id = u.hardware_revision_id
     left join place p on p.id = u.place_id left join unit_group g on g.id = u.group_id
     where u.tag ~ '^(Q|q|\uff31)-' order by u.tag`,
  );
  return rows;
};

test("a model made on the way has its revisions, so that the sheet is all the same the second time", () =>
  trial(async (tx) => {
    const sheet = "tag,model,hw\nQ-1,Sphagnum,2\nQ-2,sphagnum,3\nQ-3,Sphagnum,";
    await bringText(tx, sheet);
    expect((await stock(tx)).map((u) => [u.tag, u.hardware])).toEqual([
      ["Q-1", "2"],
      ["Q-2", "3"],
      ["Q-3", ""],
    ]);
    expect((await plan(tx, sheet)).rows.map((r) => r.act)).toEqual(["same", "same", "same"]);
  }));

test("a model made on the way has the parts its rows tell of, each radio what was read of them", () =>
  trial(async (tx) => {
    const sheet =
      "tag,model,part,version,date read\nQ-1,Sphagnum,panel,B1,2026-01-05\nQ-2,Sphagnum,main,1.0,\nQ-1,,main,1.1,2026-02-06";
    const { brought } = await bringText(tx, sheet);
    expect(brought).toEqual({ added: 2, changed: 0, readings: 3 });
    const { rows } = await tx.query(
      "select string_agg(c.name, ' ' order by c.position) parts from component c join model m on m.id = c.model_id where m.name = 'Sphagnum'",
    );
    expect(rows).toEqual([{ parts: "main panel" }]);
    expect((await stock(tx)).map((u) => u.readings?.split("|").sort())).toEqual([
      ["main 1.1", "panel B1"],
      ["main 1.0"],
    ]);
    const { rows: told } = await tx.query(
      "select l.detail ->> 'component' part from log l join unit u on u.id = l.unit_id where l.kind = 'reading' and u.tag = 'Q-1' order by 1",
    );
    expect(told).toEqual([{ part: "main" }, { part: "panel" }]);
    const { rows: there } = await tx.query("select added_on from unit where tag = 'Q-1'");
    expect(there).toEqual([{ added_on: "2026-01-05" }]);
    expect((await plan(tx, sheet)).rows.map((r) => r.act)).toEqual(["same", "same"]);
  }));

test("whom the sheet names has the radio from then on, and the log says so", () =>
  trial(async (tx) => {
    const { rows: people } = await tx.query<{ name: string }>("select name from person where id = $1", [
      actor.person,
    ]);
    const holder = people[0]?.name ?? "nobody";
    await bringText(tx, `tag,model,who has it\nQ-1,Gorse,${holder}\nQ-2,Gorse,`);
    const { rows: out } = await tx.query(
      "select u.tag, c.person_id from custody c join unit u on u.id = c.unit_id where c.back_on is null and u.tag ~ '^Q-' order by 1",
    );
    expect(out).toEqual([{ tag: "Q-1", person_id: actor.person }]);
    const { rows: told } = await tx.query(
      "select l.detail ->> 'to' \"to\" from log l join unit u on u.id = l.unit_id where l.kind = 'lent' and u.tag = 'Q-1'",
    );
    expect(told).toEqual([{ to: holder }]);
  }));

test("what rows with problems name is not made: no place, no group, no model", () =>
  trial(async (tx) => {
    const { rows } = await bringText(
      tx,
      "tag,model,place,group,version,date read\nQ-1,Gorse,Barn,,,\nQ-1,Sedge,Attic,Strays,,\n,Sedge,Attic,Strays,,\nQ-4,Sedge,Attic,Strays,1.0,2999-01-01",
    );
    expect(rows.map((r) => r.act)).toEqual(["add", "problem", "problem", "problem"]);
    const { rows: named } = await tx.query(
      "select name from place where name in ('Barn', 'Attic') union all select name from unit_group where name = 'Strays' union all select name from model where name = 'Sedge'",
    );
    expect(named).toEqual([{ name: "Barn" }]);
  }));

test("a revision nobody knows does not take away the one that is noted", () =>
  trial(async (tx) => {
    await bringText(tx, "tag,model,hw\nQ-1,Sphagnum,2");
    const { rows } = await bringText(tx, "tag,hw,place\nQ-1,7,Barn");
    expect(rows[0]?.problems).toEqual([{ kind: "unknown-revision", revision: "7" }]);
    expect((await stock(tx))[0]).toMatchObject({ hardware: "2", place: "" });
    await bringText(tx, "tag,model\nQ-1,Gorse");
    expect((await stock(tx))[0]).toMatchObject({ model: "Gorse", hardware: "" });
  }));

/** What a sheet should come to, worked out cell by cell: the last filled cell of a tag stands. */
function expected(rows: readonly PlannedRow[], before: Map<string, Record<string, string>>) {
  const after = new Map([...before].map(([tag, row]) => [tag, { ...row }]));
  for (const { act, values, readings } of rows) {
    if (act !== "add" && act !== "change") continue;
    const own: Record<string, string> = after.get(folded(values.tag)) ?? { readings: "" };
    if (values.model !== "" && own.model !== undefined && own.model !== folded(values.model))
      own.hardware = "";
    for (const field of ["model", "hardware", "region", "serial", "place", "group", "note"] as const)
      if (values[field] !== "" || own[field] === undefined) own[field] = folded(values[field]);
    const had = (own.readings ?? "").split("|").filter(Boolean);
    own.readings = [...had, ...readings.map((r) => `${folded(r.component)} ${r.raw}`)].sort().join("|");
    after.set(folded(values.tag), own);
  }
  return after;
}
/** The part as it was first written is the model's; a version stays as it was typed. */
const foldedPart = (reading: string) => reading.replace(/^\S+/, folded);
const standing = async (tx: Tx) =>
  new Map(
    (await stock(tx)).map(({ tag = "", maker: _, readings = "", ...fields }) => [
      folded(tag),
      {
        ...Object.fromEntries(Object.entries(fields).map(([name, text]) => [name, folded(text)])),
        readings: readings.split("|").map(foldedPart).filter(Boolean).sort().join("|"),
      } as Record<string, string>,
    ]),
  );

test("any sheets, however they write their names: each cell ends where it should, and again it is all the same", async () => {
  const cell = (...texts: string[]) => fc.constantFrom("", ...texts);
  const row = fc.tuple(
    fc.constantFrom("Q-1", "q-1", "\uff31-1", "Q-2", "Q-3", "q-3"),
    cell("Gorse", "GORSE", "Sphagnum", "\uff33phagnum", "Bog myrtle"),
    cell("2", "II", "\u2161", "ii"),
    cell("north", "North"),
    cell("S 1", "S 2"),
    cell("Barn", "barn", "B\u00c4RN", "b\u00e4rn"),
    cell("Strays", "\uff53trays"),
    cell("wet"),
    cell("1.0", "1.1"),
    cell("2026-01-05", "2026-02-06", "never"),
    cell("main", "panel", "Panel"),
    cell("B1", "B2"),
  );
  const head = "tag,model,hw,region,serial,place,group,note,version,date read,part,panel fw";
  const sheet = fc
    .array(row, { minLength: 1, maxLength: 6 })
    .map((rows) => [head, ...rows.map((cells) => cells.join(","))].join("\n"));
  let added = 0;
  await fc.assert(
    fc.asyncProperty(sheet, sheet, (one, two) =>
      trial(async (tx) => {
        for (const text of [one, two]) {
          const before = await standing(tx);
          const { rows, brought } = await bringText(tx, text);
          expect(await standing(tx)).toEqual(expected(rows, before));
          added += brought.added;
          const again = (await plan(tx, text)).rows;
          expect(again.filter((r) => r.act === "add" || r.act === "change")).toEqual([]);
        }
      }),
    ),
    { numRuns: cases(25) },
  );
  expect(added).toBeGreaterThan(cases(25) / 3);
});

test("5,000 rows go in and are all the same the second time, though PostgreSQL counts on a small club", async () => {
  const lines = Array.from(
    { length: 5000 },
    (_, i) => `Big-${i},Tarn,Gorse,Hall ${i % 9},Many,1.${i % 30},2026-0${1 + (i % 5)}-11`,
  );
  const sheet = ["tag,maker,model,place,group,version,date read", ...lines].join("\n");
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  await withClub(
    actor,
    async (tx) => {
      expect(await bringText(tx, sheet).then(({ brought }) => brought)).toEqual({
        added: 5000,
        changed: 0,
        readings: 5000,
      });
      // As when its own upkeep comes by before the sheet is in for good, and remembers tables nearly empty:
      // what it joins by going through all radios for each reading then takes longer than a statement may.
      await owner.query("analyze unit, reading, component");
    },
    "work",
  );
  await owner.end();
  const acts = await withClub(actor, async (tx) => (await plan(tx, sheet)).rows.map((r) => r.act), "work");
  expect(new Set(acts)).toEqual(new Set(["same"]));
});
