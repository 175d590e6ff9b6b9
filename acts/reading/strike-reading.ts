// A reading that was wrong is struck, with a reason: it stays, crossed out, and counts no more.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { strikeReading as strike } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id, why } from "../shapes.ts";

/** Problem: `struck`, if it is already, or is not of this radio. */
export const strikeReading = defineAct({
  name: "strike-reading",
  input: z.object({ unit: id, reading: id, why }),
  may: "strike-reading",
  run: async (tx, { unit, reading, why }) => {
    const struck = await strike(tx, unit, reading, why);
    if (!struck) return bad({ kind: "struck" as const });
    return good({
      answer: struck,
      log: [{ entry: { kind: "reading-struck" as const, ...struck, why }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: "a struck reading" }],
    });
  },
});
