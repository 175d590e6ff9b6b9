// Forms that somebody else has saved merge, against a real database: who waits, what is kept, what is asked.
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Actor, oneAtATime, type Tx, withClub } from "#db/pool.ts";
import { type TestDatabase, testDatabase, twoClubs } from "#db/testing.ts";
import { BASELINE } from "./baseline.tsx";
import { merge, mergeForm } from "./merge.server.ts";

let database: TestDatabase;
let one: Actor;
let two: Actor;
beforeAll(async () => {
  database = await testDatabase();
  [one, two] = await twoClubs(database);
});
afterAll(() => database.close());

const formOf = (fields: Record<string, string | string[]>): FormData => {
  const form = new FormData();
  for (const [name, values] of Object.entries(fields))
    for (const value of [values].flat()) form.append(name, value);
  return form;
};
const inOne = <Value>(act: (tx: Tx) => Promise<Value>) => withClub(one, act);
const is =
  <Value>(value: Value) =>
  async () =>
    value;

describe("plain values", () => {
  it("keep what others saved in fields I left alone, and tell what we both changed", () =>
    inOne(async (tx) => {
      const seen = JSON.stringify({ name: "Shed", note: "dry", kind: "hut" });
      const now = { name: "Barn", note: "damp", kind: "hut" };
      const typed = { name: "Shed", note: "wet", kind: "room", [BASELINE]: seen };
      const held = await merge(tx, "place 1", typed, is(now));
      expect(held.values).toEqual({
        name: "Barn",
        note: "wet",
        kind: "room",
        [BASELINE]: JSON.stringify(now),
      });
      expect(held.errors).toEqual({
        note: "Somebody has made this “damp” meanwhile. Save again to put yours in its place.",
      });
      const again = await merge(tx, "place 1", held.values, is(now));
      expect(again).toEqual({ values: held.values, errors: {}, unchanged: false });
      const emptied = await merge(tx, "place 1", typed, is({ ...now, note: "" }));
      expect(emptied.errors.note).toBe("Somebody has emptied this meanwhile. Save again to put yours there.");
    }));

  it("go as they were typed where nothing changed, where it is new, and where nobody knows what was seen", () =>
    inOne(async (tx) => {
      const now = { name: "Shed" };
      const typed = { name: "Barn", [BASELINE]: JSON.stringify(now) };
      expect(await merge(tx, "x", typed, is(now))).toEqual({
        values: typed,
        errors: {},
        unchanged: false,
      });
      const asItWas = { name: "Shed", intent: "save", [BASELINE]: JSON.stringify(now) };
      expect((await merge(tx, "x", asItWas, is(now))).unchanged).toBe(true);
      expect(await merge(tx, "x", typed, is(undefined))).toEqual({
        values: typed,
        errors: {},
        unchanged: false,
      });
      for (const junk of [undefined, "", "{", "[1]", '{"name":7}', "null"]) {
        const told = { name: "Barn", ...(junk !== undefined && { [BASELINE]: junk }) };
        expect(await merge(tx, "x", told, is({ name: "Loft" }))).toEqual({
          values: told,
          errors: {},
          unchanged: false,
        });
      }
    }));
});

describe("a form", () => {
  it("with several choices takes over all of theirs, in whatever order they are", () =>
    inOne(async (tx) => {
      const seen = JSON.stringify({ pinned: ["3", "1"], days: "14" });
      const sent = formOf({ pinned: ["1", "3"], days: "20", [BASELINE]: seen });
      const { form, errors } = await mergeForm(tx, "group 1", sent, is({ pinned: ["4", "2"], days: "14" }));
      expect(errors).toEqual({});
      expect(form.getAll("pinned")).toEqual(["4", "2"]);
      expect(form.getAll("days")).toEqual(["20"]);
      const mine = formOf({ pinned: ["1", "5"], days: "14", [BASELINE]: seen });
      const both = await mergeForm(tx, "group 1", mine, is({ pinned: ["4"], days: "14" }));
      expect(Object.keys(both.errors)).toEqual(["pinned"]);
      expect(both.form.getAll("pinned")).toEqual(["1", "5"]);
    }));

  it("that changes nothing is the form that was sent", () =>
    inOne(async (tx) => {
      const sent = formOf({ name: "Shed", pinned: ["1", "2"], [BASELINE]: JSON.stringify({ name: "Shed" }) });
      const { form } = await mergeForm(tx, "x", sent, is({ name: "Shed" }));
      expect([...form]).toEqual([...sent]);
    }));
});

describe("one at a time", () => {
  it("who comes second to the same waits for the first, and not another club, nor somebody at something else", async () => {
    const order: string[] = [];
    let first: () => void = () => {};
    const held = new Promise<void>((done) => {
      first = done;
    });
    let has: () => void = () => {};
    const began = new Promise<void>((done) => {
      has = done;
    });
    const running = inOne(async (tx) => {
      await oneAtATime(tx, "place 1");
      has();
      await held;
      order.push("first");
    });
    await began;
    const second = inOne(async (tx) => {
      await oneAtATime(tx, "place 1");
      order.push("second");
    });
    await withClub(two, (tx) => oneAtATime(tx, "place 1"));
    await inOne((tx) => oneAtATime(tx, "place 2"));
    order.push("others");
    first();
    await Promise.all([running, second]);
    expect(order).toEqual(["others", "first", "second"]);
  });
});
