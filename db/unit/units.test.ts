// Radios by their tags, those they have and those they had.
import fc from "fast-check";
import { afterAll, beforeAll, expect, test } from "vitest";
import { plain } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { findByLetters } from "../club/index.ts";
import { type Actor, type Tx, withClub } from "../pool.ts";
import * as seed from "../seed.ts";
import { PLAIN_UNIT, type TestDatabase, takenBack, testDatabase, twoClubs } from "../testing.ts";
import { knownClub } from "./import-known.ts";
import { addUnit, changeUnit, formerTags, shelveUnit, unitByTag } from "./units.ts";

let database: TestDatabase;
let actor: Actor;
let model: string;

beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
  model = await withClub(actor, (tx) =>
    seed.seedModel(tx, { maker: "Tarn", name: "Gorse", kind: "handheld", note: "", suffixes: [] }),
  );
});
afterAll(() => database.close());

const trial = (act: (tx: Tx) => Promise<void>) => takenBack(actor, act);
const add = (tx: Tx, tag: string) => addUnit(tx, { tag, model, ...PLAIN_UNIT }, plain("2026-01-01"));
const retag = (tx: Tx, id: string, tag: string) => changeUnit(tx, id, { tag, model, ...PLAIN_UNIT });

test("a radio is found by a tag it had, until another has it; the finder says what it was", () =>
  trial(async (tx) => {
    const id = await add(tx, "Q-1");
    await retag(tx, id, "Q-7");
    await retag(tx, id, "q-7");
    expect(await formerTags(tx, id)).toEqual(["Q-1"]);
    expect(await unitByTag(tx, "q-1")).toMatchObject({ id, tag: "q-7" });
    expect((await findByLetters(tx, "q-1", 9)).map((row) => [row.name, row.what])).toEqual([
      ["q-7", "Gorse, once Q-1"],
    ]);
    expect([...(await knownClub(tx, new Set())).renamed]).toEqual([["q-1", "q-7"]]);
    const other = await add(tx, "Q-1");
    expect((await unitByTag(tx, "Q-1"))?.id).toBe(other);
    expect((await findByLetters(tx, "q-1", 9)).map((row) => row.name)).toEqual(["Q-1", "q-7"]);
  }));

test("a tag that came back is no former one", () =>
  trial(async (tx) => {
    const id = await add(tx, "Q-1");
    await retag(tx, id, "Q-2");
    await retag(tx, id, "Q-1");
    expect(await formerTags(tx, id)).toEqual(["Q-2"]);
    expect((await unitByTag(tx, "Q-2"))?.id).toBe(id);
  }));

test("over any history of tags: who has it now, else who was shelved with it, else who had it last", async () => {
  const tags = ["Q-1", "Q-2", "Q-3", "Q-4", "Q-5"];
  const act = fc.record({
    unit: fc.integer({ min: 0, max: 2 }),
    tag: fc.constantFrom(...tags, "q-1"),
    shelve: fc.nat({ max: 5 }).map((n) => n === 0),
  });
  let former = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(act, { minLength: 4, maxLength: 12 }), (acts) =>
      trial(async (tx) => {
        const units: { id: string; tag: string; shelved: boolean }[] = [];
        for (const i of [0, 1, 2]) {
          const tag = `Q-0${i}`;
          units.push({ id: await add(tx, tag), tag, shelved: false });
        }
        const had: { tag: string; id: string }[] = [];
        for (const { unit, tag, shelve } of acts) {
          const one = units[unit];
          const isTaken = units.some(
            (u) => u !== one && !u.shelved && u.tag.toLowerCase() === tag.toLowerCase(),
          );
          if (!one || isTaken || one.shelved) continue;
          await retag(tx, one.id, tag);
          if (one.tag.toLowerCase() !== tag.toLowerCase()) had.push({ tag: one.tag, id: one.id });
          one.tag = tag;
          if (!shelve) continue;
          await shelveUnit(tx, one.id, true);
          one.shelved = true;
        }
        for (const tag of tags) {
          const is = (one: { tag: string }) => one.tag.toLowerCase() === tag.toLowerCase();
          const now = units.find((u) => is(u) && !u.shelved);
          const shelved = units.filter((u) => is(u) && u.shelved).map((u) => u.id);
          const last = had.findLast(is);
          const found = (await unitByTag(tx, tag))?.id;
          if (now) expect(found).toBe(now.id);
          else if (shelved.length > 0) expect(shelved).toContain(found);
          else expect(found).toBe(last?.id);
          if (!now && shelved.length === 0 && last) former++;
        }
      }),
    ),
    { numRuns: cases(20) },
  );
  expect(former).toBeGreaterThan(20);
});
