// A mode is put on the shelf. A radio that is in it stays so, as far as anybody knows.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { modesOf, shelveMode as shelve } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-mode`. */
export const shelveMode = defineAct({
  name: "shelve-mode",
  input: z.object({ model: id, mode: id }),
  may: "write-procedure",
  run: async (tx, { model, mode }) => {
    const before = (await modesOf(tx, model)).find((one) => one.id === mode);
    if (!before) return bad({ kind: "no-mode" as const });
    await shelve(tx, model, mode);
    return good({
      answer: {},
      log: [{ entry: { kind: "mode-shelved" as const, name: before.name }, model }],
    });
  },
});
