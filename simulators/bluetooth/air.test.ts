// The simulated air: it pairs only in the order and in the times in which a real one would, and fails in the known ways.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "#core/quantities/testing.ts";
import { type Air, type AirDeed, type AirKind, act, newAir, simulatedLevel } from "./air.ts";

const kind: AirKind = {
  name: "THIMBLE",
  address: "02:00:5E:10:00:11",
  menu: "Audio",
  wrongMenu: "Link",
  pin: "0000",
  pinSeconds: 60,
  perUse: 30,
  dropsAfterWrite: true,
  neighbours: [{ name: "FEN VAN", address: "02:00:5E:10:00:99" }],
};
const run = (deeds: readonly (readonly [at: number, deed: AirDeed])[], charge = 90, of = kind): Air =>
  deeds.reduce((air, [at, deed]) => act(of, air, deed, at), newAir(charge));
const own = { kind: "pick", address: kind.address } as const;
const right = [
  [0, { kind: "open", menu: "Audio" }],
  [2, { kind: "hold", seconds: 5 }],
  [10, { kind: "search" }],
  [12, own],
  [20, { kind: "pin", pin: "0000" }],
] as const;

describe("pairing in the air", () => {
  it("holds when all is done in its own menu, in time", () => {
    expect(run([...right, [30, { kind: "use" }]]).says).toEqual({ kind: "holds" });
    expect(run([...right.slice(0, 3)]).found.map(({ name }) => name)).toEqual(["FEN VAN", "THIMBLE"]);
  });

  it("says that it is paired in the wrong menu, too, and does nothing then", () => {
    const wrong = run([[0, { kind: "open", menu: "Link" }], ...right.slice(1, 4)]);
    expect(wrong.says).toEqual({ kind: "paired" });
    expect(act(kind, wrong, { kind: "use" }, 30).says).toEqual({ kind: "nothing", why: "wrong-menu" });
    expect(act(kind, wrong, { kind: "off-and-on" }, 30).says).toEqual({ kind: "nothing", why: "wrong-menu" });
  });

  it("is not found if its button was pressed too late, too short, or too long ago", () => {
    const late = run([
      [0, { kind: "open", menu: "Audio" }],
      [1, { kind: "search" }],
      [3, { kind: "hold", seconds: 5 }],
      [4, own],
    ]);
    expect(late.says).toEqual({ kind: "gone" });
    expect(run([[0, { kind: "hold", seconds: 4 }]]).says).toEqual({ kind: "too-short" });
    expect(run([right[0], right[1], [32, { kind: "search" }]]).found).toHaveLength(1);
    expect(run([...right.slice(0, 3), [32, own]]).says).toEqual({ kind: "gone" });
    expect(run([[0, { kind: "search" }]]).says).toEqual({ kind: "no-menu" });
  });

  it("the PIN expires, and is asked for only once it was picked", () => {
    const asked = run(right.slice(0, 4));
    expect(act(kind, asked, { kind: "pin", pin: "0000" }, 72).says).toEqual({ kind: "paired" });
    const expired = act(kind, asked, { kind: "pin", pin: "0000" }, 73);
    expect(expired.says).toEqual({ kind: "pin-expired" });
    expect(act(kind, expired, { kind: "pin", pin: "0000" }, 74).says).toEqual({ kind: "nothing-asked" });
    expect(act(kind, asked, { kind: "pin", pin: "1111" }, 20).says).toEqual({ kind: "pin-wrong" });
  });

  it("what else is there is somebody else's", () => {
    const found = run(right.slice(0, 3));
    const other = act(kind, found, { kind: "pick", address: "02:00:5E:10:00:99" }, 12);
    expect(other.says).toEqual({ kind: "somebody-else", name: "FEN VAN" });
    expect(other.pairedIn).toBeUndefined();
  });

  it("drops after a write until it is turned off and on; gives out half-way when it is flat", () => {
    const written = run([...right, [30, { kind: "write" }]]);
    expect([written.says, written.charge]).toEqual([{ kind: "written" }, 60]);
    expect(act(kind, written, { kind: "use" }, 31).says).toEqual({ kind: "nothing", why: "dropped" });
    expect(act(kind, written, { kind: "off-and-on" }, 32).says).toEqual({ kind: "holds" });
    const flat = run([...right, [30, { kind: "write" }]], 30);
    expect(flat.says).toEqual({ kind: "went-off" });
    expect(act(kind, flat, { kind: "use" }, 31).says).toEqual({ kind: "nothing", why: "flat" });
    expect(act(kind, flat, { kind: "hold", seconds: 9 }, 31).says).toEqual({ kind: "nothing", why: "flat" });
    const { pin: _, ...noPin } = kind;
    const steady = run([...right.slice(0, 4), [30, { kind: "write" }], [31, { kind: "use" }]], 90, {
      ...noPin,
      dropsAfterWrite: false,
    });
    expect(steady.says).toEqual({ kind: "holds" });
  });

  it("whatever is done, it holds only after having been picked and confirmed in its own menu", () => {
    const deed: fc.Arbitrary<AirDeed> = fc.oneof(
      fc.constantFrom("Audio", "Link").map((menu): AirDeed => ({ kind: "open", menu })),
      fc.constantFrom(2, 5).map((seconds): AirDeed => ({ kind: "hold", seconds })),
      fc.constantFrom<AirDeed>(
        { kind: "search" },
        own,
        { kind: "pin", pin: "0000" },
        { kind: "use" },
        { kind: "write" },
        { kind: "off-and-on" },
      ),
    );
    // Mostly one deed, now and then all that pairing takes, with pauses of any length.
    const pause = fc.constantFrom(1, 1, 1, 5, 40);
    const all = right.map(([, one]) => fc.tuple(pause, fc.constant<AirDeed>(one)));
    const some = fc.oneof({ weight: 3, arbitrary: fc.tuple(fc.tuple(pause, deed)) }, fc.tuple(...all));
    let held = 0;
    fc.assert(
      fc.property(
        fc.array(some, { maxLength: 12 }).map((chunks) => chunks.flat()),
        fc.constantFrom(20, 90),
        (steps, charge) => {
          let at = 0;
          let air = newAir(charge);
          // The story told anew, in words of its own: the last menu, what was picked in it, and what was typed.
          let [menu, proved, isAsked]: [string, string, boolean] = ["", "", false];
          for (const [passed, one] of steps) {
            at += passed;
            const before = air;
            air = act(kind, air, one, at);
            if (one.kind === "open") [menu, isAsked] = [one.menu, false];
            if (air.says.kind === "asks-pin") isAsked = true;
            if (air.says.kind === "pin-expired") isAsked = false;
            if (air.says.kind === "paired") {
              expect(one.kind === "pin" ? isAsked : menu === "Link").toBe(true);
              [proved, isAsked] = [menu, false];
            }
            expect(air.charge).toBeLessThanOrEqual(before.charge);
            if (air.says.kind !== "holds") continue;
            held++;
            expect(proved).toBe("Audio");
            expect(air.charge).toBeGreaterThan(0);
          }
        },
      ),
      { numRuns: cases(3000) },
    );
    expect(held).toBeGreaterThan(0);
  });
});

it("a simulated level is near what is known, within bounds, and the same within an hour", () => {
  fc.assert(
    fc.property(
      fc.nat(10_000),
      fc.option(fc.nat(100), { nil: undefined }),
      fc.nat(1e9),
      (seed, known, at) => {
        const level = simulatedLevel(seed, known, at);
        expect(Number.isInteger(level) && level >= 0 && level <= 100).toBe(true);
        if (known !== undefined) expect(Math.abs(level - known)).toBeLessThanOrEqual(2);
        expect(simulatedLevel(seed, known, at - (at % 3_600_000))).toBe(level);
      },
    ),
  );
});
