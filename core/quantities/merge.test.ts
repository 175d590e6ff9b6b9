// One form in two hands: nobody's change is lost without being asked about, and what nobody touched stays.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { leavesAll, mergeTexts, mergeValues, type Values } from "./merge.ts";
import { cases } from "./testing.ts";

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

describe("plain values", () => {
  const text = fc.constantFrom("", "a", "b", "c\r\nd", "c\nd");
  const list = fc.array(fc.constantFrom("x", "y"), { maxLength: 2 });
  const values = fc.record(
    {
      name: text,
      tags: list,
      on: fc.boolean(),
      within: fc.record({ from: text, to: text }, { requiredKeys: [] }),
    },
    { requiredKeys: [] },
  );
  /** Every field that is no object, by its path, in a form that can be compared. */
  const leaves = (of: Values, at = ""): Map<string, string> => {
    const found = new Map<string, string>();
    for (const path of ["name", "tags", "on", "within.from", "within.to"]) {
      const [head = "", tail] = path.split(".");
      const whole = of[head];
      const value = tail === undefined ? whole : (whole as Values | undefined)?.[tail];
      const plain = Array.isArray(value)
        ? [...value].sort().join()
        : String(value ?? "").replaceAll("\r\n", "\n");
      found.set(at + path, plain);
    }
    return found;
  };

  test("each field is theirs if only they changed it, mine if only I did, and asked if both did otherwise", () => {
    fc.assert(
      fc.property(values, values, values, (baseline, own, now) => {
        const merged = mergeValues(baseline, own, now);
        const [b, o, n, m] = [baseline, own, now, merged.values].map((one) => leaves(one));
        for (const [path, stands] of n ?? []) {
          const [head = ""] = path.split(".");
          // What does not stand is mine alone.
          if (!(head in now)) {
            expect(m?.get(path)).toBe(o?.get(path));
            continue;
          }
          const clashes = merged.clashes.includes(path) || merged.clashes.includes(head);
          const [was, mine] = [b?.get(path), o?.get(path)];
          if (stands === was || stands === mine) {
            if (!clashes) expect(m?.get(path)).toBe(mine === was ? stands : mine);
          } else if (mine === was && !clashes) expect(m?.get(path)).toBe(stands);
          else if (mine !== was) expect(clashes).toBe(true);
        }
        // Nothing is asked that was not changed by both.
        for (const path of merged.clashes) {
          // An object that I have taken out whole while they changed it within is asked about whole.
          if (path === "within") continue;
          const own = path.includes(".")
            ? [path]
            : [...(n?.keys() ?? [])].filter((p) => p.split(".")[0] === path);
          expect(own.some((p) => n?.get(p) !== b?.get(p) && n?.get(p) !== o?.get(p))).toBe(true);
        }
      }),
      { numRuns: cases(500) },
    );
  });

  test("wanting what stands leaves all as it is, in whatever order a list of texts is", () => {
    fc.assert(fc.property(values, (now) => leavesAll({ ...now, id: "7" }, now)));
    expect(leavesAll({ tags: ["x", "y"] }, { tags: ["y", "x"] })).toBe(true);
    expect(leavesAll({ tags: ["x"] }, { tags: ["y", "x"] })).toBe(false);
    expect(leavesAll({ note: undefined }, { note: "" })).toBe(true);
    expect(leavesAll({}, { on: true })).toBe(false);
  });
});
