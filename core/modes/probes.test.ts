// Probes against every subset of frequencies there are; pieces of the air; what was seen, read back.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import type { Band } from "./band.ts";
import { liesInBands } from "./band.ts";
import { type Probed, probesFor, readProbes } from "./probes.ts";

const RASTER = 5;
const END = 60;
const band = fc
  .tuple(fc.integer({ min: 0, max: END }), fc.integer({ min: 1, max: 20 }))
  .map(([from, width]): Band => ({ from, to: Math.min(END + 1, from + width) }));
const someBands = fc.array(band, { maxLength: 3 });
const someModes = fc
  .array(someBands, { minLength: 1, maxLength: 5 })
  .map((all) => all.map((transmit, i): Probed => ({ id: `m${i}`, transmit })));

/** Every frequency on the raster, and every hertz that is a piece of its own. */
function everyFrequency(modes: readonly Probed[], privileges: readonly Band[]): number[] {
  const behaviour = (f: number) =>
    [...modes.map((m) => liesInBands(m.transmit, f)), liesInBands(privileges, f)].join();
  const all: number[] = [];
  for (let f = 0; f <= END + 20; f++) {
    const isAlone = behaviour(f - 1) !== behaviour(f) && behaviour(f) !== behaviour(f + 1);
    if (f % RASTER === 0 || isAlone) all.push(f);
  }
  return all;
}

/** The least (outside, count) over all sets of frequencies, smallest sets first. */
function bruteForce(modes: readonly Probed[], privileges: readonly Band[]) {
  const frequencies = everyFrequency(modes, privileges);
  const patterns = new Map<string, boolean>();
  for (const f of frequencies) {
    const pattern = modes.map((m) => (liesInBands(m.transmit, f) ? "1" : "0")).join("");
    const outside = !liesInBands(privileges, f);
    patterns.set(pattern, (patterns.get(pattern) ?? true) && outside);
  }
  const list = [...patterns];
  const partsAll = (chosen: typeof list, i: number, j: number) => chosen.some(([p]) => p[i] !== p[j]);
  const pairs = modes.flatMap((_, i) => modes.slice(i + 1).map((_, j) => [i, i + 1 + j] as const));
  const wanted = pairs.filter(([i, j]) => partsAll(list, i, j));
  let best: readonly [number, number] = [99, 99];
  for (let mask = 0; mask < 1 << list.length; mask++) {
    const chosen = list.filter((_, k) => (mask >> k) & 1);
    if (!wanted.every(([i, j]) => partsAll(chosen, i, j))) continue;
    const cost = [chosen.filter(([, outside]) => outside).length, chosen.length] as const;
    if (cost[0] < best[0] || (cost[0] === best[0] && cost[1] < best[1])) best = cost;
  }
  return { best, wanted };
}

describe("probes", () => {
  it("part all modes that can be parted, with the fewest outside, then the fewest", () => {
    fc.assert(
      fc.property(someModes, someBands, (modes, privileges) => {
        const { probes, alike } = probesFor(modes, privileges, RASTER);
        const { best, wanted } = bruteForce(modes, privileges);
        expect([probes.filter(({ outside }) => outside).length, probes.length]).toEqual(best);
        const pairs = (modes.length * (modes.length - 1)) / 2;
        expect(alike.length).toBe(pairs - wanted.length);
        for (const { frequency, outside, transmits } of probes) {
          expect(outside).toBe(!liesInBands(privileges, frequency));
          expect(transmits).toEqual(
            modes.filter((m) => liesInBands(m.transmit, frequency)).map(({ id }) => id),
          );
        }
        // What a mode would show at them is read as that mode, beside those that are like it.
        for (const mode of modes) {
          const seen = probes.map(({ frequency }) => ({
            frequency,
            transmits: liesInBands(mode.transmit, frequency),
          }));
          const fits = readProbes(seen, modes).map(({ id }) => id);
          const like = alike.flatMap(([a, b]) => (a === mode.id ? [b] : b === mode.id ? [a] : []));
          expect(fits.sort()).toEqual([mode.id, ...like].sort());
        }
      }),
      { numRuns: cases(1000) },
    );
  });

  it("lie in the middle of their piece, on the raster, inside the privileges where they can", () => {
    const modes = [
      { id: "shut", transmit: [{ from: 144_000_000, to: 146_000_000 }] },
      { id: "wide", transmit: [{ from: 136_000_000, to: 174_000_000 }] },
    ];
    expect(probesFor(modes, [{ from: 144_000_000, to: 146_000_000 }], 12_500).probes).toEqual([
      { frequency: 160_000_000, outside: true, transmits: ["wide"] },
    ]);
    const allowed = [{ from: 144_000_000, to: 148_000_000 }];
    expect(probesFor(modes, allowed, 12_500).probes).toEqual([
      { frequency: 147_000_000, outside: false, transmits: ["wide"] },
    ]);
  });

  it("twelve modes and two hundred pieces are parted", () => {
    const modes = Array.from(
      { length: 12 },
      (_, m): Probed => ({
        id: `m${m}`,
        transmit: Array.from({ length: 17 }, (_, k) => {
          const from = ((m * 7 + k * 13) % 200) * 1000;
          return { from, to: from + 1000 + ((m * k) % 5) * 500 };
        }),
      }),
    );
    const { probes, alike } = probesFor(modes, [{ from: 0, to: 90_000 }], 100);
    expect(alike).toEqual([]);
    // Fewer than four cannot part twelve.
    expect(probes.length).toBeGreaterThanOrEqual(4);
    expect(probes.length).toBeLessThan(12);
    for (const mode of modes) {
      const seen = probes.map(({ frequency }) => ({
        frequency,
        transmits: liesInBands(mode.transmit, frequency),
      }));
      expect(readProbes(seen, modes)).toEqual([mode]);
    }
  });

  it("more modes than can be searched for exactly are parted all the same, inside where that can be", () => {
    const modes = Array.from(
      { length: 40 },
      (_, m): Probed => ({
        id: `m${m}`,
        // Each bit of its number is a band of its own, and stands a second time outside.
        transmit: [0, 1, 2, 3, 4, 5].flatMap((bit) =>
          (m >> bit) & 1 ? [bit, bit + 10].map((at) => ({ from: at * 1000 + 100, to: at * 1000 + 900 })) : [],
        ),
      }),
    );
    const { probes, alike } = probesFor(modes, [{ from: 0, to: 7000 }], 100);
    expect(alike).toEqual([]);
    expect(probes).toHaveLength(6);
    expect(probes.every(({ outside }) => !outside)).toBe(true);
  });

  it("what fits no mode is read as none", () => {
    const modes = [{ id: "a", transmit: [{ from: 10, to: 20 }] }];
    expect(readProbes([{ frequency: 30, transmits: true }], modes)).toEqual([]);
  });
});
