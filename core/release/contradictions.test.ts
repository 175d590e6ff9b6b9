// Conditions that contradict each other are found, each where it stands; sound ones are left alone.
import fc from "fast-check";
import { expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { liesIn, parseRange, type Range, rangeText, versionReader } from "../version/index.ts";
import { catalogueOf } from "./catalogue.ts";
import type { Conditions } from "./conditions.ts";
import { conditionsShape } from "./conditions-shape.ts";
import { contradictionsOf } from "./contradictions.ts";
import type { Release } from "./release.ts";

const range = (text: string): Range => {
  const read = parseRange(text);
  if (!read.ok) throw new Error(text);
  return read.value;
};

const release = (id: string, version: string, conditions: Partial<Conditions> = {}): Release => ({
  id,
  version,
  aliases: [],
  track: "factory",
  releasedOn: plain("2026-01-01"),
  fixes: [],
  conditions: conditionsShape.parse(conditions),
});

function troubles(own: Partial<Conditions>, dsp: Partial<Conditions> = {}, version = "1.5") {
  const part = (name: string, releases: Release[]) => ({
    id: name,
    name,
    numbering: { kind: "dotted" as const },
    suffixes: [],
    releases,
  });
  const catalogue = catalogueOf([
    part("main", [release("m1", "1.0"), release("own", version, own), release("m9", "1.9")]),
    part("dsp", [release("d1", "1.0"), release("d2", "2.0", dsp)]),
  ]);
  return contradictionsOf(catalogue, "main", "own").map((c) => `${c.field} ${c.kind}`);
}

test("each contradiction is found at its field", () => {
  expect(troubles({})).toEqual([]);
  expect(
    troubles({ from: range(">= 1.0"), requires: [{ component: "dsp", range: range(">= 2.0") }] }),
  ).toEqual([]);
  expect(troubles({}, {}, "1.9.0")).toEqual(["version two-of-one-version"]);
  expect(troubles({ from: range(">= what") })).toEqual(["from bound-unreadable"]);
  expect(troubles({ from: range(">= 1.4, < 1.2") })).toEqual(["from empty-range"]);
  expect(troubles({ from: range("> 1.2, < 1.2") })).toEqual(["from empty-range"]);
  expect(troubles({ from: range("1.1 to 1.3") })).toEqual(["from no-release-in-range"]);
  expect(troubles({ from: range(">= 1.9") })).toEqual(["from older-than-from"]);
  expect(troubles({ requires: [{ component: "panel", range: range(">= 1") }] })).toEqual([
    "requires unknown-component",
  ]);
  expect(troubles({ requires: [{ component: "main", range: range(">= 1") }] })).toContain(
    "requires requires-itself",
  );
  expect(troubles({ requires: [{ component: "dsp", range: range(">= 3") }] })).toEqual([
    "requires no-release-in-range",
  ]);
  expect(
    troubles(
      { requires: [{ component: "dsp", range: range("= 2.0") }] },
      { requires: [{ component: "main", range: range("= 1.5") }] },
    ),
  ).toEqual(["requires circle"]);
  expect(
    troubles(
      { requires: [{ component: "dsp", range: range("= 2.0") }] },
      { requires: [{ component: "main", range: range(">= 1.5") }] },
    ),
  ).toEqual([]);
  expect(troubles({ rollbackFloor: "1.6" })).toEqual(["rollbackFloor floor-above-itself"]);
  expect(troubles({ rollbackFloor: "x" })).toEqual(["rollbackFloor bound-unreadable"]);
});

const number = fc.integer({ min: 0, max: 9 });
const version = fc.tuple(number, number).map(([a, b]) => `${a}.${b}`);

test("a range as text reads back as the same range", () => {
  const stretch = fc
    .record({ atLeast: version, above: version, atMost: version, below: version }, { requiredKeys: [] })
    .filter((s) => Object.keys(s).length > 0)
    // "= 1.2" and "1.2 to 1.3" leave no room for more comparisons, as nobody writes them.
    .map((s) =>
      s.atLeast !== undefined && s.atMost !== undefined ? { atLeast: s.atLeast, atMost: s.atMost } : s,
    );
  fc.assert(
    fc.property(fc.array(stretch, { minLength: 1, maxLength: 3 }), (written) => {
      expect(parseRange(rangeText(written))).toEqual({ ok: true, value: written });
    }),
  );
});

test("a version lies in a range as arithmetic says", () => {
  const reader = versionReader({ numbering: { kind: "dotted" } });
  const value = (text: string) => Number(text.split(".")[0]) * 10 + Number(text.split(".")[1]);
  fc.assert(
    fc.property(version, version, version, (low, high, at) => {
      const read = reader.read(at);
      if (!read.ok) throw new Error(at);
      const [l, h, v] = [value(low), value(high), value(at)];
      expect(liesIn(range(`${low} to ${high}`), read.value, reader)).toBe(l <= v && v <= h);
      expect(liesIn(range(`> ${low}, < ${high}`), read.value, reader)).toBe(l < v && v < h);
      expect(liesIn(range(`< ${low} or >= ${high}`), read.value, reader)).toBe(v < l || v >= h);
    }),
  );
});

test("what is no range is answered with the part that is none", () => {
  for (const text of ["", ">=", ">= 1 >= 2", "1.0, >=", ">= 1, >= 2", "> 1, > 2", "<> 1"]) {
    expect(parseRange(text), text).toMatchObject({ ok: false, problem: { kind: "range-unreadable" } });
  }
});
