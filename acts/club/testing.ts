// What the acts of this room are tried with.
import fc from "fast-check";
import { FIRST_STEPS } from "#core/club/first-steps.ts";
import { emptyClub, maybe, mostly, NOWHERE, type Some, type World } from "../trials/testing.ts";

export const clubTrials = (world: World, { day }: Some) => {
  const place = fc.record({
    name: mostly(["The loft", "The hut", "The barn"], ["", "x".repeat(200)]),
    kind: mostly(["shelf", "room"], ["cellar"]),
    note: maybe(mostly(["dry", "damp"], ["x".repeat(201)])),
  });
  const group = fc.record({
    name: mostly(["Night watch", "Day watch", "Dawn watch"], ["", "x".repeat(200)]),
    purpose: mostly(["the tide"], ["x".repeat(300)]),
    policy: fc.record({
      rule: fc.oneof(
        fc.constantFrom({ kind: "newest" }, { kind: "newest-but-one" }),
        fc.integer({ min: 0, max: 400 }).map((days) => ({ kind: "settled", days })),
        fc.constant({ kind: "fixes", tags: [], atLeast: "safety" }),
      ),
      tracks: fc.subarray(["beta", "community"]),
      safetyBreaksHold: fc.boolean(),
      recheckAfterDays: mostly([30, 365], [0]),
      hold: maybe(fc.record({ until: day, why: fc.constant("the tide") })),
    }),
  });
  return {
    "bring-club-back": fc.constantFrom({ text: "{}" }, { text: "no document" }, { text: emptyClub(world) }),
    "add-group": group,
    "add-place": place,
    "change-group": fc
      .tuple(mostly(world.groups.slice(0, -1), [NOWHERE]), group)
      .map(([id, rest]) => ({ group: id, ...rest })),
    "change-place": fc
      .tuple(mostly(world.places.slice(0, -1), [NOWHERE]), place)
      .map(([id, rest]) => ({ place: id, ...rest })),
    "set-first-step": fc.record({ step: fc.constantFrom(...FIRST_STEPS), wanted: fc.boolean() }),
  };
};
