// An oddity is put on the shelf.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { quirksOf, shelveQuirk as shelve } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-quirk`. */
export const shelveQuirk = defineAct({
  name: "shelve-quirk",
  input: z.object({ model: id, quirk: id }),
  may: "write-procedure",
  run: async (tx, { model, quirk }) => {
    const before = (await quirksOf(tx, model)).find((q) => q.id === quirk);
    if (!before) return bad({ kind: "no-quirk" as const });
    await shelve(tx, model, quirk);
    return good({
      answer: {},
      log: [{ entry: { kind: "quirk-shelved" as const, symptom: before.symptom }, model }],
    });
  },
});
