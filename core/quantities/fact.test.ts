// Facts said once: what a form shows of them is read back as the same, and two sets are joined as their kinds say.

import fc from "fast-check";
import { expect, it } from "vitest";
import { z } from "zod";
import { type Facts, fieldsOf, joinedFacts, shapeOf, shownFacts, toldFacts, typedFacts } from "./fact.ts";

const FACTS = {
  most: { shape: z.number().int().min(1).max(99).optional(), label: "The most", typed: "number", unit: "W" },
  is: { shape: z.boolean().default(false), label: "It is so", typed: "tick" },
  note: { shape: z.string().trim().max(20).default(""), label: "A note", typed: "text", told: "noted" },
  names: {
    shape: z.array(z.string().min(1)).max(3).default([]),
    label: "Names",
    typed: "list",
    by: ";",
    mono: true,
  },
} as const satisfies Facts;
const shape = shapeOf(FACTS);

/** What a form holds of what its fields are drawn with: boxes that are not ticked are not in it. */
const sent = (shown: Readonly<Record<string, string | readonly string[]>>) => (name: string) => {
  const [first] = [shown[name] ?? []].flat();
  return first === "" ? undefined : first;
};

const word = fc.stringMatching(/^[a-z]{1,6}( [a-z]{1,3})?$/);
const any = fc.record({
  most: fc.option(fc.integer({ min: 1, max: 99 }), { nil: undefined }),
  is: fc.boolean(),
  note: fc.oneof(fc.constant(""), word),
  names: fc.uniqueArray(word, { maxLength: 3 }),
});

it("what a form shows of facts is read back as the same", () => {
  fc.assert(
    fc.property(any, (facts) => {
      expect(shape.parse(typedFacts(FACTS, sent(shownFacts(FACTS, facts))))).toEqual(shape.parse(facts));
    }),
  );
});

it("a number is read with either decimal sign, and what is none is refused at its field", () => {
  const typed = (most: string) =>
    shape.safeParse(typedFacts(FACTS, (name) => (name === "most" ? most : undefined)));
  expect(typed(" 12 ").data?.most).toBe(12);
  expect(typed("").data?.most).toBeUndefined();
  for (const odd of ["1,5", "twelve", "1 2", "0", "100"])
    expect(typed(odd).error?.issues[0]?.path).toEqual(["most"]);
});

it("of a number that may have parts either sign parts them", () => {
  const ppm = { ppm: { shape: z.number().positive(), label: "Parts per million", typed: "number" } } as const;
  for (const [text, value] of [
    ["2,5", 2.5],
    ["2.5", 2.5],
    ["3", 3],
  ] as const)
    expect(shapeOf(ppm).parse(typedFacts(ppm, () => text))).toEqual({ ppm: value });
});

it("fields say their names and bounds, and what is told leaves out what nobody knows", () => {
  expect(fieldsOf(FACTS)).toEqual([
    { name: "most", label: "The most", typed: "number" },
    { name: "is", label: "It is so", typed: "tick" },
    { name: "note", label: "A note", typed: "text", most: 20 },
    { name: "names", label: "Names", typed: "list", mono: true },
  ]);
  expect(toldFacts(FACTS, { most: 3, is: true, note: "wet", names: ["a", "b"] })).toEqual([
    ["The most", "3 W"],
    ["It is so", "yes"],
    ["noted", "wet"],
    ["Names", "a and b"],
  ]);
  expect(toldFacts(FACTS, { is: false, note: "", names: [] })).toEqual([]);
});

it("joined, lists have what both have and no more than fit; of all else the first counts", () => {
  expect(
    joinedFacts(
      FACTS,
      { note: "", is: false, names: ["a", "B"] },
      { most: 3, note: "other", is: true, names: ["b", "c", "d"] },
    ),
  ).toEqual({ most: 3, note: "other", is: false, names: ["a", "B", "c"] });
});
