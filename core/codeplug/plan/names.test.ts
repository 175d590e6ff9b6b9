// Short names: within the signs there are, never two alike, and no more changed than has to be.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { distinctNames, shortened } from "./names.ts";

describe("short names", () => {
  it("close up, lose small vowels from the end, then are cut", () => {
    expect(shortened("Sluice 1", 16)).toBe("Sluice 1");
    expect(shortened("  Sluice   1 ", 16)).toBe("Sluice 1");
    expect(shortened("Alder bend", 9)).toBe("Alderbend");
    expect(shortened("Alder bend", 8)).toBe("Alderbnd");
    expect(shortened("Alder bend", 7)).toBe("Aldrbnd");
    expect(shortened("Alder bend", 4)).toBe("Aldr");
    expect(shortened("Øresund", 3)).toBe("Ørs");
    expect(shortened("水門の橋", 2)).toBe("水門");
  });

  it("no two are alike, all are within the signs, and what fits and is alone stays as it is", () => {
    const name = fc.oneof(
      fc.constantFrom("Sluice 1", "Sluice 2", "sluice 1", "Slc1", "Calling", "Event", ""),
      fc.string({ unit: "grapheme", maxLength: 20 }),
    );
    fc.assert(
      fc.property(fc.array(name, { maxLength: 12 }), fc.integer({ min: 2, max: 10 }), (names, most) => {
        const short = distinctNames(names, most);
        const there = short.flatMap((one) => one ?? []);
        expect(short).toHaveLength(names.length);
        expect(new Set(there.map((one) => one.toLowerCase())).size).toBe(there.length);
        for (const one of there) {
          expect([...one].length).toBeLessThanOrEqual(most);
          expect(one).not.toBe("");
        }
        // Twelve names find twelve endings within two signs.
        expect(short.every((one) => one !== undefined)).toBe(true);
        for (const [i, one] of names.entries()) {
          const plain = one.normalize("NFC").trim().replace(/\s+/g, " ");
          const isAlone = names.every(
            (other, j) =>
              j === i ||
              other.normalize("NFC").trim().replace(/\s+/g, " ").toLowerCase() !== plain.toLowerCase(),
          );
          if (plain !== "" && [...plain].length <= most && isAlone) expect(short[i]).toBe(plain);
        }
        expect(distinctNames(names, most)).toEqual(short);
      }),
    );
  });

  it("is the first free number of all, tried one after the other", () => {
    /** Written apart: every number from 2 on, for each name anew. */
    const slowly = (names: readonly string[], most: number): (string | undefined)[] => {
      const key = (one: string) => one.toLowerCase();
      const plain = names.map((one) => one.normalize("NFC").trim().replace(/\s+/g, " "));
      const owner = (short: string) =>
        plain.findIndex((one) => [...one].length <= most && key(one) === key(short));
      const taken: string[] = [];
      return names.map((name, i) => {
        const short = shortened(name, most);
        const tries = [
          short,
          ...Array.from(
            { length: names.length },
            (_, n) => [...short].slice(0, most - String(n + 2).length).join("") + String(n + 2),
          ),
        ];
        const found = tries.find(
          (one, at) =>
            one !== "" &&
            [...one].length <= most &&
            !taken.includes(key(one)) &&
            (owner(one) < 0 || (at === 0 && owner(one) === i)),
        );
        if (found !== undefined) taken.push(key(found));
        return found;
      });
    };
    const name = fc.oneof(
      fc.constantFrom("Sluice", "Sluice 1", "Sluice 2", "Sluice2", "sluice", "Slc2", "A", "A2", ""),
      fc.string({ unit: fc.constantFrom("a", "b", "2", " "), maxLength: 6 }),
    );
    fc.assert(
      fc.property(fc.array(name, { maxLength: 30 }), fc.integer({ min: 1, max: 7 }), (names, most) => {
        expect(distinctNames(names, most)).toEqual(slowly(names, most));
      }),
      { numRuns: cases(500, 100_000) },
    );
  });

  it("thousands that are cut alike, or are one name, are told apart too", () => {
    const alike = distinctNames(
      Array.from({ length: 4000 }, (_, i) => `Causeway ${i}`),
      8,
    );
    expect(new Set(alike).size).toBe(4000);
    const one = distinctNames(
      Array.from({ length: 4000 }, () => "Calling"),
      8,
    );
    expect(one.slice(0, 3)).toEqual(["Calling", "Calling2", "Calling3"]);
    expect(new Set(one).size).toBe(4000);
  });

  it("where so few signs are left that they cannot be told apart, that is said", () => {
    expect(distinctNames(["Aa", "Ab", "Ac"], 1)).toEqual(["A", "2", "3"]);
    const many = Array.from({ length: 12 }, () => "A");
    expect(distinctNames(many, 1).filter((one) => one === undefined)).toHaveLength(3);
  });
});
