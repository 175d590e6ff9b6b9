// A try of a procedure in practice, brought to its end.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { procedureById } from "#db/model/index.ts";
import { addTry } from "#db/run/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-procedure`. Whoever looks may practise: it is their own time that is kept. */
export const notePractice = defineAct({
  name: "note-practice",
  input: z.object({
    model: id,
    procedure: id,
    clean: z.boolean(),
    ms: z.number().int().min(0).max(86_400_000),
  }),
  may: "practise",
  untold: "practice is nobody's business but one's own",
  run: async (tx, { model, procedure, clean, ms }, who) => {
    if (!(await procedureById(tx, model, procedure))) return bad({ kind: "no-procedure" as const });
    await addTry(tx, { person: who.person, procedure, clean, ms });
    return good({ answer: { clean }, log: [] });
  },
});
