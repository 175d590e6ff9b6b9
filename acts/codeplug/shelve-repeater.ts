// A repeater is not in the club's directory any more.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { repeaterById, shelveRepeater as shelve } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problems: `no-repeater`. */
export const shelveRepeater = defineAct({
  name: "shelve-repeater",
  input: z.object({ repeater: id }),
  may: "edit-plan",
  run: async (tx, { repeater }) => {
    const row = await repeaterById(tx, repeater);
    if (!row || !(await shelve(tx, repeater))) return bad({ kind: "no-repeater" as const });
    return good({
      answer: {},
      log: [{ entry: { kind: "repeater-shelved" as const, name: row.name } }],
    });
  },
});
