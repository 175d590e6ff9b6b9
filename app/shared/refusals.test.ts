// Refusals in words: what several acts answer is said once, a page's own words come first, and what stands in the way leads to where it is put right.
import { expect, test } from "vitest";
import {
  answerProblem,
  besideField,
  isGone,
  refusalOf,
  refuseForm,
  typedWrongly,
} from "./refusals.server.ts";

type Problem =
  | { readonly kind: "shelved" }
  | { readonly kind: "no-adapter"; readonly radio: string; readonly load: string }
  | { readonly kind: "taken"; readonly by: string };
const own = { taken: ({ by }: { readonly by: string }) => `${by} has it.` };
const say = (problem: Problem, tag?: string) => refusalOf(problem, own, tag === undefined ? {} : { tag });

test("what several acts answer is said of the radio, with the way to its cure", () => {
  expect(say({ kind: "shelved" }, "W-03")).toEqual({
    status: 409,
    says: "W-03 is shelved; recover it first.",
    cure: { to: "/units/W-03", says: "Its page" },
  });
  expect(say({ kind: "shelved" })).toEqual({ status: 409, says: "This radio is shelved; recover it first." });
  expect(say({ kind: "no-adapter", radio: "bayonet", load: "thread" }, "O-01")).toMatchObject({
    says: expect.stringContaining("joins O-01 (bayonet) to a dummy load (thread)"),
    cure: { to: "/kit/antennas/new" },
  });
});

test("a page's own words count before those of the table; a bare sentence is a conflict", () => {
  expect(say({ kind: "taken", by: "Juno" })).toEqual({ status: 409, says: "Juno has it." });
  expect(refusalOf({ kind: "past" as const }, { past: typedWrongly("Due back when?") })).toEqual({
    status: 400,
    says: "Due back when?",
  });
  // @ts-expect-error a kind that the table has no words for needs some
  refusalOf({ kind: "taken" as const, by: "Juno" }, {});
  // @ts-expect-error what the table says of "unlikely" tells what the radio is rated for: without that, words are needed
  refusalOf({ kind: "unlikely" as const }, {});
});

test("of a form that corrects something the sentence stands beside its field; of what is gone the page says so", () => {
  const form = new FormData();
  form.set("name", "Hut");
  const taken = { taken: besideField("name", "There is one of that name.") };
  const answered = refuseForm(form, { kind: "taken" as const }, taken);
  expect(answered).toMatchObject({
    data: { error: { name: ["There is one of that name."] }, initialValue: { name: "Hut" } },
    init: { status: 409 },
  });
  expect(() => refuseForm(form, { kind: "lost" as const }, { lost: isGone("This place") })).toThrow();
  expect(refuseForm(form, { kind: "no-key" as const }, {})).toMatchObject({ init: { status: 400 } });
});

test("the answer to a form has the cure, and what the form held", () => {
  const form = new FormData();
  form.set("tag", "O-01");
  const stopped = { kind: "no-adapter" as const, radio: "bayonet", load: "thread" };
  expect(answerProblem("bench", form, stopped, {})).toMatchObject({
    data: { ok: false, intent: "bench", cure: { to: "/kit/antennas/new" }, kept: { tag: "O-01" } },
    init: { status: 409 },
  });
});

test("what an act does not take stands beside its field, or above the form where that has no such field", () => {
  const form = new FormData();
  form.set("name", "");
  const input = (field: string) => ({
    kind: "input" as const,
    issues: [{ field, says: "A place has a name." }],
  });
  expect(refuseForm(form, input("place.name"), {})).toMatchObject({
    data: { error: { name: ["A place has a name."] } },
  });
  expect(refuseForm(form, input("place"), {})).toMatchObject({
    data: { error: { "": ["A place has a name."] } },
  });
});
