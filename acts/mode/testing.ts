// What the acts of this room are tried with.
import fc from "fast-check";
import { mostly, NOWHERE, type Some, type World, words } from "../trials/testing.ts";

export const modeTrials = (world: World, { mode }: Some) => {
  const segment = fc.constantFrom(...world.segments);
  return {
    "write-mode": fc
      .tuple(mode, fc.boolean(), fc.constantFrom([[144, 146]], [[136, 174]], []), mostly([null], [NOWHERE]))
      .map(([{ model, mode: id, stands }, anew, transmit, enter]) => ({
        ...stands,
        model,
        enter,
        ...(anew ? { mode: id } : { name: "one more" }),
        transmit: transmit.map(([from = 0, to = 0]) => ({ from: from * 1e6, to: to * 1e6 })),
      })),
    "shelve-mode": mode.map(({ model, mode: id }) => ({ model, mode: id })),
    "note-mode": fc
      .tuple(fc.constantFrom(...world.inModes), fc.constantFrom("set", "told"), words)
      .map(([one, how, why]) => ({ ...one, how, why })),
    "write-segment": fc
      .tuple(segment, fc.boolean(), fc.constantFrom(144e6, 145e6, 1))
      .map(([{ segment: id, stands }, anew, from]) => ({ ...stands, from, ...(anew && { segment: id }) })),
    "shelve-segment": segment.map(({ segment: id }) => ({ segment: id })),
    "import-band-plan": segment.map(({ stands }) => ({ plan: [stands] })),
  };
};
