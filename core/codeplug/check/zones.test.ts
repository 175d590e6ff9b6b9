// Zones: what they hold in all, and how many of them blocks take.

import fc from "fast-check";
import { expect, it } from "vitest";
import { zoneRoom, zonesFor } from "./zones.ts";

it("what nobody has noted has no room that could be too small", () => {
  expect(zoneRoom({})).toBeUndefined();
  expect(zoneRoom({ zones: 4 })).toBeUndefined();
  expect(zoneRoom({ perZone: 4 })).toBeUndefined();
  expect(zoneRoom({ zones: 4, perZone: 16 })).toBe(64);
});

it("a block takes as many zones as filling them one by one does", () => {
  const block = fc.record({ name: fc.string({ maxLength: 4 }), kept: fc.nat(70) });
  fc.assert(
    fc.property(fc.array(block, { maxLength: 5 }), fc.integer({ min: 1, max: 20 }), (blocks, perZone) => {
      const filled = blocks.flatMap(({ name, kept }) => {
        let zones = 0;
        for (let free = 0, i = 0; i < kept; i++, free--) {
          if (free > 0) continue;
          zones++;
          free = perZone;
        }
        return zones === 0 ? [] : [{ name, zones }];
      });
      expect(zonesFor(blocks, perZone)).toEqual(filled);
    }),
  );
});
