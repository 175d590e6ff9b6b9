// Versions: what can be read, how it is ordered, and that order is an order.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { cleanReadout } from "./clean.ts";
import { inferScheme } from "./infer.ts";
import { compareVersions, type Numbering, readVersion, type Scheme, versionReader } from "./version.ts";

const dotted: Scheme = { numbering: { kind: "dotted" } };
const decimal: Scheme = { numbering: { kind: "decimal" } };
const lettered: Scheme = { numbering: { kind: "lettered" } };
const dated = (pattern: "yyyymmdd" | "yymmdd" | "ddmmyyyy" | "ddmmyy"): Scheme => ({
  numbering: { kind: "dated", pattern },
});
const less = (scheme: Scheme, ...versions: string[]) => {
  for (let i = 1; i < versions.length; i++) {
    expect([
      versions[i - 1],
      versions[i],
      compareVersions(scheme, versions[i - 1] ?? "", versions[i] ?? ""),
    ]).toEqual([versions[i - 1], versions[i], -1]);
  }
};

describe("dotted", () => {
  test("numbers, letters and marks in their order", () => {
    less(
      dotted,
      "1.12-alpha",
      "1.12-beta",
      "1.12-beta2",
      "1.12 rc1",
      "1.12",
      "1.12a",
      "1.12b",
      "1.12.1",
      "2_0",
    );
    expect(compareVersions(dotted, "1.2", "1.2.0")).toBe(0);
    expect(compareVersions(dotted, "1.02", "1.2")).toBe(0);
  });
  test("a mark must be one of the three and be parted", () => {
    expect(readVersion(dotted, "1.12-b2").ok).toBe(false);
    expect(readVersion(dotted, "1.12beta2").ok).toBe(false);
    expect(readVersion(dotted, "1.12-beta2").ok).toBe(true);
  });
  test("numbers longer than any machine integer", () => {
    less(dotted, "1.99999999999999999998", "1.99999999999999999999", "1.100000000000000000000");
  });
});

test("decimal: 1.3 = 1.30 > 1.26", () => {
  expect(compareVersions(decimal, "1.3", "1.30")).toBe(0);
  less(decimal, "1.26", "1.3", "1.3a", "1.31", "10.0");
  expect(readVersion(decimal, "1.2.3").ok).toBe(false);
});

test("dated: real dates only, in each pattern, then the build", () => {
  less(dated("yyyymmdd"), "20240229", "20240301", "2024.03.01-1", "2024-03-01 2");
  expect(readVersion(dated("yyyymmdd"), "20230229").ok).toBe(false);
  less(dated("ddmmyy"), "311223", "010124");
  less(dated("yymmdd"), "231231", "240101");
  less(dated("ddmmyyyy"), "31/12/2023", "01/01/2024");
  expect(compareVersions(dated("ddmmyy"), "010124a", "010124-2")).toBeUndefined();
  less(dated("ddmmyyyy"), "010120241", "01-01-2024-2");
  expect(readVersion(dated("ddmmyy"), "31-01-2024").ok).toBe(false);
  expect(readVersion(dated("yymmdd"), "240131b").ok).toBe(true);
});

test("lettered: shorter letters first, then the alphabet, then numbers", () => {
  less(lettered, "B7", "B12", "B12.1", "C1", "AA1");
  less(lettered, "v2", "V B12".replace("V ", "W"));
});

test("listed: only the catalogue's own order", () => {
  const scheme: Scheme = {
    numbering: { kind: "listed" },
    catalogue: [
      { id: "1", version: "Moorhen" },
      { id: "2", version: "Kestrel", aliases: ["K2"] },
    ],
  };
  expect(compareVersions(scheme, "moorhen", "k2")).toBe(-1);
  expect(compareVersions(scheme, "moorhen", "Lapwing")).toBeUndefined();
});

describe("cleaning", () => {
  const rules = { suffixes: ["-eu", "(eu)"], keepsLetters: false };
  test.each([
    ["  V1.14 ", "1.14"],
    ["Firmware Ver. 1.14-EU", "1.14"],
    ["F/W: 1.14", "1.14"],
    ["rev.2", "2"],
    ["wren-3", "wren-3"],
    ["verdant", "verdant"],
    ["\u200f1.14\u200e", "1.14"],
    ["１．１４", "1.14"],
    ["version", "version"],
  ])("%j becomes %j", (raw, cleaned) => {
    expect(cleanReadout(raw, rules)).toBe(cleaned);
  });
  test("cleaning twice is cleaning once, for any text", () => {
    const piece = fc.constantFrom(
      "v",
      "ver",
      "firmware",
      "rev",
      ".",
      ":",
      " ",
      "1",
      "2.0",
      "-eu",
      "(EU)",
      "sw",
      "İ",
      "ﬁ",
      "\u200b",
      "\u0301",
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: "binary" }),
          fc.array(piece).map((p) => p.join("")),
        ),
        fc.boolean(),
        (raw, keepsLetters) => {
          const once = cleanReadout(raw, { ...rules, keepsLetters });
          expect(cleanReadout(once, { ...rules, keepsLetters })).toBe(once);
        },
      ),
    );
  });
});

test("readouts that are none are answered, whatever they are", () => {
  expect(readVersion(dotted, "")).toMatchObject({ problem: { kind: "empty" } });
  expect(readVersion(dotted, " \u200f ")).toMatchObject({ problem: { kind: "empty" } });
  expect(readVersion(dotted, "1".repeat(10_000))).toMatchObject({
    problem: { kind: "too-long", length: 10_000 },
  });
  expect(readVersion(dotted, "١٫٢")).toMatchObject({ problem: { kind: "other-digits" } });
  expect(readVersion(dotted, "hello")).toMatchObject({
    problem: { kind: "unreadable", numbering: "dotted" },
  });
  const twice: Scheme = {
    ...dotted,
    catalogue: [
      { id: "a", version: "1.0", aliases: ["gold"] },
      { id: "b", version: "1.1", aliases: ["Gold"] },
    ],
  };
  expect(readVersion(twice, "gold")).toMatchObject({ problem: { kind: "ambiguous", releases: ["a", "b"] } });
});

const number = fc.oneof(fc.nat(30).map(String), fc.constantFrom("0", "00", "007", "99999999999999999999"));
const shapes: [Numbering, fc.Arbitrary<string>][] = [
  [
    { kind: "dotted" },
    fc
      .tuple(
        fc.array(number, { minLength: 1, maxLength: 3 }),
        fc.constantFrom("", "a", "b"),
        fc.constantFrom("", "-alpha", ".beta2", " rc1", "_rc"),
      )
      .map(([n, letter, mark]) => n.join(".") + letter + mark),
  ],
  [
    { kind: "decimal" },
    fc.tuple(number, number, fc.constantFrom("", "a", "z")).map(([a, b, l]) => `${a}.${b}${l}`),
  ],
  [
    { kind: "lettered" },
    fc.tuple(fc.constantFrom("a", "b", "aa", "zb"), number, number).map(([l, a, b]) => `${l}${a}.${b}`),
  ],
  [
    { kind: "dated", pattern: "yyyymmdd" },
    fc
      .tuple(
        fc.integer({ min: 2020, max: 2022 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 28 }),
        fc.constantFrom("", "-1", ".2", "a", "b"),
      )
      .map(([y, m, d, build]) => `${y}0${m}${String(d).padStart(2, "0")}${build}`),
  ],
];
test.each(shapes)("order is an order: %j", (numbering, shape) => {
  fc.assert(
    fc.property(shape, shape, shape, (a, b, c) => {
      const scheme = { numbering };
      const ab = compareVersions(scheme, a, b);
      const ba = compareVersions(scheme, b, a);
      expect(compareVersions(scheme, a, a)).toBe(0);
      if (ab === undefined) expect(ba).toBeUndefined();
      else expect(ab + (ba ?? 9)).toBe(0);
      const bc = compareVersions(scheme, b, c);
      const ac = compareVersions(scheme, a, c);
      if (ab !== undefined && bc !== undefined && ab <= 0 && bc <= 0 && ac !== undefined) {
        expect(ac).toBe(ab === 0 && bc === 0 ? 0 : -1);
      }
      if (numbering.kind !== "dated") expect(ab).toBeDefined();
    }),
  );
});

describe("inferring the numbering", () => {
  const on = (...pairs: [string, string][]) =>
    pairs.map(([version, date]) => ({ version, releasedOn: plain(date) }));
  test("dates decide between dotted and decimal", () => {
    const asDecimal = inferScheme(
      on(["1.2", "2024-01-01"], ["1.25", "2024-06-01"], ["1.26", "2024-09-01"], ["1.3", "2025-01-01"]),
    );
    expect(asDecimal.best).toMatchObject({ numbering: { kind: "decimal" }, tau: 1 });
    expect(asDecimal.runnerUp.numbering.kind).toBe("dotted");
    expect(asDecimal.tied).toBe(false);
    const asDotted = inferScheme(on(["1.8", "2024-01-01"], ["1.9", "2024-06-01"], ["1.10", "2025-01-01"]));
    expect(asDotted.best).toMatchObject({ numbering: { kind: "dotted" }, tau: 1 });
  });
  test("where both fit alike, it says so", () => {
    const both = inferScheme(on(["1.10", "2024-01-01"], ["1.12", "2024-06-01"], ["1.20", "2025-01-01"]));
    expect(both).toMatchObject({ tied: true, best: { tau: 1 }, runnerUp: { tau: 1 } });
  });
  test("unreadable versions count against", () => {
    const mixed = inferScheme(on(["B1", "2024-01-01"], ["B2", "2024-06-01"], ["2.0", "2025-01-01"]));
    expect(mixed.best.numbering.kind).toBe("lettered");
    expect(mixed.best.tau).toBeCloseTo(1 / 3);
    expect(mixed.best.unreadable).toBe(1);
  });
});

test("of several endings the longest is taken off, in whatever order they are written down", () => {
  for (const suffixes of [
    ["-eu", "-mk2-eu"],
    ["-mk2-eu", "-eu"],
  ])
    expect(versionReader({ numbering: { kind: "dotted" }, suffixes }).clean("V1.14-MK2-EU")).toBe("1.14");
  expect(versionReader({ numbering: { kind: "dotted" }, suffixes: ["u", "-eu"] }).clean("1.14-eu")).toBe(
    "1.14",
  );
});

test("a label is parted by white space of any kind", () => {
  const reader = versionReader({ numbering: { kind: "dotted" } });
  for (const text of ["FW\t1.14", "Ver.\u00a01.14", "version\n:\t 1.14", "F/W \u2003 1.14 "])
    expect([text, reader.clean(text)]).toEqual([text, "1.14"]);
});
