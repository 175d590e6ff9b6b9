import { describe, expect, it } from "vitest";
import { BATTERIES, DEVICE_KINDS, isOutOfUse, movesKind, OWN_KINDS } from "./devices.ts";

describe("devices", () => {
  it("a swollen or a retired battery is out of use; one that is sound, or none, is not", () => {
    expect(BATTERIES.filter(isOutOfUse)).toEqual(["swollen", "retired"]);
  });

  it("what is entered for itself may become any other of those; a programmer and a radio stay what they are", () => {
    for (const is of DEVICE_KINDS) {
      const isOwn = OWN_KINDS.includes(is);
      expect(movesKind(undefined, is)).toBe(!isOwn);
      for (const was of DEVICE_KINDS)
        expect(movesKind(was, is)).toBe(OWN_KINDS.includes(was) ? !isOwn : was !== is);
    }
  });
});
