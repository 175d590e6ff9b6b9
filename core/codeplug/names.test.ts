// Short names: within the signs there are, never two alike, and no more changed than has to be.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
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

  it("where so few signs are left that they cannot be told apart, that is said", () => {
    expect(distinctNames(["Aa", "Ab", "Ac"], 1)).toEqual(["A", "2", "3"]);
    const many = Array.from({ length: 12 }, () => "A");
    expect(distinctNames(many, 1).filter((one) => one === undefined)).toHaveLength(3);
  });
});
