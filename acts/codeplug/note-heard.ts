// Somebody heard a repeater, or confirmed what the directory says of it.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { noteHeard as note, repeaterById } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Today, by whoever says so; the same twice on a day is once. Problems: `no-repeater`. */
export const noteHeard = defineAct({
  name: "note-heard",
  input: z.object({ repeater: id, how: z.enum(["heard", "confirmed"]) }),
  may: "practise",
  run: async (tx, { repeater, how }, who) => {
    const row = await repeaterById(tx, repeater);
    if (!row) return bad({ kind: "no-repeater" as const });
    if (row.last_on === who.today && row.last_how === how) return good({ answer: {}, log: [] });
    await note(tx, { repeater, on: who.today, how, by: who.person });
    return good({
      answer: {},
      log: [{ entry: { kind: "repeater-heard" as const, name: row.name, how } }],
    });
  },
});
