// Ways through adapters against trying every row of them; and versions in ranges against trying every version.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import type { Range } from "../../version/index.ts";
import type { Adapter, Offer } from "../shapes.ts";
import { type Joint, jointsOf, MOST_ADAPTERS, pathsOver } from "./path.ts";
import { inRange, someVersionIn } from "./versions.ts";

const joint = (id: string, a: string, b: string, over: Partial<Joint> = {}): Joint => ({
  id,
  tag: id,
  kind: "usb",
  ends: [a, b],
  carriesData: true,
  condition: "sound",
  ...over,
});

/** Every row of at most two different adapters, tried either way round, that leads from one plug to another. */
function everyWay(joints: readonly Joint[], from: string, to: string): Set<string> {
  const found = new Set<string>();
  if (from === to) found.add("");
  for (const one of joints) {
    for (const [a, b] of [one.ends, [one.ends[1], one.ends[0]]] as const) {
      if (a !== from || a === b) continue;
      if (b === to) found.add(one.id);
      for (const other of joints) {
        if (other === one) continue;
        for (const [c, d] of [other.ends, [other.ends[1], other.ends[0]]] as const) {
          if (c === b && d === to && d !== from && d !== b) found.add(`${one.id} ${other.id}`);
        }
      }
    }
  }
  // Whoever has arrived goes no further.
  return from === to ? new Set([""]) : new Set([...found].filter((way) => way !== ""));
}

describe("ways through adapters", () => {
  it("are those that trying every row finds, each once", () => {
    const plug = fc.constantFrom("p", "q", "r", "s");
    fc.assert(
      fc.property(fc.array(fc.tuple(plug, plug), { maxLength: 6 }), plug, plug, (ends, from, to) => {
        const joints = ends.map(([a, b], i) => joint(`j${i}`, a, b));
        const told = pathsOver(joints)(from, to).map((path) => path.map((j) => j.id).join(" "));
        // The same row of adapters may be walked in one way only.
        expect(new Set(told)).toEqual(withoutPassing(everyWay(joints, from, to), joints, to));
        expect(new Set(told).size).toBe(told.length);
      }),
      { numRuns: cases(1500) },
    );
  });

  /** A row whose first adapter has already arrived is not a row of two. */
  function withoutPassing(ways: Set<string>, joints: readonly Joint[], to: string): Set<string> {
    const arrives = (id: string) => joints.find((j) => j.id === id)?.ends.includes(to) === true;
    return new Set(
      [...ways].filter((way) => {
        const [first, second] = way.split(" ");
        return second === undefined || first === undefined || !arrives(first) || way === "";
      }),
    );
  }

  it("what is at hand comes before what must be fetched, and that before what must be bought", () => {
    const ways = pathsOver([
      joint("bought", "p", "q", { offer: "1", price: 1 }),
      joint("fetched", "p", "q", { holder: "Bram" }),
      joint("here", "p", "q"),
      joint("first", "p", "r"),
      joint("second", "r", "q"),
    ])("p", "q");
    expect(ways.map((way) => way.map((j) => j.id).join(" "))).toEqual([
      "here",
      "first second",
      "fetched",
      "bought",
    ]);
  });

  it("no more than two, however many there are", () => {
    const row = ["a", "b", "c", "d"].map((plug, i) => joint(String(i), plug, String.fromCharCode(98 + i)));
    expect(pathsOver(row)("a", "c")).toHaveLength(1);
    expect(pathsOver(row)("a", "d")).toEqual([]);
    expect(MOST_ADAPTERS).toBe(2);
  });

  it("only through what passes data and holds together", () => {
    const adapters: Adapter[] = [
      joint("sound", "p", "q"),
      joint("worn", "p", "q", { condition: "worn" }),
      joint("broken", "p", "q", { condition: "broken" }),
      joint("lost", "p", "q", { condition: "lost" }),
      joint("charges", "p", "q", { carriesData: false }),
    ];
    const offers: Offer[] = [
      {
        id: "7",
        name: "p to q",
        price: 400,
        gives: "adapter",
        adapter: { kind: "usb", ends: ["p", "q"], carriesData: true },
      },
    ];
    expect(jointsOf(adapters, offers).map((j) => j.id)).toEqual(["sound", "worn", "offer 7"]);
    expect(jointsOf(adapters, offers).at(-1)).toMatchObject({ tag: "p to q", offer: "7", price: 400 });
  });
});

const bound = fc.integer({ min: 1, max: 4 }).map(String);
const range: fc.Arbitrary<Range> = fc.array(
  fc.oneof(
    fc.record({ atLeast: bound, atMost: bound }),
    fc.record({ above: bound, below: bound }),
    fc.record({ atLeast: bound }),
    fc.record({ below: bound }),
  ),
  { minLength: 1, maxLength: 2 },
);
/** All that whole and half steps between the bounds could be told apart by, and what lies beyond them. */
const GRID = ["0", "0.5", "1", "1.1", "2", "2.1", "3", "3.1", "4", "4.1", "9"];

describe("some version in ranges", () => {
  it("is found exactly when there is one, and lies where it should", () => {
    fc.assert(
      fc.property(fc.array(range, { maxLength: 3 }), fc.array(range, { maxLength: 2 }), (ranges, avoided) => {
        const serves = (version: string) =>
          ranges.every((r) => inRange(version, r)) && !avoided.some((r) => inRange(version, r));
        const found = someVersionIn(ranges, avoided);
        expect(found !== undefined).toBe(GRID.some(serves));
        if (found !== undefined) expect(serves(found)).toBe(true);
      }),
      { numRuns: cases(1000) },
    );
  });

  it("without a range every version will do; in a range nothing that is no version lies", () => {
    expect(someVersionIn([undefined])).toBe("1");
    expect(inRange("whatever", undefined)).toBe(true);
    expect(inRange("whatever", [{ atLeast: "1" }])).toBe(false);
    expect(someVersionIn([undefined], [undefined])).toBeUndefined();
  });
});
