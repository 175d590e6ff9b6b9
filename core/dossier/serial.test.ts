import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { overlapOf, parseSerials, revisionsOfSerial, serialLiesIn, serialsText } from "./serial.ts";

const read = (text: string) => {
  const ranges = parseSerials(text);
  if (!ranges.ok) throw new Error(ranges.problem.kind);
  return ranges.value;
};

describe("ranges of serial numbers", () => {
  it("are read from what a leaflet says, and written back", () => {
    const text = "LF-0400 to LF-0999, LF-2000 and up, LF-0007";
    expect(serialsText(read(text))).toBe(text);
  });

  it("count by the number, whatever marks and letter case surround it", () => {
    const [range] = read("LF-0400 to LF-0999");
    if (!range) throw new Error("no range");
    expect(serialLiesIn("lf 0400", range)).toBe(true);
    expect(serialLiesIn("LF999", range)).toBe(true);
    expect(serialLiesIn("LF-1000", range)).toBe(false);
    expect(serialLiesIn("FW2 950", read("FW2 1 to FW2 999")[0] ?? { from: "" })).toBe(true);
    expect(serialLiesIn("FW2950", read("FW2 1 to FW2 999")[0] ?? { from: "" })).toBe(false);
    expect(serialLiesIn("LG-0500", range)).toBe(false);
    expect(serialLiesIn("LF-0500A", range)).toBe(false);
    expect(serialLiesIn("", range)).toBe(false);
  });

  it("have no end that could be mistaken for another", () => {
    expect(parseSerials("first batch")).toMatchObject({ ok: false, problem: { kind: "no-number" } });
    expect(parseSerials("LF-1 to LG-9")).toMatchObject({ ok: false, problem: { kind: "ends-differ" } });
    expect(parseSerials("LF-9 to LF-1")).toMatchObject({ ok: false, problem: { kind: "backwards" } });
    expect(parseSerials(`LF-${"9".repeat(500)}`)).toMatchObject({
      ok: false,
      problem: { kind: "no-number" },
    });
    expect(read(" , ")).toEqual([]);
  });

  it("agree with counting the numbers one by one", () => {
    const end = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(fc.array(fc.tuple(end, end), { maxLength: 4 }), end, (pairs, serial) => {
        const ranges = pairs.map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const);
        const all = new Set(ranges.flatMap(([a, b]) => Array.from({ length: b - a + 1 }, (_, i) => a + i)));
        const told = read(ranges.map(([a, b]) => `Q${a} to Q${b}`).join(", "));
        expect(told.some((range) => serialLiesIn(`Q${serial}`, range))).toBe(all.has(serial));
      }),
    );
  });

  it("of two revisions are found to overlap exactly when a number lies in both", () => {
    const end = fc.integer({ min: 0, max: 20 });
    fc.assert(
      fc.property(end, end, end, end, (a, b, c, d) => {
        const one = { name: "A", serials: read(`Q${Math.min(a, b)} to Q${Math.max(a, b)}`) };
        const other = { name: "B", serials: read(`Q${Math.min(c, d)} to Q${Math.max(c, d)}`) };
        const shared = Array.from({ length: 21 }, (_, n) => `Q${n}`).some(
          (serial) => revisionsOfSerial(serial, [one, other]).length === 2,
        );
        expect(overlapOf([one, other]) !== undefined).toBe(shared);
      }),
    );
  });
});
