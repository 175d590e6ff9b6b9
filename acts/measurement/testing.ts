// What the acts of this room are tried with.
import fc from "fast-check";
import { maybe, mostly, type Some, type World, words } from "../trials/testing.ts";

export const measurementTrials = (world: World, { day, unit }: Some) => {
  return {
    "note-measurement": fc.record({
      unit,
      kind: fc.constantFrom("power", "current", "frequency error"),
      value: mostly([4.5, 5], [-1]),
      frequency: fc.constantFrom(undefined, 145_500_000),
      on: maybe(day),
      note: words,
    }),
    "strike-measurement": fc
      .constantFrom(...world.measurements)
      .chain((one) =>
        fc.record({ why: mostly(["read wrongly"], [""]) }).map((more) => ({ ...one, ...more })),
      ),
    "write-limit": fc
      .tuple(fc.constantFrom(...world.limits), fc.boolean(), fc.constantFrom(40, 60))
      .map(([limit, anew, dbc]) => ({
        name: anew ? "written anew" : "one more",
        dbc,
        source: "for the test",
        ...(anew && { limit }),
      })),
    "shelve-limit": fc.record({ limit: fc.constantFrom(...world.limits) }),
    "note-spectrum": fc
      .tuple(unit, fc.constantFrom(-20, 90), fc.constantFrom(291_000_000, 300_000_000), words)
      .map(([one, dbm, frequency, note]) => ({
        unit: one,
        carrier: { frequency: 145_500_000, dbm: 37 },
        lines: [{ frequency, dbm }],
        attenuation: 40,
        note,
      })),
    "strike-spectrum": fc
      .tuple(fc.constantFrom(...world.spectra), fc.constantFrom("misread", ""))
      .map(([one, why]) => ({ ...one, why })),
  };
};
