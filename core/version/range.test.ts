// Ranges as people write them: read, written back the same, and holding just the versions that they should.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { cases } from "../quantities/testing.ts";
import { boundsOf, liesIn, parseRange, type Range, rangeText, type Stretch } from "./range.ts";
import { versionReader } from "./version.ts";

const reader = versionReader({ numbering: { kind: "dotted" } });
const rangeOf = (text: string): Range => {
  const read = parseRange(text);
  if (!read.ok) throw new Error(`no range: ${read.problem.part}`);
  return read.value;
};
const holds = (range: Range, version: string): boolean => {
  const read = reader.read(version);
  if (!read.ok) throw new Error(`no version: ${version}`);
  return liesIn(range, read.value, reader);
};

// Whole numbers stand for versions, so that the oracle can compare them without our code.
const bound = fc.integer({ min: 0, max: 9 });
const stretch = fc.oneof(
  fc.record({ atLeast: bound }),
  fc.record({ above: bound }),
  fc.record({ atMost: bound }),
  fc.record({ below: bound }),
  fc.record({ atLeast: bound, atMost: bound }),
  fc.record({ atLeast: bound, below: bound }),
  fc.record({ above: bound, atMost: bound }),
  fc.record({ above: bound, below: bound }),
);
type Plain = { atLeast?: number; above?: number; atMost?: number; below?: number };
const inPlain = (n: number, s: Plain) =>
  n >= (s.atLeast ?? 0) && n > (s.above ?? -1) && n <= (s.atMost ?? 99) && n < (s.below ?? 99);
const texts = (s: Plain): Stretch => Object.fromEntries(Object.entries(s).map(([k, v]) => [k, String(v)]));

describe("a range", () => {
  it("holds what counting says that it holds", () => {
    fc.assert(
      fc.property(fc.array(stretch, { minLength: 1, maxLength: 3 }), (stretches: Plain[]) => {
        const range = stretches.map(texts);
        for (let n = 0; n <= 9; n++) {
          expect(holds(range, String(n))).toBe(stretches.some((s) => inPlain(n, s)));
        }
      }),
      { numRuns: cases(400) },
    );
  });

  it("written out and read back is the same range", () => {
    fc.assert(
      fc.property(fc.array(stretch, { minLength: 1, maxLength: 4 }), (stretches: Plain[]) => {
        const range = stretches.map(texts);
        expect(rangeOf(rangeText(range))).toEqual(range);
      }),
      { numRuns: cases(400) },
    );
  });

  it("never breaks on any text, and what it reads can be written and read again", () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.stringMatching(/^[<>=0-9a-z.,+ ]{0,30}$/),
          fc
            .array(
              fc.constantFrom(
                "1",
                "2.0",
                "or",
                "and",
                "to",
                "newer",
                "older",
                "up",
                "from",
                "before",
                "at",
                "least",
                "-",
                ",",
                ">=",
                "=",
                "+",
              ),
              { maxLength: 9 },
            )
            .map((words) => words.join(" ")),
        ),
        (text) => {
          const read = parseRange(text);
          if (read.ok) expect(parseRange(rangeText(read.value))).toEqual(read);
          else expect(read.problem.kind).toBe("range-unreadable");
        },
      ),
      { numRuns: cases(800) },
    );
  });

  test.each<[string, Range]>([
    [">= 1.06", [{ atLeast: "1.06" }]],
    [">=1.06,<1.14", [{ atLeast: "1.06", below: "1.14" }]],
    ["> 1.06 and <= 1.14", [{ above: "1.06", atMost: "1.14" }]],
    ["1.06 to 1.12", [{ atLeast: "1.06", atMost: "1.12" }]],
    ["1.06", [{ atLeast: "1.06", atMost: "1.06" }]],
    ["= 2.0 or < 1.4", [{ atLeast: "2.0", atMost: "2.0" }, { below: "1.4" }]],
    ["1.12 rc1 to 1.12", [{ atLeast: "1.12 rc1", atMost: "1.12" }]],
    ["10 or newer", [{ atLeast: "10" }]],
    ["1.06 rc1 or later", [{ atLeast: "1.06 rc1" }]],
    ["7 and older", [{ atMost: "7" }]],
    ["7 or older or 10 or newer", [{ atMost: "7" }, { atLeast: "10" }]],
    ["1.4+", [{ atLeast: "1.4" }]],
    ["1.4 onwards", [{ atLeast: "1.4" }]],
    ["from 1.4", [{ atLeast: "1.4" }]],
    ["from 1.06 to 1.12", [{ atLeast: "1.06", atMost: "1.12" }]],
    ["1.06 – 1.12", [{ atLeast: "1.06", atMost: "1.12" }]],
    ["1.06 - 1.12", [{ atLeast: "1.06", atMost: "1.12" }]],
    ["up to 3.3", [{ atMost: "3.3" }]],
    ["at least 2.0 and before 3.4", [{ atLeast: "2.0", below: "3.4" }]],
    ["newer than 2", [{ above: "2" }]],
    ["≥ 2, ≤ 3", [{ atLeast: "2", atMost: "3" }]],
    ["1.13-rc1", [{ atLeast: "1.13-rc1", atMost: "1.13-rc1" }]],
    ["reedling-3 or newer", [{ atLeast: "reedling-3" }]],
  ])("%s", (text, expected) => {
    expect(rangeOf(text)).toEqual(expected);
  });

  test.each([
    ["", ""],
    [">=", ">="],
    [">= 1, >= 2", ">= 2"],
    ["= 1 to 2, 3", "3"],
    ["=> 1.0", "=> 1.0"],
    ["1.0 or", "1.0 or"],
    ["1 or >", ">"],
  ])("“%s” is none, and the part that is none is named", (text, part) => {
    expect(parseRange(text)).toEqual({ ok: false, problem: { kind: "range-unreadable", part } });
  });

  it("what cannot be ordered against a bound does not lie in it", () => {
    const lettered = versionReader({ numbering: { kind: "lettered" } });
    const read = lettered.read("A9");
    expect(read.ok && liesIn(rangeOf(">= B1"), read.value, lettered)).toBe(false);
    expect(read.ok && liesIn(rangeOf("<= B1"), read.value, lettered)).toBe(true);
    expect(read.ok && liesIn(rangeOf(">= tuesday"), read.value, lettered)).toBe(false);
  });

  it("names its bounds as they were written", () => {
    expect(boundsOf(rangeOf("v1.06 to 1.12 or > 2.0"))).toEqual(["v1.06", "1.12", "2.0"]);
  });
});

test("a range full of blanks is read as quickly as any, and one too long is none", { timeout: 2000 }, () => {
  const blanks = " ".repeat(2000);
  expect(parseRange(`>=${blanks}1.06${blanks}and${blanks}<${blanks}2`)).toEqual(
    parseRange(">= 1.06 and < 2"),
  );
  expect(parseRange(`1.06${blanks}or${blanks}1.08${blanks}x`)).toMatchObject({ ok: true });
  expect(parseRange(`1${" ".repeat(30_000)}2`)).toMatchObject({ ok: false });
});
