// Lists as people type them, with names that hold the very mark that parts them; and days counted against the platform's.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { addDays, dateInZone, dateOf, daysBetween, earlierOf, isPlainDate, laterOf, plain } from "./date.ts";
import { groupBy } from "./group.ts";
import { onceEach, typedList, typedNames } from "./list.ts";
import { mustFind, mustGet } from "./must.ts";
import { cases } from "./testing.ts";

describe("typed lists", () => {
  it("leave out blanks and empty parts", () => {
    expect(typedList(" a, b,, c ,")).toEqual(["a", "b", "c"]);
    expect(typedList("a\n\n b\r\nc", /\r?\n/)).toEqual(["a", "b", "c"]);
    expect(typedList(undefined)).toEqual([]);
    expect(onceEach(["main", "dsp", "Main", "DSP", "panel"])).toEqual(["main", "dsp", "panel"]);
  });

  const known = ["USB-A", "serial, nine pins", "round, four contacts", "round"];
  const isKnown = (name: string) => known.includes(name);
  test.each([
    ["USB-A, serial, nine pins", ["USB-A", "serial, nine pins"]],
    ["serial, nine pins, USB-A", ["serial, nine pins", "USB-A"]],
    [
      "round, four contacts, round; round , four contacts",
      ["round, four contacts", "round", "round, four contacts"],
    ],
    ["serial, ten pins", ["serial", "ten pins"]],
    ["", []],
  ])("“%s”", (text, names) => {
    expect(typedNames(text, isKnown)).toEqual(names);
  });

  it("of known names come back whole, whichever mark parts them", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...known.slice(0, 3))),
        fc.constantFrom(",", ";", " ; "),
        (names, mark) => {
          expect(typedNames(names.join(mark), isKnown)).toEqual(names);
        },
      ),
    );
  });
});

describe("groups", () => {
  it("keep every value, in order, under its key", () => {
    fc.assert(
      fc.property(fc.array(fc.nat(99)), (numbers) => {
        const groups = groupBy(numbers, (n) => n % 7);
        for (const [key, group] of groups) expect(group).toEqual(numbers.filter((n) => n % 7 === key));
        expect([...groups.values()].flat()).toHaveLength(numbers.length);
        expect([...groups.keys()]).toEqual([...new Set(numbers.map((n) => n % 7))]);
      }),
    );
  });
});

describe("calendar dates", () => {
  const date = fc
    .date({
      min: new Date("0001-01-02T00:00:00Z"),
      max: new Date("9000-12-31T00:00:00Z"),
      noInvalidDate: true,
    })
    .map((d) => plain(d.toISOString().slice(0, 10)));

  it("count days as the platform's own calendar does", () => {
    fc.assert(
      fc.property(date, fc.integer({ min: -3000, max: 3000 }), (from, days) => {
        const later = new Date(`${from}T00:00:00Z`);
        later.setUTCDate(later.getUTCDate() + days);
        fc.pre(later.getUTCFullYear() >= 1);
        expect(addDays(from, days)).toBe(later.toISOString().slice(0, 10));
        expect(daysBetween(from, addDays(from, days))).toBe(days);
      }),
      { numRuns: cases(1000) },
    );
  });

  it("are real exactly when the platform keeps them as they are", () => {
    const part = (low: number, high: number) => fc.integer({ min: low, max: high });
    fc.assert(
      fc.property(part(1, 2400), part(0, 13), part(0, 32), (year, month, day) => {
        const kept = new Date(Date.UTC(2000, 0, 1));
        kept.setUTCFullYear(year, month - 1, day);
        const real = kept.getUTCMonth() === month - 1 && kept.getUTCDate() === day && month >= 1;
        expect(dateOf(year, month, day) !== undefined).toBe(real);
      }),
      { numRuns: cases(2000) },
    );
  });

  it("sort as they read", () => {
    fc.assert(
      fc.property(date, date, (a, b) => {
        expect(Math.sign(daysBetween(a, b))).toBe(a < b ? 1 : a > b ? -1 : 0);
        expect([earlierOf(a, b), laterOf(a, b)]).toEqual(a <= b ? [a, b] : [b, a]);
      }),
    );
  });

  test.each(["2026-02-29", "2026-13-01", "2026-1-1", "0000-01-01", "2026-01-01 ", "26-01-01", ""])(
    "“%s” is none",
    (text) => {
      expect(isPlainDate(text)).toBe(false);
      expect(() => plain(text)).toThrow(RangeError);
    },
  );

  it("of an instant are those of the club's own clock", () => {
    const late = new Date("2026-12-31T23:30:00Z");
    expect(dateInZone(late, "Europe/Berlin")).toBe("2027-01-01");
    expect(dateInZone(late, "America/New_York")).toBe("2026-12-31");
    expect(dateInZone(late, "UTC")).toBe("2026-12-31");
  });
});

test("each name comes once, as it is written first and where it stands first", () => {
  expect(onceEach(["main", "DSP", "Main", "dsp", "panel"])).toEqual(["main", "DSP", "panel"]);
  expect(onceEach(["ab", "ba", "ab c"], (name) => [...name].sort().join(""))).toEqual(["ab", "ab c"]);
});

it("what must be there: answers what is there, the empty word too, and throws where nothing is", () => {
  expect(mustGet(new Map([["a", ""]]), "a")).toBe("");
  expect(() => mustGet(new Map([["a", ""]]), "b")).toThrow("nothing is known by b");
  expect(mustFind([{ id: "1" }, { id: "2" }], "2")).toEqual({ id: "2" });
  expect(() => mustFind([{ id: "1" }], "3")).toThrow("nothing has the id 3");
});
