import { expect, test } from "vitest";
import { typedNumber, type Units, VOLTS, WATTS } from "./typed-number.ts";

test.each<[string, Units | undefined, number | undefined]>([
  ["4,2 W", WATTS, 4.2],
  ["4.2", WATTS, 4.2],
  [" 4.2w ", WATTS, 4.2],
  ["850 mW", WATTS, 0.85],
  ["7,4 V", VOLTS, 7.4],
  ["4 V", WATTS, undefined],
  ["-3", undefined, -3],
  ["−3,5", undefined, -3.5],
  [".5", undefined, 0.5],
  ["1.000,5", undefined, undefined],
  ["4 2", undefined, undefined],
  ["", WATTS, undefined],
  ["1e3", WATTS, undefined],
])("%j", (typed, units, value) => {
  expect(typedNumber(typed, units)).toBe(value);
});
