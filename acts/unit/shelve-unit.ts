// A radio is put on the shelf: it leaves the wall and the lists, its history stays.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { shelveUnit as shelve, unitById } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id, MOST_WHY } from "../shapes.ts";

/** Problem: `no-unit`. One that is on the shelf already stays there. */
export const shelveUnit = defineAct({
  name: "shelve-unit",
  input: z.object({ unit: id, why: z.string().trim().max(MOST_WHY) }),
  may: "edit-unit",
  run: async (tx, { unit, why }) => {
    if (!(await unitById(tx, unit))) return bad({ kind: "no-unit" as const });
    if (!(await shelve(tx, unit, true))) return good({ answer: {}, log: [] });
    return good({
      answer: {},
      log: [{ entry: { kind: "unit-shelved" as const, why: why || "no reason given" }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: "a radio that was shelved" }],
    });
  },
});
