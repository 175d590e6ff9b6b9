// How something is done is put on the shelf.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { procedureById, shelveProcedure as shelve } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-procedure`. */
export const shelveProcedure = defineAct({
  name: "shelve-procedure",
  input: z.object({ model: id, procedure: id }),
  may: "write-procedure",
  run: async (tx, { model, procedure }) => {
    const before = await procedureById(tx, model, procedure);
    if (!before) return bad({ kind: "no-procedure" as const });
    await shelve(tx, model, procedure);
    return good({
      answer: {},
      log: [{ entry: { kind: "procedure-shelved" as const, title: before.title }, model }],
    });
  },
});
