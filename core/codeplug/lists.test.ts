// Lists by position: every reference means what it meant, whatever comes in; nothing is written over.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { importInto, type Member, mergeList, type PlacedList } from "./lists.ts";

const member = fc.record({ key: fc.constantFrom("1", "2", "3", "4", "5"), name: fc.constantFrom("a", "b") });
const incoming = fc.array(member, { maxLength: 8 });
const present: fc.Arbitrary<PlacedList> = fc
  .uniqueArray(member, { selector: ({ key }) => key, maxLength: 5 })
  .chain((list) =>
    fc
      .array(fc.boolean(), { minLength: list.length, maxLength: list.length })
      .map((holes) =>
        list.flatMap((one, i): (Member | undefined)[] => (holes[i] ? [undefined, one] : [one])),
      ),
  );

describe("a list kept by position", () => {
  it("any reference means what it meant; all that came in is there once; what is gone is marked", () => {
    fc.assert(
      fc.property(present, incoming, (list, others) => {
        const merged = mergeList(list, others);
        for (const [i, one] of list.entries()) if (one) expect(merged.list[i]?.key).toBe(one.key);
        const keys = merged.list.flatMap((one) => (one ? [one.key] : []));
        expect(new Set(keys).size).toBe(keys.length);
        const wanted = new Map<string, string>(others.map((one) => [one.key, one.name]));
        for (const [key, name] of wanted)
          expect(merged.list.filter((one) => one?.key === key && one.name === name)).toHaveLength(1);
        expect(merged.gone.map((position) => merged.list[position - 1]?.key)).toEqual(
          list.flatMap((one) => (one && !wanted.has(one.key) ? [one.key] : [])),
        );
        for (const position of merged.added) expect(list[position - 1]).toBeUndefined();
        expect(merged.added).toHaveLength(
          [...wanted.keys()].filter((key) => !list.some((one) => one?.key === key)).length,
        );
        // Merged once more nothing moves.
        expect(mergeList(merged.list, others)).toMatchObject({ list: merged.list, added: [], renamed: [] });
      }),
    );
  });

  it("says what laying the other list over it would have broken", () => {
    const merged = mergeList(
      [{ key: "9", name: "all" }, { key: "8", name: "sluices" }, undefined],
      [
        { key: "7", name: "bats" },
        { key: "9", name: "everybody" },
      ],
    );
    expect(merged.list).toEqual([
      { key: "9", name: "everybody" },
      { key: "8", name: "sluices" },
      { key: "7", name: "bats" },
    ]);
    expect(merged).toMatchObject({ gone: [2], added: [3], renamed: [1] });
    expect(merged.broken).toEqual([
      { position: 1, meant: "all", would: "bats" },
      { position: 2, meant: "sluices", would: "everybody" },
    ]);
  });
});

describe("where a row goes", () => {
  it("is the first free run that is long enough, by trying each; never over anything", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 20 })),
        fc.integer({ min: -1, max: 6 }),
        fc.integer({ min: -1, max: 20 }),
        (taken, count, at) => {
          const occupied = new Set(taken);
          let first: number | undefined;
          for (let from = at; count > 0 && at > 0 && first === undefined && from + count - 1 <= 20; from++) {
            const row = Array.from({ length: count }, (_, i) => from + i);
            if (row.every((position) => !occupied.has(position))) first = from;
          }
          const found = importInto(occupied, count, at, 20);
          expect(found?.positions[0]).toBe(first);
          if (!found) return;
          expect(found.shifted).toBe(first !== at);
          expect(found.positions).toEqual(Array.from({ length: count }, (_, i) => (first ?? 0) + i));
        },
      ),
    );
  });
});
