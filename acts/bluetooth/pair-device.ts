// A radio and a device are paired: noted of what somebody did without a run.
import { z } from "zod";
import { isOutOfUse } from "#core/kit/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { addPairing, addPairingEvent, deviceById, endPairing } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";
import { pairingsBeside } from "./pair-facts.ts";

/**
 * `proved`: somebody saw that it holds. `ends`: what it holds no more beside this one is ended; without it, that is refused. Problems: those of
 * a unit; `no-device`; `itself`; `paired-already`; `out`, if its battery is out of use; `full`, with the radios that it holds.
 */
export const pairDevice = defineAct({
  name: "pair-device",
  input: z.object({ unit: id, device: id, proved: z.boolean(), ends: z.boolean() }),
  may: "work-at-bench",
  run: async (tx, { unit, device: asked, proved, ends }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const device = await deviceById(tx, asked);
    if (!device) return bad({ kind: "no-device" as const });
    if (device.unit_id === unit) return bad({ kind: "itself" as const });
    if (isOutOfUse(device.battery)) return bad({ kind: "out" as const });
    const { own, over } = await pairingsBeside(tx, unit, device);
    if (own) return bad({ kind: "paired-already" as const });
    if (over.length > 0 && !ends)
      return bad({ kind: "full" as const, holds: device.holds, with: over.map(({ tag }) => tag) });
    const why = `paired with ${here.value.tag} instead`;
    for (const one of over) await endPairing(tx, one.id, why);
    const pairing = await addPairing(tx, { device: asked, unit, by: who.person });
    if (proved) await addPairingEvent(tx, { pairing, kind: "proved", note: "", by: who.person });
    return good({
      answer: { pairing },
      log: [
        { entry: { kind: "paired" as const, device: device.tag }, unit },
        ...over.map((one) => ({
          entry: { kind: "pairing-ended" as const, device: device.tag, why },
          unit: one.unit_id,
        })),
      ],
      touches: [
        {
          scope: { of: "units" as const, ids: [unit, ...over.map((one) => one.unit_id)] },
          why: `${here.value.tag} paired with ${device.tag}`,
        },
      ],
    });
  },
});
