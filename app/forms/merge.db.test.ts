// Forms that somebody else has saved merge, against a real database: who waits, what is kept, what is asked.
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { addPlace } from "#acts/club/add-place.ts";
import { changePlace } from "#acts/club/change-place.ts";
import { perform } from "#acts/define.ts";
import { plain } from "#core/quantities/index.ts";
import { places } from "#db/club/index.ts";
import { type Actor, oneAtATime, type Tx, withClub } from "#db/pool.ts";
import { type TestDatabase, testDatabase, twoClubs } from "#db/testing.ts";
import { BASELINE } from "./baseline.tsx";
import { baselineForm, redraw } from "./merge.server.ts";

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
describe("a form that is drawn again", () => {
  it("has what others saved in fields I left alone, and says what we both changed", () => {
    const seen = JSON.stringify({ name: "Shed", note: "dry", kind: "hut" });
    const now = { name: "Barn", note: "damp", kind: "hut" };
    const typed = formOf({ name: "Shed", note: "wet", kind: "room", [BASELINE]: seen });
    const { form, errors } = redraw(typed, now);
    expect(Object.fromEntries(form)).toEqual({
      name: "Barn",
      note: "wet",
      kind: "room",
      [BASELINE]: JSON.stringify(now),
    });
    expect(errors).toEqual({
      note: ["Somebody has made this “damp” meanwhile. Save again to put yours in its place."],
    });
    expect(redraw(form, now).errors).toEqual({});
    expect(redraw(typed, { ...now, note: "" }).errors.note).toEqual([
      "Somebody has emptied this meanwhile. Save again to put yours there.",
    ]);
  });

  it("with several choices takes over all of theirs, in whatever order they are", () => {
    const seen = JSON.stringify({ pinned: ["3", "1"], days: "14" });
    const sent = formOf({ pinned: ["1", "3"], days: "20", [BASELINE]: seen });
    const { form, errors } = redraw(sent, { pinned: ["4", "2"], days: "14" });
    expect(errors).toEqual({});
    expect(form.getAll("pinned")).toEqual(["4", "2"]);
    expect(form.getAll("days")).toEqual(["20"]);
    const mine = formOf({ pinned: ["1", "5"], days: "14", [BASELINE]: seen });
    const both = redraw(mine, { pinned: ["4"], days: "14" });
    expect(Object.keys(both.errors)).toEqual(["pinned"]);
    expect(both.form.getAll("pinned")).toEqual(["1", "5"]);
  });

  it("is the form that was sent where nobody knows what was seen, or what stands", () => {
    for (const junk of [undefined, "", "{", "[1]", '{"name":7}', "null"]) {
      const told = formOf({ name: "Barn", ...(junk !== undefined && { [BASELINE]: junk }) });
      expect(redraw(told, { name: "Loft" })).toEqual({ form: told, errors: {} });
      expect(baselineForm(told.get(BASELINE))).toBeUndefined();
    }
    const sent = formOf({ name: "Barn", [BASELINE]: '{"name":"Shed"}' });
    expect(redraw(sent, undefined)).toEqual({ form: sent, errors: {} });
  });

  it("is read from what it was drawn from as from what was typed", () => {
    const drawn = baselineForm(JSON.stringify({ name: "Shed", pinned: ["3", "1"] }));
    expect([...(drawn ?? [])]).toEqual([
      ["name", "Shed"],
      ["pinned", "3"],
      ["pinned", "1"],
    ]);
  });
});

describe("an act", () => {
  const place = { name: "Shed", kind: "hut", note: "dry" } as const;
  const made = async () => {
    const who = { ...one, role: "keeper" as const, today: plain("2026-11-26") };
    const added = await perform(addPlace, who, { input: place, key: crypto.randomUUID() });
    if (!added.ok) throw new Error(added.problem.kind);
    const id = (await inOne(places)).find((p) => p.name === place.name)?.id ?? "";
    const change = (input: object, baseline: object) =>
      perform(changePlace, who, {
        input: { ...place, place: id, ...input },
        baseline,
        key: crypto.randomUUID(),
      });
    const stands = async () => (await inOne(places)).find((p) => p.id === id);
    return { change, stands };
  };

  it("keeps what others changed since, in fields I left alone; where both changed the same it is asked", async () => {
    const { change, stands } = await made();
    expect(await change({ name: "Barn" }, place)).toMatchObject({ ok: true });
    expect(await change({ note: "wet" }, place)).toMatchObject({ ok: true });
    expect(await stands()).toMatchObject({ name: "Barn", note: "wet", kind: "hut" });
    expect(await change({ name: "Loft", note: "dusty" }, place)).toEqual({
      ok: false,
      problem: { kind: "clash", fields: ["name", "note"] },
    });
    expect(await stands()).toMatchObject({ name: "Barn", note: "wet" });
    // Asked again with what stands before them, theirs counts.
    expect(
      await change({ name: "Loft", note: "wet" }, { ...place, name: "Barn", note: "wet" }),
    ).toMatchObject({
      ok: true,
    });
    expect(await stands()).toMatchObject({ name: "Loft", note: "wet" });
  });

  it("two at once with the same before them: one is saved, the other is asked", async () => {
    const { change, stands } = await made();
    const answers = await Promise.all(["left", "right"].map((note) => change({ note }, place)));
    expect(answers.filter((answer) => answer.ok)).toHaveLength(1);
    expect(["left", "right"]).toContain((await stands())?.note);
  });
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
