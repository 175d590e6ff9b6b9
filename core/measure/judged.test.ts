// What measurements come to: a verdict only where there is something to hold them against and the meter's error is known.
import { expect, it } from "vitest";
import { judged } from "./judged.ts";

const rated = { watts: 5, stability: 2.5 };

it("power is held against what the radio is rated for", () => {
  const shown = { kind: "power" as const, value: 2, error: "1 % of reading" };
  expect(judged(shown, rated)).toMatchObject({ interval: { low: 1.98 }, verdict: "low" });
  expect(judged(shown, {})).not.toHaveProperty("verdict");
  expect(judged({ ...shown, error: "" }, rated)).toEqual({ interval: undefined });
});

it("a frequency error is held against what the model keeps, by the counter's own", () => {
  const shown = { kind: "frequency error" as const, value: 900, frequency: 145_500_000, error: "2 ppm" };
  expect(judged(shown, rated)).toMatchObject({ verdict: "high", ppm: { shown: expect.closeTo(6.19, 2) } });
  expect(judged({ ...shown, value: 120 }, rated).verdict).toBe("cannot tell");
  expect(judged({ ...shown, value: -900 }, rated).verdict).toBe("low");
  // It is the parts per million that count: thirty hertz are a fifth of one here.
  expect(judged({ ...shown, value: 30, error: "0.1 ppm" }, rated).verdict).toBe("within");
  expect(judged(shown, { watts: 5 })).not.toHaveProperty("verdict");
  const unknown = judged({ ...shown, error: "" }, rated);
  expect(unknown).not.toHaveProperty("verdict");
  expect(unknown.interval).toBeUndefined();
  expect(unknown.ppm?.within).toBeUndefined();
});

it("of currents and sensitivities nothing is known to hold them against", () => {
  for (const kind of ["current", "sensitivity"] as const)
    expect(judged({ kind, value: 1, error: "1 % of reading" }, rated)).not.toHaveProperty("verdict");
});
