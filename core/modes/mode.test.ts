// Bands against sets of single hertz; excess, shortfall and stranded channels; a band plan on its days.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plain } from "../quantities/index.ts";
import { type Band, type Bands, common, normalised, widthOf, without } from "./band.ts";
import { excess, mostWatts, shortfall, strandedChannels, transmitOf } from "./mode.ts";
import { changesAfter, privilegesOn, type Segment } from "./privileges.ts";

const END = 40;
const band = fc
  .tuple(fc.integer({ min: 0, max: END }), fc.integer({ min: 0, max: 12 }))
  .map(([from, width]): Band => ({ from, to: from + width }));
const someBands = fc.array(band, { maxLength: 5 });
const points = (bands: Bands): number[] => {
  const all = new Set<number>();
  for (const { from, to } of bands) for (let f = from; f < to; f++) all.add(f);
  return [...all].sort((a, b) => a - b);
};
const inOrder = (bands: Bands) =>
  bands.every(({ from, to }, i) => from < to && (i === 0 || (bands[i - 1]?.to ?? 0) < from));

describe("bands", () => {
  it("are what single hertz say, whatever is done to them", () => {
    fc.assert(
      fc.property(someBands, someBands, (a, b) => {
        const theirs = new Set(points(b));
        const results = [normalised(a), without(a, b), common(a, b)];
        expect(results.every(inOrder)).toBe(true);
        expect(results.map(points)).toEqual([
          points(a),
          points(a).filter((f) => !theirs.has(f)),
          points(a).filter((f) => theirs.has(f)),
        ]);
        expect(widthOf(a)).toBe(points(a).length);
      }),
    );
  });
});

describe("a mode held against privileges", () => {
  const mhz = (from: number, to: number): Band => ({ from: from * 1e6, to: to * 1e6 });
  it("exceeds where it transmits and may not, and falls short where it may and does not", () => {
    const mode = { transmit: [mhz(144, 148)] };
    const may = [mhz(144, 146), mhz(430, 440)];
    expect(excess(mode, may)).toEqual([mhz(146, 148)]);
    expect(shortfall(mode, may)).toEqual([mhz(430, 440)]);
    // What the model cannot do in any mode is nobody's shortfall.
    expect(shortfall(mode, may, [mhz(136, 174)])).toEqual([]);
  });

  it("with fixed channels transmits on those alone", () => {
    const mode = {
      transmit: [mhz(144, 146)],
      fixed: [{ frequency: 145_500_000 }, { frequency: 145_600_000, receiveOnly: true as const }],
    };
    expect(transmitOf(mode)).toEqual([{ from: 145_500_000, to: 145_500_001 }]);
    expect(excess(mode, [mhz(144, 145.5)])).toEqual(transmitOf(mode));
  });

  it("strands channels outside of it, and says what it does with them", () => {
    const channels = [
      { name: "in", receive: 145_500_000, transmit: 145_500_000 },
      { name: "below", receive: 143_000_000, transmit: 143_000_000 },
      { name: "edge", receive: 146_000_000, transmit: 146_000_000 },
      { name: "listen", receive: 156_800_000 },
    ];
    const named = (outside: "refuses" | "band edge") =>
      strandedChannels(channels, { transmit: [mhz(144, 146)], outside }).map(({ channel, does, edge }) => [
        channel.name,
        does,
        edge,
      ]);
    expect(named("refuses")).toEqual([
      ["below", "refuses", undefined],
      ["edge", "refuses", undefined],
    ]);
    expect(named("band edge")).toEqual([
      ["below", "band edge", 144_000_000],
      ["edge", "band edge", 145_999_999],
    ]);
  });
});

describe("a band plan", () => {
  const plan: Segment[] = [
    { class: "entry", from: 100, to: 200, note: "" },
    { class: "Entry", from: 200, to: 300, since: plain("2027-01-01"), note: "" },
    { class: "entry", from: 400, to: 500, until: plain("2026-12-01"), note: "" },
    { class: "full", from: 0, to: 900, note: "" },
  ];
  it("holds from a day on, up to another, for its class in whatever letters", () => {
    expect(privilegesOn(plan, "entry", plain("2026-11-30"))).toEqual([
      { from: 100, to: 200 },
      { from: 400, to: 500 },
    ]);
    expect(privilegesOn(plan, "ENTRY ", plain("2026-12-01"))).toEqual([{ from: 100, to: 200 }]);
    expect(privilegesOn(plan, "entry", plain("2027-01-01"))).toEqual([{ from: 100, to: 300 }]);
    expect(privilegesOn(plan, "nobody's", plain("2027-01-01"))).toBeUndefined();
  });

  it("says when it changes next", () => {
    expect(changesAfter(plan, "entry", plain("2026-11-30"))).toBe("2026-12-01");
    expect(changesAfter(plan, "entry", plain("2026-12-01"))).toBe("2027-01-01");
    expect(changesAfter(plan, "entry", plain("2027-01-01"))).toBeUndefined();
  });
});

it("the most that a radio may send is of all its modes; where of one that sends nobody has noted it, it is not known", () => {
  const band = [{ from: 144_000_000, to: 146_000_000 }];
  const mode = (watts: number | undefined, more: object = {}) => ({ transmit: band, watts, ...more });
  expect(mostWatts([])).toBeUndefined();
  expect(mostWatts([mode(5), mode(25)])).toBe(25);
  expect(mostWatts([mode(5), mode(undefined)])).toBeUndefined();
  // What does not send needs no power.
  expect(mostWatts([mode(5), mode(undefined, { transmit: [] })])).toBe(5);
  const fixed = [
    { frequency: 145_000_000, watts: 2 },
    { frequency: 145_100_000, receiveOnly: true as const },
  ];
  expect(mostWatts([mode(25, { fixed })])).toBe(2);
  expect(mostWatts([mode(25, { fixed: [...fixed, { frequency: 145_200_000 }] })])).toBe(25);
});
