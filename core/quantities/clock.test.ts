// A clock that runs with what passes has not jumped; one that is moved has, by as much as it was moved.
import fc from "fast-check";
import { expect, test } from "vitest";
import { jumpBetween } from "./clock.ts";

test("whatever has passed, only what the clock was moved by is a jump", () => {
  const seconds = fc.integer({ min: -10_000_000, max: 10_000_000 });
  fc.assert(
    fc.property(fc.nat(1e12), fc.nat(1e9), fc.nat(1e9), seconds, (clock, steady, passed, moved) => {
      const now = { clock: clock + passed + moved * 1000, steady: steady + passed };
      expect(jumpBetween({ clock, steady }, now)).toBe(Math.abs(moved) < 60 ? undefined : moved);
    }),
  );
});
