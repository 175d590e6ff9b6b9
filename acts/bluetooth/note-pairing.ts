// How a pairing went when somebody looked: it held, dropped, failed, or was lost to a reset.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { addPairingEvent, PAIRING_EVENTS } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";
import { pairingHere } from "./pairing-here.ts";

/** Problems: those of a unit; `no-pairing`. */
export const notePairing = defineAct({
  name: "note-pairing",
  input: z.object({
    unit: id,
    pairing: id,
    what: z.enum(PAIRING_EVENTS),
    note: z.string().trim().max(300, "At most 300 signs."),
  }),
  may: "work-at-bench",
  run: async (tx, { unit, pairing, what, note }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const found = await pairingHere(tx, unit, pairing);
    if (!found.ok) return found;
    await addPairingEvent(tx, { pairing, kind: what, note, by: who.person });
    const { device } = found.value;
    return good({
      answer: {},
      log: [{ entry: { kind: "pairing-noted" as const, device, how: what, note }, unit }],
      touches: [
        {
          scope: { of: "units" as const, ids: [unit] },
          why: `the pairing of ${here.value.tag} with ${device}`,
        },
      ],
    });
  },
});
