// A limit goes on the shelf: no spectrum is held against it from then on; what was held against it stays so.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { limitsOf, shelveLimit as shelve } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-limit`. */
export const shelveLimit = defineAct({
  name: "shelve-limit",
  input: z.object({ limit: id }),
  may: "edit-club",
  run: async (tx, { limit }) => {
    const row = (await limitsOf(tx)).find((one) => one.id === limit);
    if (!row) return bad({ kind: "no-limit" as const });
    await shelve(tx, limit);
    return good({
      answer: {},
      log: [{ entry: { kind: "limit-shelved" as const, name: row.name } }],
    });
  },
});
