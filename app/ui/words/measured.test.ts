// What was measured, in words: what is amiss comes first, and nothing is said that is not known.
import { describe, expect, it } from "vitest";
import { judged, type Trend } from "#core/measure/index.ts";
import { sayZones } from "./codeplug.ts";
import { isAmiss, sayMeasured, sayPpmRange, sayVerdict, tenths } from "./measured.ts";

const off = (value: number, stability?: number, error = "2 ppm") =>
  judged({ kind: "frequency error", value, frequency: 145_500_000, error }, { stability });
const none: Trend = { kind: "too-few", readings: 0 };
const known = (more: object): Trend => ({
  ...{ kind: "known", of: 6, slope: -3.7, usual: 40, scatter: 3 },
  ...{ outside: undefined, weaker: false, ...more },
});

describe("the answer of the page", () => {
  it("says how far off its frequency it is, on whichever side", () => {
    expect(sayMeasured(none, off(900, 2.5))).toBe("Off its frequency: 4.19 to 8.19 ppm too high");
    expect(sayMeasured(none, off(-900, 2.5))).toBe("Off its frequency: 4.19 to 8.19 ppm too low");
  });

  it("claims nothing of a frequency where the counter or its papers do not tell", () => {
    for (const one of [off(120, 2.5), off(900), off(900, 2.5, "")])
      expect(sayMeasured(none, one)).toBe("Its power is not measured yet");
    expect(sayMeasured(none, off(10, 20))).toBe("On its frequency; its power is not measured yet");
    expect(sayMeasured(none, undefined)).toBe("Its power is not measured yet");
  });

  it("says both where both are amiss, and the strength alone where that is all", () => {
    const weaker = known({ outside: "below", weaker: true });
    expect(sayMeasured(weaker, off(900, 2.5))).toMatch(/^Getting weaker: about 3\.7 W a year\. Off its/);
    expect(sayMeasured(weaker, off(10, 20))).toBe("Getting weaker: about 3.7 W a year");
    expect(sayMeasured(known({}), off(900, 2.5))).toMatch(/^Off its frequency/);
    expect(sayMeasured(known({ outside: "above" }), undefined)).toBe("The last one lies above the others");
    expect(sayMeasured(known({}), undefined)).toBe("As strong as it was");
    expect(sayMeasured({ kind: "too-few", readings: 3 }, undefined)).toMatch(/^Too few/);
  });
});

it("a verdict is of what was measured: too much power is no fault, too high a frequency is", () => {
  const strong = judged({ kind: "power", value: 9, error: "1 % of reading" }, { watts: 5 });
  expect([sayVerdict(strong), isAmiss(strong)]).toEqual(["high", false]);
  expect([sayVerdict(off(900, 2.5)), isAmiss(off(900, 2.5))]).toEqual(["too high", true]);
  expect([sayVerdict(off(900)), isAmiss(off(900))]).toEqual(["", false]);
});

it("nothing has no sign", () => {
  expect([tenths(-0.01), tenths(-171), tenths(0.05)]).toEqual(["0.0", "-171.0", "0.1"]);
  expect(sayPpmRange({ low: -0.001, high: 2 })).toBe("0 to 2 ppm");
});

it("zones: how many the plan takes, of how many, and which block takes several", () => {
  const blocks = [
    { name: "Calling", zones: 1 },
    { name: "Repeaters", zones: 3 },
  ];
  expect(sayZones(blocks, 16)).toBe(
    "With a zone a block the plan takes 4 of its 16 zones; Repeaters takes 3.",
  );
  expect(sayZones(blocks, 2)).toContain("4 of its 2 zones: more than it has");
  expect(sayZones(blocks.slice(0, 1), undefined)).toBe("With a zone a block the plan takes 1 zone.");
});
