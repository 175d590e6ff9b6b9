// Tones: what is written reads back as the same, in the ways in which it is written.
import fc from "fast-check";
import { expect, it, test } from "vitest";
import { CTCSS, DCS, isCommon, readTone, toneText } from "./tone.ts";

it("there are fifty and a hundred and four, each once, in order", () => {
  expect(CTCSS).toHaveLength(50);
  expect(DCS).toHaveLength(104);
  for (const list of [CTCSS, DCS.map((code) => Number.parseInt(code, 8))])
    expect([...list]).toEqual([...new Set(list)].sort((a, b) => a - b));
});

it("whichever tone is written reads back as the same", () => {
  const tone = fc.oneof(
    fc.integer({ min: 600, max: 2600 }).map((tenths) => ({ kind: "ctcss" as const, tenths })),
    fc.record({
      kind: fc.constant("dcs" as const),
      code: fc.stringMatching(/^[0-7]{3}$/),
      inverted: fc.boolean(),
    }),
  );
  fc.assert(
    fc.property(tone, (one) => {
      expect(readTone(toneText(one))).toEqual(one);
      expect(isCommon(one)).toBe(one.kind === "ctcss" ? CTCSS.includes(one.tenths) : DCS.includes(one.code));
    }),
  );
  expect(toneText(undefined)).toBe("");
});

test.each([
  ["88.5", { kind: "ctcss", tenths: 885 }],
  ["88,5 Hz", { kind: "ctcss", tenths: 885 }],
  ["CTCSS 100", { kind: "ctcss", tenths: 1000 }],
  ["100", { kind: "ctcss", tenths: 1000 }],
  ["123", { kind: "ctcss", tenths: 1230 }],
  ["023", { kind: "dcs", code: "023", inverted: false }],
  ["D023N", { kind: "dcs", code: "023", inverted: false }],
  ["dcs 754 i", { kind: "dcs", code: "754", inverted: true }],
  ["-025", { kind: "dcs", code: "025", inverted: true }],
  ["D100", { kind: "dcs", code: "100", inverted: false }],
  ["", "none"],
  ["Off", "none"],
  ["0.0", "none"],
  ["--", "none"],
  ["5000 Hz", undefined],
  ["5 kHz", undefined],
  ["D089", undefined],
  ["30.0", undefined],
  ["a picture", undefined],
])("%j is read as %j", (cell, tone) => {
  expect(readTone(cell)).toEqual(tone);
});

it("any text is read as something or nothing, and none of it breaks anything", () => {
  fc.assert(
    fc.property(fc.string({ unit: "binary", maxLength: 40 }), (text) => {
      const tone = readTone(text);
      if (tone !== undefined && tone !== "none") expect(readTone(toneText(tone))).toEqual(tone);
    }),
  );
});
