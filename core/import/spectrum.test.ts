// Spectra out of tables of whichever dialect: what was written comes back; a tone with its harmonics is found in noise.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { linesOf } from "../measure/index.ts";
import { FREQUENCY_UNITS, numberIn, unitIn, unitOfColumn } from "./numbers.ts";
import { readSpectrum } from "./spectrum.ts";

const read = (text: string, asked = {}) => {
  const found = readSpectrum(text, asked);
  if (!found.ok) throw new Error(found.problem.kind);
  return found.value;
};

test("numbers with signs, exponents and units", () => {
  expect(numberIn("145,5", ",")).toBe(145.5);
  expect(numberIn("1.455E+08", ".")).toBe(145_500_000);
  expect(numberIn("−32.1 dBm", ".")).toBe(-32.1);
  expect(numberIn("1 455 000", ".")).toBe(1_455_000);
  for (const text of ["", "n/a", "12.5.1", "--3", "5 W or so"]) expect(numberIn(text, ".")).toBeUndefined();
  expect(unitIn("Frequency [MHz]")).toBe("MHz");
  expect(unitIn("freq_hz")).toBe("Hz");
  expect(unitIn("hertzog")).toBeUndefined();
  expect(unitOfColumn("f", [145_500])).toBe("kHz");
  expect(unitOfColumn("f", [145.5, 1296])).toBe("MHz");
  expect(unitOfColumn("f", [145_500_000])).toBe("Hz");
});

describe("a spectrum", () => {
  const dialect = fc.record({
    unit: fc.constantFrom(...FREQUENCY_UNITS),
    delimiter: fc.constantFrom(",", ";", "\t"),
    comma: fc.boolean(),
    swapped: fc.boolean(),
    above: fc.boolean(),
  });
  it("written in any dialect is read as it was", () => {
    const points = fc
      .uniqueArray(fc.integer({ min: 10_000, max: 900_000 }), { minLength: 3, maxLength: 40 })
      .map((list) => list.sort((a, b) => a - b).map((khz, i) => ({ frequency: khz * 1000, dbm: -20.5 - i })));
    fc.assert(
      fc.property(points, dialect, (lines, { unit, delimiter, comma, swapped, above }) => {
        const sign = comma && delimiter !== "," ? "," : ".";
        const scale = { Hz: 1, kHz: 1e3, MHz: 1e6, GHz: 1e9 }[unit];
        const cell = (value: number) => String(value).replace(".", sign);
        const rows = [
          [`Frequency (${unit})`, "Level dBm"],
          ...lines.map(({ frequency, dbm }) => [cell(frequency / scale), cell(dbm)]),
        ].map((cells) => (swapped ? cells.reverse() : cells).join(delimiter));
        const text = [...(above ? ["a sweep of the evening", ""] : []), ...rows].join("\n");
        const found = read(text);
        expect(found.points).toEqual(lines);
        expect(found.odd).toEqual([]);
      }),
    );
  });

  it("without heads is told by what rises; a person's word counts; what is no number is named", () => {
    const bare = "-40.5;144.0\n-41;145.5\n-12;146.0\n";
    expect(read(bare).columns).toEqual({ frequency: 1, level: 0, unit: "MHz" });
    expect(read(bare).points[0]).toEqual({ frequency: 144_000_000, dbm: -40.5 });
    expect(read("MHz,a,b\n1,-3,-4\n2,-5,-6", { level: 2 }).points.map(({ dbm }) => dbm)).toEqual([-4, -6]);
    const gap = read("MHz,dBm\n100,-3\n101,over\n102,-5\n103,-6");
    expect(gap.odd).toEqual([{ row: 3, cell: "over" }]);
    expect(gap.points).toHaveLength(3);
    expect(readSpectrum("a,b\nx,y\nz,w")).toMatchObject({ problem: { kind: "no-frequency" } });
    expect(readSpectrum("MHz\n1\n2\n3")).toMatchObject({ ok: false });
    expect(readSpectrum("MHz,dBm\n1,-3\n2,-4", { level: 0 })).toMatchObject({
      problem: { kind: "no-level" },
    });
    expect(readSpectrum("MHz,dBm\n1,-3\n2,-4", { frequency: 7 })).toMatchObject({
      problem: { kind: "no-frequency" },
    });
  });

  it("gives up its carrier and harmonics, whatever the noise", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 28, max: 450 }),
        fc.array(fc.integer({ min: -60, max: -20 }), { minLength: 3, maxLength: 3 }),
        fc.integer({ min: 0, max: 1000 }),
        (carrier, levels, seed) => {
          const step = carrier / 50;
          const tones = new Map([[50, 10], ...levels.map((dbm, i) => [50 * (i + 2), dbm] as const)] as const);
          const rows = Array.from({ length: 220 }, (_, i) => {
            const noise = -90 + ((seed * (i + 7)) % 11) / 2;
            return `${((i + 1) * step).toFixed(4)},${tones.get(i + 1) ?? noise}`;
          });
          const found = linesOf(read(["MHz,dBm", ...rows].join("\n")).points);
          expect(found?.carrier.dbm).toBe(10);
          expect(found?.lines.map(({ dbm }) => dbm)).toEqual(levels);
        },
      ),
    );
    expect(
      linesOf(
        [
          { frequency: 100, dbm: 0 },
          { frequency: 200, dbm: 9 },
        ],
        100,
      )?.carrier.frequency,
    ).toBe(100);
    expect(linesOf([{ frequency: 100, dbm: 0 }], 400)).toBeUndefined();
  });
});
