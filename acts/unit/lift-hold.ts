// A hold is lifted.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { setHold } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "./unit-here.ts";

/** Problems: those of a unit; `not-held`. */
export const liftHold = defineAct({
  name: "lift-hold",
  input: z.object({ unit: id }),
  may: "hold-unit",
  run: async (tx, { unit }) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const lifted = await setHold(tx, [unit], null);
    if (lifted.length === 0) return bad({ kind: "not-held" as const });
    return good({
      answer: {},
      log: [{ entry: { kind: "hold-lifted" as const }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: "a hold that was lifted" }],
    });
  },
});
