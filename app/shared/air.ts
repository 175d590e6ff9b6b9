// What a simulated device and radio need to know of each other, from what is written down of pairing them.
import type { PairAdvice } from "#core/bluetooth/index.ts";
import type { AirKind } from "#simulators/bluetooth/air.ts";

/** A phone that is always near, and a thing of the same kind that is somebody else's. Their addresses lie in the range kept for examples. */
const NEIGHBOURS = [
  { name: "PHONE OF A PASSER-BY", address: "02:00:5E:10:0F:01" },
  { name: "KITCHEN", address: "02:00:5E:10:0F:02" },
];
const USUAL_PER_USE = 6;

export const airOf = (
  advice: Pick<PairAdvice, "what" | "menu" | "wrongMenu" | "pin" | "pinSeconds">,
  device: { readonly shows?: string; readonly address?: string | null; readonly perUse?: number | null } = {},
): AirKind => ({
  name: device.shows || advice.what.toUpperCase().slice(0, 20),
  address: device.address ?? "02:00:5E:10:0F:03",
  menu: advice.menu,
  ...(advice.wrongMenu !== "" && { wrongMenu: advice.wrongMenu }),
  ...(advice.pin !== "" && { pin: advice.pin }),
  ...(advice.pinSeconds !== undefined && { pinSeconds: advice.pinSeconds }),
  perUse: device.perUse ?? USUAL_PER_USE,
  dropsAfterWrite: true,
  neighbours: NEIGHBOURS,
});
