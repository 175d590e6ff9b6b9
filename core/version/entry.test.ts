// What is typed into the one field for readings: which part it names, what it says, and what it would mean.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { type Component, catalogueOf, type Release } from "../release/index.ts";
import { PLAIN_POLICY, previewReading } from "../unit/index.ts";
import { readEntry } from "./entry.ts";
import { LONGEST_READOUT } from "./version.ts";

const parts = [
  { id: "m", name: "main" },
  { id: "p", name: "panel" },
  { id: "d", name: "DSP" },
  { id: "d2", name: "DSP boot" },
];

describe("one field for every part", () => {
  test.each<[string, string, string]>([
    ["1.14", "m", "1.14"],
    ["main 1.14", "m", "1.14"],
    ["  Panel: 2.0 ", "p", "2.0"],
    ["dsp=3.1", "d", "3.1"],
    ["DSP boot 0.9", "d2", "0.9"],
    ["pan 2.0", "p", "2.0"],
    ["v1.14", "m", "v1.14"],
    // "ds" begins two names, so it names none.
    ["ds 3.1", "m", "ds 3.1"],
    // A single letter is rather part of a version.
    ["p 2.0", "m", "p 2.0"],
    ["mainland 1.0", "m", "mainland 1.0"],
    ["1.14 main", "m", "1.14 main"],
  ])("“%s” is of part %s: “%s”", (typed, component, raw) => {
    expect(readEntry(parts, typed)).toEqual({ ok: true, value: { component, raw } });
  });

  test.each<[string, string, string]>([
    ["FW:R03.01.07", "m", "R03.01.07"],
    ["fw: R03.01.07", "m", "R03.01.07"],
    ["R03.01.07", "m", "R03.01.07"],
    ["BT 1.4", "b", "1.4"],
    ["bluetooth BT 1.4", "b", "1.4"],
    ["main FW:R03.01.07", "m", "R03.01.07"],
    // A word that only begins alike is none of the screen's.
    ["FWD 2", "m", "FWD 2"],
    ["BTX 2", "m", "BTX 2"],
    // Nothing parts the letter from the version: it is the version's own.
    ["V2.2.0", "m", "V2.2.0"],
  ])("“%s” as a screen shows it is of part %s: “%s”", (typed, component, raw) => {
    const shown = [
      { id: "m", name: "main", shows: "FW:R03.01.06" },
      { id: "b", name: "bluetooth", shows: "BT 1.2" },
      { id: "v", name: "voice", shows: "V1.0" },
    ];
    expect(readEntry(shown, typed)).toEqual({ ok: true, value: { component, raw } });
  });

  it("nothing, a name alone, and ten thousand characters are answered", () => {
    expect(readEntry(parts, " \t")).toEqual({ ok: false, problem: { kind: "nothing-typed" } });
    expect(readEntry(parts, "panel: ")).toEqual({
      ok: false,
      problem: { kind: "no-version", component: "panel" },
    });
    expect(readEntry(parts, "9".repeat(10_000))).toEqual({
      ok: false,
      problem: { kind: "entry-too-long", length: 10_000, limit: LONGEST_READOUT },
    });
  });

  it("whatever is typed, it names a part that there is, or says why not", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 40 }), (typed) => {
        const read = readEntry(parts, typed);
        if (read.ok) {
          expect(parts.map((p) => p.id)).toContain(read.value.component);
          expect(typed).toContain(read.value.raw);
          expect(read.value.raw).not.toBe("");
        } else expect(read.problem.kind).toMatch(/nothing-typed|no-version/);
      }),
      { numRuns: cases(500) },
    );
  });
});

const release = (version: string, on: string): Release => ({
  id: `id of ${version}`,
  version,
  aliases: [],
  track: "factory",
  releasedOn: plain(on),
  fixes: [],
});
const component = (id: string, name: string, releases: Release[]): Component => ({
  id,
  name,
  numbering: { kind: "dotted" },
  suffixes: [],
  releases,
});
const catalogue = catalogueOf([
  component("m", "main", [release("1.10", "2026-01-01"), release("1.14", "2026-03-01")]),
  component("d", "DSP", [release("2.0", "2026-02-01")]),
]);
const unit = {
  id: "W-03",
  addedOn: plain("2025-01-01"),
  readings: [
    {
      id: "9",
      component: "m",
      raw: "1.14",
      source: "screen",
      at: "2026-05-01T10:00:00Z",
      on: plain("2026-05-01"),
    },
  ],
} as const;
const today = plain("2026-06-01");
const preview = (typed: string) => previewReading({ unit, catalogue, policy: PLAIN_POLICY, today }, typed);

describe("what a reading would mean", () => {
  it("is told of the part it names, as if it were read today, whatever was read before", () => {
    expect(preview("1.10")).toMatchObject({
      ok: true,
      value: { componentName: "main", raw: "1.10", standing: { standing: "behind", release: "id of 1.10" } },
    });
    expect(preview("dsp v2.0")).toMatchObject({
      ok: true,
      value: { component: "d", componentName: "DSP", standing: { standing: "current" } },
    });
    expect(preview("dsp 2.1")).toMatchObject({ ok: true, value: { standing: { standing: "ahead" } } });
  });

  it("what cannot be placed is no error, but unclear", () => {
    expect(preview("backwards")).toMatchObject({ ok: true, value: { standing: { standing: "unclear" } } });
    expect(preview("main")).toEqual({ ok: false, problem: { kind: "no-version", component: "main" } });
  });

  it("says the same as recording it and asking again would", () => {
    fc.assert(
      fc.property(fc.constantFrom("1.9", "1.10", "1.12", "1.14", "1.15", "x", "v 1.14", "1.14b"), (raw) => {
        const told = preview(raw);
        const recorded = {
          ...unit,
          readings: [{ ...unit.readings[0], id: "", raw, at: "9999-12-31T00:00:00Z", on: today }],
        };
        const after = previewReading({ unit: recorded, catalogue, policy: PLAIN_POLICY, today }, raw);
        expect(told).toEqual(after);
      }),
    );
  });
});
