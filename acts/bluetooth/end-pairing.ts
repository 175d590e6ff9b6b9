// A pairing is no more: it was taken apart on purpose.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { endPairing as end } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id, MOST_WHY } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";
import { pairingHere } from "./pairing-here.ts";

/** Problems: those of a unit; `no-pairing`. */
export const endPairing = defineAct({
  name: "end-pairing",
  input: z.object({
    unit: id,
    pairing: id,
    why: z.string().trim().max(MOST_WHY, `At most ${MOST_WHY} signs.`),
  }),
  may: "work-at-bench",
  run: async (tx, { unit, pairing, why }) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const found = await pairingHere(tx, unit, pairing);
    if (!found.ok) return found;
    if (!(await end(tx, pairing, why))) return bad({ kind: "no-pairing" as const });
    const { device } = found.value;
    return good({
      answer: {},
      log: [{ entry: { kind: "pairing-ended" as const, device, why }, unit }],
      touches: [
        {
          scope: { of: "units" as const, ids: [unit] },
          why: `${here.value.tag} and ${device} taken apart`,
        },
      ],
    });
  },
});
