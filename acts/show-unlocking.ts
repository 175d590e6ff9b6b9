// The steps that unlock a radio are shown to somebody: noted, once an hour and person at most.
import { z } from "zod";
import { isGuarded } from "#core/dossier/procedure.ts";
import { bad, good } from "#core/quantities/result.ts";
import { procedureById } from "#db/dossier.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";

/** Problems: `no-procedure`; `not-guarded`, of which nothing has to be noted. */
export const showUnlocking = defineAct({
  name: "show-unlocking",
  input: z.object({ model: id, procedure: id }),
  may: "see-unlocking",
  shows: true,
  run: async (tx, { model, procedure }) => {
    const row = await procedureById(tx, model, procedure);
    if (!row) return bad({ kind: "no-procedure" as const });
    if (!isGuarded(row)) return bad({ kind: "not-guarded" as const });
    return good({
      answer: {},
      log: [{ entry: { kind: "unlocking-shown" as const, what: row.title }, model }],
    });
  },
});
