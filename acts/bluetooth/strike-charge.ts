// What was noted wrongly of a battery is struck: it stays, crossed out, and counts no more.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { deviceById, strikeCharge as strike } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id, why } from "../shapes.ts";

/** Problems: `no-device`; `struck`, if it is already, or is not of this device. */
export const strikeCharge = defineAct({
  name: "strike-charge",
  input: z.object({ device: id, charge: id, why }),
  may: "strike-reading",
  run: async (tx, { device, charge, why: reason }, who) => {
    const here = await deviceById(tx, device);
    if (!here) return bad({ kind: "no-device" as const });
    const how = await strike(tx, device, charge, who.person, reason);
    if (how === undefined) return bad({ kind: "struck" as const });
    return good({
      answer: {},
      log: [{ entry: { kind: "charge-struck" as const, device: here.tag, how, why: reason } }],
    });
  },
});
