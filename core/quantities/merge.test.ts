// One form in two hands: nobody's change is lost without being asked about, and what nobody touched stays.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { changesNothing, mergeTexts } from "./merge.ts";

const NAMES = ["tag", "note", "place", "kept"];
const texts = fc.record(Object.fromEntries(NAMES.map((name) => [name, fc.constantFrom("", "a", "b", "c")])));

describe("brought together", () => {
  test("field by field, by the four cases there are", () => {
    fc.assert(
      fc.property(texts, texts, texts, (seen, typed, now) => {
        const { values, clashes } = mergeTexts(seen, typed, now);
        for (const name of NAMES) {
          const [s, t, n] = [seen[name], typed[name], now[name]];
          const mine = t !== s;
          const theirs = n !== s;
          const wanted = mine ? t : n;
          expect([name, values[name]]).toEqual([name, wanted]);
          expect([name, name in clashes]).toEqual([name, mine && theirs && t !== n]);
          if (name in clashes) expect(clashes[name]).toBe(n);
        }
      }),
    );
  });

  test("sent again after it was told, every change of mine goes in, and nothing of theirs that I left alone goes out", () => {
    fc.assert(
      fc.property(texts, texts, texts, (seen, typed, now) => {
        const first = mergeTexts(seen, typed, now);
        const second = mergeTexts(now, first.values, now);
        expect(second.clashes).toEqual({});
        for (const name of NAMES)
          expect(second.values[name]).toBe(typed[name] === seen[name] ? now[name] : typed[name]);
      }),
    );
  });

  test("two who save one after the other: who saves second loses nothing of the first unless both touched the same", () => {
    fc.assert(
      fc.property(texts, texts, texts, (drawn, one, two) => {
        const stands = mergeTexts(drawn, one, drawn).values;
        const { values, clashes } = mergeTexts(drawn, two, stands);
        for (const name of NAMES)
          if (one[name] !== drawn[name] && !(name in clashes)) expect(values[name]).toBe(one[name]);
      }),
    );
  });

  test("a field that was not sent is left alone; a mark that was taken off is none", () => {
    expect(mergeTexts({ id: "7" }, {}, { id: "8" })).toEqual({ values: {}, clashes: {} });
    expect(mergeTexts({ beta: "on" }, {}, { beta: "on" })).toEqual({ values: {}, clashes: {} });
    expect(mergeTexts({ beta: "" }, {}, { beta: "on" })).toEqual({
      values: { beta: "on" },
      clashes: {},
    });
    expect(mergeTexts({ beta: "on" }, {}, { beta: "" })).toEqual({ values: {}, clashes: {} });
    expect(mergeTexts({ beta: "on" }, { beta: "on" }, { beta: "" })).toEqual({
      values: { beta: "" },
      clashes: {},
    });
  });

  test("line ends are no change", () => {
    expect(mergeTexts({ note: "a\nb" }, { note: "a\r\nb" }, { note: "a\nb\nc" })).toEqual({
      values: { note: "a\nb\nc" },
      clashes: {},
    });
    expect(mergeTexts({ note: "a" }, { note: "a\r\nb" }, { note: "a\nb" }).clashes).toEqual({});
  });
});

test("what a form sends changes nothing if, and only if, all that stands would stand as it did", () => {
  expect(changesNothing({ note: "a\r\nb", intent: "save" }, { note: "a\nb", mark: "" })).toBe(true);
  expect(changesNothing({ note: "a" }, { note: "a", mark: "on" })).toBe(false);
  fc.assert(
    fc.property(texts, texts, (typed, now) => {
      expect(changesNothing(typed, now)).toBe(NAMES.every((name) => typed[name] === now[name]));
    }),
  );
});
