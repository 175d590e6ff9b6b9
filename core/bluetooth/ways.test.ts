// Ways of programming: minutes as counted radio by radio, the quickest first, and from where on another is quicker.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { RESERVE } from "./readiness.ts";
import {
  atOnce,
  breakEven,
  compareWays,
  lastsFor,
  minutesOf,
  type ProgrammingWay,
  timesOf,
  USUAL_WAYS,
} from "./ways.ts";

const keypad: ProgrammingWay = { id: "keypad", setUp: 0, perRadio: 1, perChannel: 1.5, atOnce: 1 };
const cable: ProgrammingWay = { id: "cable", setUp: 10, perRadio: 4, perChannel: 0, atOnce: 1 };
const bluetooth: ProgrammingWay = {
  id: "bluetooth",
  setUp: 3,
  perRadio: 2,
  perChannel: 0.1,
  atOnce: 2,
  lasts: 12,
};

describe("ways compared", () => {
  it("takes what each radio takes, as many at once as there are leads", () => {
    const way = fc.record({
      id: fc.constant("w"),
      setUp: fc.nat(20),
      perRadio: fc.nat(9),
      perChannel: fc.nat(3),
      atOnce: fc.integer({ min: 1, max: 4 }),
    });
    fc.assert(
      fc.property(way, fc.nat(15), fc.nat(40), (one, radios, channels) => {
        const hands = new Array<number>(one.atOnce).fill(0);
        for (let radio = 0; radio < radios; radio++) {
          const free = hands.indexOf(Math.min(...hands));
          hands[free] = (hands[free] ?? 0) + one.perRadio + channels * one.perChannel;
        }
        const all = radios === 0 ? 0 : one.setUp + Math.max(...hands);
        expect(minutesOf(one, radios, channels)).toBeCloseTo(all, 9);
      }),
    );
  });

  it("the quickest comes first, what cannot last at the end", () => {
    const order = (radios: number, channels: number) =>
      compareWays([keypad, cable, bluetooth], radios, channels).map(({ way }) => way.id);
    expect(order(1, 1)).toEqual(["keypad", "bluetooth", "cable"]);
    expect(order(10, 30)).toEqual(["bluetooth", "cable", "keypad"]);
    expect(order(13, 30)).toEqual(["cable", "keypad", "bluetooth"]);
    expect(minutesOf(bluetooth, 13, 1)).toBeUndefined();
    expect(minutesOf({ ...cable, atOnce: 0 }, 1, 1)).toBeUndefined();
  });

  it("says from where on another is quicker, and only if it stays so", () => {
    expect(breakEven(keypad, cable, "channels", 1, 100)).toBe(9);
    expect(breakEven(keypad, cable, "radios", 5, 100)).toBe(3);
    expect(breakEven(cable, keypad, "radios", 5, 100)).toBeUndefined();
    // It runs out: beyond that it is no way at all.
    expect(breakEven(keypad, bluetooth, "radios", 5, 12)).toBe(1);
    expect(breakEven(keypad, bluetooth, "radios", 5, 13)).toBeUndefined();
  });
});

describe("from where on", () => {
  /** In hundredths of a minute, whole numbers: nothing is rounded. */
  const hundredths = fc.record({
    setUp: fc.nat(1200),
    perRadio: fc.nat(600),
    perChannel: fc.constantFrom(0, 2, 5, 10, 150).map((n): number => n),
    atOnce: fc.integer({ min: 1, max: 3 }),
  });
  type Exact = typeof hundredths extends fc.Arbitrary<infer E> ? E : never;
  const inMinutes = (id: string, way: Exact): ProgrammingWay => ({
    id,
    atOnce: way.atOnce,
    setUp: way.setUp / 100,
    perRadio: way.perRadio / 100,
    perChannel: way.perChannel / 100,
  });

  it("is as whole numbers say, ties included", () => {
    fc.assert(
      fc.property(hundredths, hundredths, fc.nat(60), (a, b, channels) => {
        const at = (way: Exact, radios: number) =>
          way.setUp + Math.ceil(radios / way.atOnce) * (way.perRadio + channels * way.perChannel);
        const quicker = Array.from({ length: 30 }, (_, i) => at(b, i + 1) < at(a, i + 1));
        const last = quicker.lastIndexOf(false);
        const wanted = last === 29 ? undefined : last + 2;
        expect(breakEven(inMinutes("a", a), inMinutes("b", b), "radios", channels, 30)).toBe(wanted);
      }),
      { numRuns: cases(1000, 100_000) },
    );
    // Equal, and seen as less by the last place of a sum.
    const late = { setUp: 1070, perRadio: 512, perChannel: 10, atOnce: 3 };
    const soon = { setUp: 250, perRadio: 594, perChannel: 10, atOnce: 3 };
    expect(breakEven(inMinutes("a", late), inMinutes("b", soon), "radios", 50, 30)).toBeUndefined();
    // 20 channels of 0.05 and a minute before them; two minutes and nothing else.
    const slow = inMinutes("a", { setUp: 100, perRadio: 0, perChannel: 5, atOnce: 1 });
    const flat = inMinutes("b", { setUp: 200, perRadio: 0, perChannel: 0, atOnce: 1 });
    expect(breakEven(slow, flat, "channels", 1, 100)).toBe(21);
    expect(breakEven(slow, flat, "radios", 20, 100)).toBe(2);
  });
});

describe("what there is", () => {
  it("as many at once as there are pairs of lead and computer with nothing in two of them", () => {
    const pair = fc.record({
      lead: fc.constantFrom("a", "b", "c"),
      computer: fc.constantFrom("x", "y", "z"),
    });
    fc.assert(
      fc.property(fc.array(pair, { maxLength: 7 }), (pairs) => {
        let best = 0;
        for (let code = 0; code < 2 ** pairs.length; code++) {
          const some = pairs.filter((_, i) => (code >> i) % 2 === 1);
          const isApart =
            new Set(some.map(({ lead }) => lead)).size === some.length &&
            new Set(some.map(({ computer }) => computer)).size === some.length;
          if (isApart) best = Math.max(best, some.length);
        }
        expect(atOnce(pairs)).toBe(best);
      }),
    );
  });

  it("a programmer serves until it is down to its reserve, as counted radio by radio", () => {
    expect(lastsFor(undefined, 4)).toBeUndefined();
    expect(lastsFor(80, null)).toBeUndefined();
    expect(lastsFor(5, 0)).toBe(Number.MAX_SAFE_INTEGER);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 1, max: 30 }), (percent, perUse) => {
        let left = percent;
        let served = 0;
        for (; left - perUse >= RESERVE; left -= perUse) served++;
        expect(lastsFor(percent, perUse)).toBe(served);
      }),
    );
  });

  it("our own times count once there are three of them, by their middle", () => {
    expect(timesOf("cable", [3, 9])).toEqual({ ...USUAL_WAYS.cable, measured: 0 });
    expect(timesOf("cable", [3, 90, 5])).toEqual({ setUp: 8, perRadio: 5, perChannel: 0, measured: 3 });
  });
});
