// Who carries what is kept, not counted: after any history it is what the history says.
import fc from "fast-check";
import { afterAll, beforeAll, expect, test } from "vitest";
import type { CodeplugChannel } from "#core/codeplug/index.ts";
import { plain } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { carriesOf } from "#core/unit/index.ts";
import { loadSituations } from "#db/unit/situation.ts";
import { addCodeplug, addPlan, addPlanTable, carried, proveCodeplug, sumOf } from "../codeplug/index.ts";
import { addUnitMode, modeFacts, putMode } from "../model/index.ts";
import { type Actor, type Tx, withClub } from "../pool.ts";
import { addRun, endRun, keepFile } from "../run/index.ts";
import * as seed from "../seed.ts";
import { PLAIN_UNIT, type TestDatabase, takenBack, testDatabase, twoClubs } from "../testing.ts";
import { addUnit, changeUnit, shelveUnit } from "./units.ts";

let database: TestDatabase;
let actor: Actor;
const models: string[] = [];
const modes: string[] = [];

beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
  await withClub(actor, async (tx) => {
    await keepFile(tx, "f".repeat(64), new Uint8Array([1]));
    for (const name of ["Gorse", "Sedge"]) {
      const model = await seed.seedModel(tx, { maker: "Tarn", name, kind: "base", note: "", suffixes: [] });
      models.push(model);
      const facts = modeFacts.parse({ transmit: [], receive: [] });
      const rest = {
        component_id: null,
        firmware: null,
        hardware_revisions: null,
        enter_id: null,
        leave_id: null,
      };
      const source = { kind: "bench", what: "" } as const;
      modes.push(await putMode(tx, model, undefined, { name: "as sold", facts, ...rest, source }));
    }
  });
});
afterAll(() => database.close());

const tableOf = (n: number): CodeplugChannel[] => [
  { position: 1, name: `T${n}`, receive: 145_000_000 + n * 12_500, digital: false },
];

type Radio = {
  id: string;
  tag: string;
  model: number;
  shelved: boolean;
  table?: number | undefined;
  /** The run that wrote it, as long as nobody has proved what it wrote. */
  run?: string | undefined;
  mode?: number;
};

const n = (max: number) => fc.integer({ min: 0, max });
const deed = fc.oneof(
  fc.record({ does: fc.constant("table" as const), radio: n(3), table: fc.option(n(3)) }),
  fc.record({ does: fc.constant("made" as const), radio: n(3), table: n(3) }),
  fc.record({ does: fc.constant("prove" as const), radio: n(3), table: n(3) }),
  fc.record({ does: fc.constant("plan" as const), tables: fc.tuple(fc.option(n(3)), fc.option(n(3))) }),
  fc.record({ does: fc.constant("mode" as const), radio: n(3), mode: n(1) }),
  fc.record({ does: fc.constant("move" as const), radio: n(3), model: n(1) }),
  fc.record({ does: fc.constant("shelve" as const), radio: n(3) }),
  fc.record({ does: fc.constant("call" as const), radio: n(3), tag: n(9) }),
);
type Deed = typeof deed extends fc.Arbitrary<infer T> ? T : never;

type Past = { radios: Radio[]; plans: (number | null)[][] };

async function act(tx: Tx, { radios, plans }: Past, one: Deed): Promise<void> {
  const by = actor.person;
  if (one.does === "plan") {
    const plan = await addPlan(tx, { blocks: [], by, issuedAt: "2026-05-01T00:00:00Z" });
    for (const [i, table] of one.tables.entries())
      if (table !== null)
        await addPlanTable(tx, {
          plan,
          model: models[i] ?? "",
          sum: sumOf(tableOf(table)),
          sha256: "f".repeat(64),
          laid: { channels: tableOf(table), left: [], listening: [], cut: [], blocks: [] },
        });
    plans.push([...one.tables]);
    return;
  }
  const radio = radios[one.radio];
  if (!radio) return;
  const put = (source: "brought" | "made" | "written", table: number | null, run?: string) =>
    addCodeplug(tx, {
      unit: radio.id,
      source,
      name: "c",
      by,
      run,
      channels: table === null ? undefined : tableOf(table),
    });
  if (one.does === "made") await put("made", one.table);
  else if (one.does === "table" && one.table === null) {
    radio.run = await addRun(tx, {
      unit: radio.id,
      title: "R",
      plan: { purpose: "procedure", stages: [] },
      by,
    });
    radio.table = undefined;
    await put("written", null, radio.run);
    // A radio has one run at a time.
    await endRun(tx, radio.run);
  } else if (one.does === "table") {
    Object.assign(radio, { table: one.table, run: undefined });
    await put("brought", one.table);
  } else if (one.does === "prove") {
    if (radio.run === undefined) return;
    await proveCodeplug(tx, radio.run, tableOf(one.table), {});
    Object.assign(radio, { table: one.table, run: undefined });
  } else if (one.does === "mode") {
    radio.mode = one.mode;
    await addUnitMode(tx, { unit: radio.id, mode: modes[one.mode] ?? "", how: "told", why: "", by });
  } else if (one.does === "shelve") {
    radio.shelved = !radio.shelved;
    await shelveUnit(tx, radio.id, radio.shelved);
  } else {
    if (one.does === "move") radio.model = one.model;
    else if (!radios.some((other) => other.tag === `C-${one.tag}`)) radio.tag = `C-${one.tag}`;
    await changeUnit(tx, radio.id, { tag: radio.tag, model: models[radio.model] ?? "", ...PLAIN_UNIT });
  }
}

/** The number of the last revision that a radio carries, told from what was done. */
function planOf({ table, model }: Radio, plans: Past["plans"]): number {
  if (table === undefined) return -1;
  return plans.reduce((last, tables, i) => (tables[model] === table ? i + 1 : last), 0);
}

function toldFrom({ radios, plans }: Past) {
  const counts = new Map<string, string[]>();
  for (const radio of radios)
    if (!radio.shelved) {
      const key = `${models[radio.model]} ${planOf(radio, plans)} ${radio.mode === undefined ? "-" : modes[radio.mode]}`;
      counts.set(key, [...(counts.get(key) ?? []), radio.tag]);
    }
  return Object.fromEntries([...counts].map(([key, tags]) => [key, tags.sort()]));
}

test("after any history, counts and tags are what the history says; and so are the facts that needs are told by", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { minLength: 6, maxLength: 16 }), (deeds) =>
      takenBack(actor, async (tx) => {
        const past: Past = { radios: [], plans: [] };
        for (const i of [0, 1, 2, 3]) {
          const tag = `B-${i}`;
          const id = await addUnit(
            tx,
            { tag, model: models[i % 2] ?? "", ...PLAIN_UNIT },
            plain("2026-01-01"),
          );
          past.radios.push({ id, tag, model: i % 2, shelved: false });
        }
        for (const one of deeds) await act(tx, past, one);
        const rows = await carried(tx);
        expect(
          Object.fromEntries(
            rows.map((row) => [`${row.model_id} ${row.plan} ${row.mode_id ?? "-"}`, row.tags]),
          ),
        ).toEqual(toldFrom(past));
        expect(rows.map(({ units }) => units)).toEqual(rows.map(({ tags }) => tags.length));
        const newest = past.plans.at(-1);
        const facts = new Map(
          (await loadSituations(tx, { of: "club" }, plain("2026-01-01"))).all
            .map(({ unit }) => unit)
            .map((unit) => [unit.id, unit.codeplug]),
        );
        for (const radio of past.radios.filter(({ shelved }) => !shelved)) {
          const has = carriesOf(planOf(radio, past.plans), past.plans.length);
          const isAsked = typeof newest?.[radio.model] === "number" && has !== "plan";
          expect([radio, facts.get(radio.id)?.has]).toEqual([radio, isAsked ? has : undefined]);
        }
      }),
    ),
    { numRuns: cases(30) },
  );
}, 120_000);

test("many radios at once; tags in the order of numbers, the first ones only", () =>
  takenBack(actor, async (tx) => {
    await tx.query(
      "insert into unit (club_id, tag, model_id, added_on) select current_club(), 'V-' || n, $1, '2023-01-01' from generate_series(1, 300) n",
      [models[0]],
    );
    const [row] = await carried(tx);
    expect([row?.units, row?.tags.length, row?.tags.slice(8, 11)]).toEqual([
      300,
      24,
      ["V-9", "V-10", "V-11"],
    ]);
    await tx.query("update unit set shelved_at = now() where tag like 'V-1%'");
    expect((await carried(tx))[0]).toMatchObject({ units: 189 });
    await tx.query("update unit set shelved_at = now()");
    expect(await carried(tx)).toEqual([]);
  }));
