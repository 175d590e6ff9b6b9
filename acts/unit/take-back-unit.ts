// A radio comes back.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { lockUnit, takeBack } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `not-out`. */
export const takeBackUnit = defineAct({
  name: "take-back-unit",
  input: z.object({ unit: id }),
  may: "lend-and-take-back",
  run: async (tx, { unit }, who) => {
    await lockUnit(tx, unit);
    const from = await takeBack(tx, unit, who.today);
    if (from === undefined) return bad({ kind: "not-out" as const });
    return good({
      answer: { from },
      log: [{ entry: { kind: "back" as const, from }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: "a radio that came back" }],
    });
  },
});
