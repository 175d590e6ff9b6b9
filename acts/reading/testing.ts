// What the acts of this room are tried with.
import fc from "fast-check";
import { READING_SOURCES } from "#core/unit/index.ts";
import { maybe, type Some, type World, words } from "../trials/testing.ts";

export const readingTrials = (world: World, { day, unit }: Some) => {
  return {
    "record-reading": fc.record({
      unit,
      typed: fc.constantFrom("1.02", "1.14", "0.1", "9.9", "?", "bluetooth", "", "B12", "20260101"),
      source: fc.constantFrom(...READING_SOURCES),
      readOn: maybe(day),
    }),
    "move-reading": fc
      .tuple(fc.constantFrom(...world.readings), fc.constantFrom("W-02", "W-04", "H-04", "Z-99"))
      .map(([of, tag]) => ({ ...of, tag })),
    "strike-reading": fc
      .tuple(fc.constantFrom(...world.readings), words)
      .map(([of, why]) => ({ ...of, why })),
  };
};
