// Confusable combinations against a plain count of differing keys.
import fc from "fast-check";
import { expect, test } from "vitest";
import { type Combination, confusable } from "./confusable.ts";
import { EFFECTS } from "./procedure.ts";

const combination = fc.record({
  purpose: fc.constantFrom("update-mode" as const, "factory-reset" as const, "service-menu" as const),
  effect: fc.constantFrom(...EFFECTS),
  keys: fc.uniqueArray(fc.constantFrom("talk", "5", "6", "menu"), { minLength: 1, maxLength: 3 }),
  turn: fc.constantFrom("on" as const, undefined),
});

test("exactly the pairs one key apart that do different things, the worst difference first", () => {
  fc.assert(
    fc.property(fc.array(combination, { maxLength: 7 }), (list) => {
      const all: Combination[] = list.map((c, i) => ({ ...c, id: `c${i}` }));
      const found = confusable(all);
      const pairs = new Set(found.map((f) => `${f.a} ${f.b}`));
      for (const [i, a] of all.entries()) {
        for (const b of all.slice(i + 1)) {
          const shared = a.keys.filter((k) => b.keys.includes(k)).length;
          const more = Math.max(a.keys.length, b.keys.length);
          const near = more - shared === 1 || (more === shared && a.turn !== b.turn);
          const differs = a.effect !== b.effect || a.purpose !== b.purpose;
          expect(pairs.has(`${a.id} ${b.id}`)).toBe(near && differs);
        }
      }
      for (const [i, f] of found.entries())
        expect(f.difference).toBeLessThanOrEqual(found[i - 1]?.difference ?? 9);
    }),
  );
});

test("talk and 5 beside talk and 6", () => {
  expect(
    confusable([
      { id: "update", purpose: "update-mode", effect: "harmless", keys: ["talk", "5"], turn: "on" },
      { id: "reset", purpose: "factory-reset", effect: "erase", keys: ["Talk", "6"], turn: "on" },
      { id: "far", purpose: "service-menu", effect: "unlock", keys: ["menu", "8", "9"], turn: "on" },
    ]),
  ).toEqual([{ a: "update", b: "reset", onlyA: ["5"], onlyB: ["6"], difference: 3 }]);
});

test("a key named twice is one key, in whatever letters", () => {
  const two = (keys: string[]) =>
    confusable([
      { id: "a", purpose: "update-mode", effect: "harmless", keys, turn: "on" },
      { id: "b", purpose: "factory-reset", effect: "erase", keys: ["talk", "6"], turn: "on" },
    ]);
  expect(two(["talk", "5", "5", "TALK"])).toEqual(two(["talk", "5"]));
  expect(two(["talk", "5", "5 "])).toMatchObject([{ onlyA: ["5"], onlyB: ["6"] }]);
  expect(two(["talk", "6", "6"])).toEqual([]);
});
