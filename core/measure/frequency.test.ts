// A frequency error: every one that may be there lies in its interval, and a verdict is given only where all of them agree.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { againstStability, frequencyError, parseCounterError } from "./frequency.ts";

describe("a counter", () => {
  it("reads what stands in its papers, and nothing else", () => {
    const read = (text: string) => {
      const found = parseCounterError(text);
      return found.ok ? found.value : found.problem.kind;
    };
    expect(read("2 parts in a million")).toEqual({ ppm: 2 });
    expect(read("± 0,5 ppm + 10 Hz")).toEqual({ ppm: 0.5, hertz: 10 });
    expect(read("1 part per million; 0.2 kHz")).toEqual({ ppm: 1, hertz: 200 });
    expect(read("+/- 100 ppb and 1 ppm")).toEqual({ ppm: 1.1 });
    for (const text of ["", "good", "5 %", "2 ppm of scale", "ppm", "-2 ppm", "1 dB"])
      expect(read(text)).toBe("error-unreadable");
  });

  it("leaves nothing out that may be there", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50_000, max: 50_000, noNaN: true }),
        fc.integer({ min: 1_000_000, max: 1_000_000_000 }),
        fc.constantFrom(0, 0.5, 2),
        fc.constantFrom(0, 10),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (hertz, frequency, ppm, plain, a, b) => {
          const shown = frequency + hertz;
          const found = frequencyError(hertz, frequency, `${ppm} ppm + ${plain} Hz`);
          const there = shown + (a * ppm * shown) / 1e6 + b * plain - frequency;
          expect(found.within?.hertz.low).toBeLessThanOrEqual(there + 1e-6);
          expect(found.within?.hertz.high).toBeGreaterThanOrEqual(there - 1e-6);
          expect((found.within?.ppm.high ?? 0) * (frequency / 1e6)).toBeCloseTo(
            found.within?.hertz.high ?? 1,
            6,
          );
          expect(found.ppm).toBeCloseTo((hertz / frequency) * 1e6, 9);
        },
      ),
    );
  });

  it("counts what is there: its parts per million are of that, not of what was set", () => {
    expect(frequencyError(500_000, 1_000_000, "2 ppm").within?.hertz).toEqual({
      low: 499_997,
      high: 500_003,
    });
  });

  it("of which nobody knows what it may be off by shows a number and no interval", () => {
    expect(frequencyError(290, 145_000_000, "")).toEqual({ hertz: 290, ppm: 2 });
    expect(frequencyError(-145, 145_000_000, "10 % of full scale")).toEqual({ hertz: -145, ppm: -1 });
  });
});

it("against what its maker says, a verdict is what every frequency in the interval would get", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -60, max: 60 }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 1, max: 30 }),
      (low, width, most) => {
        const each = Array.from({ length: width + 1 }, (_, i) => low + i).map((ppm) =>
          ppm < -most ? "low" : ppm > most ? "high" : "within",
        );
        const verdict = new Set(each).size === 1 ? each[0] : "cannot tell";
        expect(againstStability({ low, high: low + width }, most)).toBe(verdict);
      },
    ),
  );
});
