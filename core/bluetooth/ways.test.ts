// Ways of programming: minutes as counted radio by radio, the quickest first, and from where on another is quicker.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { breakEven, compareWays, minutesOf, type ProgrammingWay } from "./ways.ts";

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
      ...{ id: fc.constant("w"), setUp: fc.nat(20), perRadio: fc.nat(9), perChannel: fc.nat(3) },
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
