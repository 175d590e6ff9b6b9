// What a model is made of: in which order, and what may go again.
import { afterAll, beforeAll, expect, test } from "vitest";
import { recompute } from "#acts/needs/recompute.ts";
import { plain } from "#core/quantities/index.ts";
import { conditionsShape } from "#core/release/index.ts";
import type { Actor, Tx } from "../pool.ts";
import * as seed from "../seed.ts";
import {
  PLAIN_RELEASE,
  PLAIN_UNIT,
  type TestDatabase,
  takenBack,
  testDatabase,
  twoClubs,
} from "../testing.ts";
import { addUnit } from "../unit/index.ts";
import { loadCatalogues } from "./catalogues.ts";
import { addConfirmation, putProcedure, putQuirk } from "./dossier.ts";
import { addParts, orderParts, othersInUse, takeAway } from "./parts.ts";
import { addRelease } from "./releases.ts";

let database: TestDatabase;
let actor: Actor;
beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
});
afterAll(() => database.close());

/** A model with the parts main, panel and dsp and the revisions A and B, for one transaction. */
const trial = (act: (tx: Tx, model: string, part: (name: string) => string) => Promise<void>) =>
  takenBack(actor, async (tx) => {
    const model = await seed.seedModel(tx, {
      maker: "Tarn",
      name: "Gorse",
      kind: "base",
      note: "",
      suffixes: [],
    });
    const revision = (name: string) => ({ name, tell: "", serials: [] });
    await addParts(tx, model, ["main", "panel", "dsp"], [revision("A"), revision("B")]);
    const { rows } = await tx.query<{ id: string; name: string }>(
      "select id, name from component where model_id = $1",
      [model],
    );
    await act(tx, model, (name) => rows.find((row) => row.name === name)?.id ?? "");
  });
const partsOf = async (tx: Tx, model: string) =>
  [...((await loadCatalogues(tx, [model])).get(model)?.values() ?? [])].map((p) => p.component.name);
const used = async (...asked: Parameters<typeof othersInUse>) =>
  Object.fromEntries(
    (await othersInUse(...asked)).map(({ name, by }) => [
      name,
      Object.fromEntries(Object.entries(by).filter(([, count]) => count > 0)),
    ]),
  );

test("a part that nothing refers to goes, with its needs, and no prepared catalogue keeps it", () =>
  trial(async (tx, model) => {
    await addUnit(tx, { tag: "Q-1", model, ...PLAIN_UNIT }, plain("2026-01-01"));
    await recompute(tx, { of: "club" });
    const needs = async () => (await tx.query("select from need")).rowCount;
    expect(await partsOf(tx, model)).toEqual(["main", "panel", "dsp"]);
    const before = (await needs()) ?? 0;
    const others = await othersInUse(tx, model, "component", ["MAIN", "panel"]);
    expect(others.map((one) => one.name)).toEqual(["dsp"]);
    await takeAway(
      tx,
      "component",
      others.map((one) => one.id),
    );
    expect(await partsOf(tx, model)).toEqual(["main", "panel"]);
    expect(before - ((await needs()) ?? 0)).toBe(before / 3);
    expect(before).toBeGreaterThan(0);
  }));

test("what refers to a part is counted, kind by kind, shelved releases and conditions of others too", () =>
  trial(async (tx, model, part) => {
    const unit = await addUnit(tx, { tag: "Q-1", model, ...PLAIN_UNIT }, plain("2026-01-01"));
    for (const raw of ["1", "2"])
      await seed.seedReading(tx, {
        unit,
        component: part("panel"),
        raw,
        source: "screen",
        at: "2026-01-02T12:00:00Z",
        by: actor.person,
      });
    const release = await addRelease(tx, { component: part("panel"), version: "1.0", ...PLAIN_RELEASE });
    await tx.query("update release set shelved_at = now() where id = $1", [release]);
    const requires = [{ component: "DSP", range: [{ atLeast: "2.0" }] }];
    await addRelease(tx, {
      component: part("main"),
      version: "1.1",
      ...PLAIN_RELEASE,
      conditions: conditionsShape.parse({ requires }),
    });
    const source = { kind: "bench", what: "" } as const;
    const own = { component_id: part("dsp"), firmware: null, source };
    await putQuirk(tx, model, undefined, { symptom: "hums", cause: "", cure: "", ...own });
    await putProcedure(tx, model, undefined, {
      ...own,
      purpose: "flash",
      title: "P",
      effect: "harmless",
      steps: [{ kind: "turn", to: "on" }],
      hardware_revisions: null,
      minutes: 1,
      draft: false,
    });
    await addConfirmation(tx, {
      model,
      kind: "part",
      subject: part("dsp"),
      firmware: "1",
      by: actor.person,
    });
    expect(await used(tx, model, "component", ["main"])).toEqual({
      panel: { reading: 2, release: 1 },
      dsp: { condition: 1, oddity: 1, procedure: 1, confirmation: 1 },
    });
    expect(await used(tx, model, "component", ["main", "panel", "dsp", "else"])).toEqual({});
  }));

test("a revision is in use by radios, releases and procedures", () =>
  trial(async (tx, model, part) => {
    const { rows } = await tx.query<{ id: string }>(
      "select id from hardware_revision where model_id = $1 and name = 'A'",
      [model],
    );
    const id = rows[0]?.id ?? "";
    await addUnit(tx, { tag: "Q-1", model, ...PLAIN_UNIT, hardware: id }, plain("2026-01-01"));
    const release = await addRelease(tx, { component: part("main"), version: "1.0", ...PLAIN_RELEASE });
    await tx.query("update release set hardware_revisions = array[$2::bigint] where id = $1", [release, id]);
    expect(await used(tx, model, "hardware_revision", [])).toEqual({ A: { radio: 1, release: 1 }, B: {} });
  }));

test("parts stand in the order they are put in; others keep their places", () =>
  trial(async (tx, model) => {
    await orderParts(tx, model, ["Panel", "main", "dsp"]);
    expect(await partsOf(tx, model)).toEqual(["panel", "main", "dsp"]);
  }));
