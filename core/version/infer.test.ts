// The numbering that a list of releases speaks for: the rank correlation by counting pairs, and what decides ties.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { type DatedVersion, inferScheme } from "./infer.ts";
import { compareVersions } from "./version.ts";

const first = plain("2024-01-01");
const dated = (...versions: string[]): DatedVersion[] =>
  versions.map((version, i) => ({ version, releasedOn: addDays(first, i * 10) }));

/** Kendall's tau by its definition, for versions of two whole numbers under "number by number". */
function tauByCounting(list: readonly { a: number; b: number; day: number }[]): number {
  let sum = 0;
  let pairs = 0;
  for (let i = 0; i < list.length; i++) {
    for (let j = 0; j < list.length; j++) {
      const [one, other] = [list[i], list[j]];
      if (!one || !other || one.day >= other.day) continue;
      pairs++;
      sum += Math.sign(other.a * 1000 + other.b - (one.a * 1000 + one.b));
    }
  }
  return pairs === 0 ? 0 : sum / pairs;
}

describe("the numbering of a list of releases", () => {
  it("number by number fits as well as counting pairs says", () => {
    const one = fc.record({
      a: fc.integer({ min: 0, max: 3 }),
      b: fc.integer({ min: 0, max: 30 }),
      day: fc.integer({ min: 0, max: 6 }),
    });
    fc.assert(
      fc.property(fc.array(one, { minLength: 2, maxLength: 8 }), (list) => {
        const told = inferScheme(
          list.map(({ a, b, day }) => ({ version: `${a}.${b}.0`, releasedOn: addDays(first, day) })),
        );
        // No other numbering reads three numbers that end in 0: each of them comes to 0.
        const tau = tauByCounting(list);
        expect(told.best.tau).toBeCloseTo(Math.max(tau, 0), 10);
        if (tau > 0) expect(told.best.numbering).toEqual({ kind: "dotted" });
      }),
      { numRuns: cases(300) },
    );
  });

  it("does not depend on the order in which the releases are told", () => {
    const versions = dated("1.2", "1.3", "1.26", "1.4", "1.30");
    fc.assert(
      fc.property(fc.shuffledSubarray(versions, { minLength: 5, maxLength: 5 }), (shuffled) => {
        expect(inferScheme(shuffled)).toEqual(inferScheme(versions));
      }),
    );
  });

  test.each<[string, string[], object]>([
    ["numbers that count on", ["1.8", "1.9", "1.10", "1.11"], { kind: "dotted" }],
    ["fractions that grow", ["1.25", "1.26", "1.3", "1.35", "1.4"], { kind: "decimal" }],
    ["days, day first", ["31-01-2024", "05-06-2024", "01-12-2024"], { kind: "dated", pattern: "ddmmyyyy" }],
    ["letters and numbers", ["A8", "A9", "A10", "B1"], { kind: "lettered" }],
  ])("%s", (_, versions, numbering) => {
    const { best, tied } = inferScheme(dated(...versions));
    expect(best).toMatchObject({ numbering, tau: 1, unreadable: 0 });
    expect(tied).toBe(false);
  });

  it("is tied where two fit equally well, and then number by number comes first", () => {
    const { best, runnerUp, tied } = inferScheme(dated("1.2", "1.3", "1.4"));
    expect([best.numbering.kind, runnerUp.numbering.kind, tied]).toEqual(["dotted", "decimal", true]);
  });

  it("days that begin with the year also count on as plain numbers; both are told", () => {
    const { best, runnerUp, tied } = inferScheme(dated("20240131", "20240605", "20241201"));
    expect([best.numbering, runnerUp.numbering]).toEqual([
      { kind: "dotted" },
      { kind: "dated", pattern: "yyyymmdd" },
    ]);
    expect([best.tau, runnerUp.tau, tied]).toEqual([1, 1, true]);
  });

  it("a version that cannot be read counts against", () => {
    const { best } = inferScheme(dated("A1", "A2", "2.0", "A3"));
    // Of six pairs three hold the stranger; the other three are in order.
    expect(best).toMatchObject({ numbering: { kind: "lettered" }, tau: 0.5, unreadable: 1 });
  });

  it("without two dates there is nothing to go by", () => {
    const same = dated("1.9", "1.10").map((r) => ({ ...r, releasedOn: first }));
    expect(inferScheme(same)).toMatchObject({ pairs: 0, best: { tau: 0 } });
    expect(inferScheme([]).pairs).toBe(0);
  });

  it("the model's own endings do not stand in the way", () => {
    const { best } = inferScheme(dated("1.9EU", "1.10EU", "1.11EU"), ["EU"]);
    expect(best).toMatchObject({ numbering: { kind: "dotted" }, tau: 1 });
  });
});

test("the agreement of any numbering is what asking every pair says, builds by number and letter of one day among them", () => {
  const version = fc.oneof(
    fc
      .constantFrom("2024-01-0", "2024-02-0")
      .chain((day) =>
        fc
          .tuple(fc.constantFrom("1", "2"), fc.constantFrom("", ".1", ".2", ".10", "a", "b"))
          .map(([d, build]) => day + d + build),
      ),
    fc.constantFrom("1.2", "1.10", "1.3", "A1", "A2", "?"),
  );
  const list = fc.array(fc.record({ version, day: fc.nat(5) }), { minLength: 2, maxLength: 12 });
  fc.assert(
    fc.property(list, (told) => {
      const releases = told.map(({ version, day }) => ({ version, releasedOn: addDays(first, day) }));
      for (const { numbering, tau } of [inferScheme(releases).best, inferScheme(releases).runnerUp]) {
        let sum = 0;
        let pairs = 0;
        for (const a of releases)
          for (const b of releases)
            if (a.releasedOn < b.releasedOn) {
              pairs++;
              sum += compareVersions({ numbering }, b.version, a.version) ?? 0;
            }
        expect([numbering, tau]).toEqual([numbering, pairs === 0 ? 0 : sum / pairs]);
      }
    }),
    { numRuns: cases(1500) },
  );
});

test("eight thousand releases are read", () => {
  const many = Array.from({ length: 8000 }, (_, i) => ({
    version: `1.${i}`,
    releasedOn: addDays(first, i % 4000),
  }));
  const told = inferScheme(many);
  expect(told.best.numbering).toEqual({ kind: "dotted" });
  expect(told.pairs).toBe((8000 * 7999) / 2 - 4000);
});
