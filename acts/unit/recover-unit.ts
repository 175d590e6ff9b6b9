// A radio is taken back from the shelf, as it was.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { shelveUnit, unitById } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problems: `no-unit`; `taken`, if another radio has its tag by now. One that is not on the shelf stays where it is. */
export const recoverUnit = defineAct({
  name: "recover-unit",
  input: z.object({ unit: id }),
  may: "recover-shelved",
  run: async (tx, { unit }) => {
    if (!(await unitById(tx, unit))) return bad({ kind: "no-unit" as const });
    try {
      if (!(await shelveUnit(tx, unit, false))) return good({ answer: {}, log: [] });
    } catch (error) {
      if (isDuplicate(error, "unit_tag")) return bad({ kind: "taken" as const });
      throw error;
    }
    return good({
      answer: {},
      log: [{ entry: { kind: "unit-recovered" as const }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: "a radio taken back from the shelf" }],
    });
  },
});
