// What the acts of this room are tried with.
import fc from "fast-check";
import { maybe, mostly, NOWHERE, type Some, type World, words } from "../trials/testing.ts";

export const bluetoothTrials = (world: World, { day, unit }: Some) => {
  return {
    "add-battery": fc.record({ unit }),
    "note-charge": fc.record({
      device: mostly(world.devices.slice(0, -2), world.devices.slice(-2)),
      what: fc.oneof(
        fc.record({
          kind: fc.constantFrom("level", "used"),
          percent: mostly([0, 12.5, 80, 100], [-1, 101, Number.NaN]),
        }),
        fc.record({ kind: fc.constantFrom("plugged", "unplugged") }),
      ),
      how: fc.constantFrom("typed", "read"),
      at: maybe(day.map((on) => `${on}T09:30`)),
    }),
    "pair-device": fc.record({
      unit: mostly([...new Set(world.pairings.map((one) => one.unit))], world.units.slice(-2)),
      device: mostly(world.devices.slice(0, -1), [NOWHERE]),
      proved: fc.boolean(),
      ends: fc.boolean(),
    }),
    "note-pairing": fc.constantFrom(...world.pairings).chain((one) =>
      fc
        .record({ what: fc.constantFrom("proved", "dropped", "failed", "lost"), note: words })
        .map((more) => ({
          ...one,
          ...more,
        })),
    ),
    "set-pairing": fc.constantFrom(...world.pairings).chain((one) =>
      fc
        .record({
          settings: mostly(["hold time = 3 s: gloves", ""], ["no setting at all", "x = y".repeat(200)]),
        })
        .map((more) => ({ ...one, ...more })),
    ),
    "end-pairing": fc
      .constantFrom(...world.pairings)
      .chain((one) => fc.record({ why: words }).map((more) => ({ ...one, ...more }))),
    "keep-profile": fc.record({
      device: mostly(world.programmers.slice(0, -1), [NOWHERE]),
      backup: mostly(world.backups.slice(0, -1), [NOWHERE]),
      name: mostly(["Lanterns", "Sluices"], ["", "x".repeat(81)]),
    }),
    "shelve-profile": fc.constantFrom(...world.profiles).map((profile) => ({ profile })),
    "strike-charge": fc
      .constantFrom(...world.charges)
      .chain((one) => fc.record({ why: mostly(["misread"], [""]) }).map((more) => ({ ...one, ...more }))),
    "read-simulated-level": fc.record({ device: mostly(world.devices.slice(0, -1), [NOWHERE]) }),
    "tie-device": fc.record({
      device: mostly(world.programmers.slice(0, -1), world.programmers.slice(-1)),
      tag: mostly(["W-05", "B-01", ""], ["Z-99", "x".repeat(41)]),
    }),
  };
};
