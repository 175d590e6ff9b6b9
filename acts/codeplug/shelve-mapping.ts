// A dialect of channel tables is not kept any more.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { mappingById, shelveMapping as shelve } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problems: `no-mapping`. */
export const shelveMapping = defineAct({
  name: "shelve-mapping",
  input: z.object({ mapping: id }),
  may: "work-at-bench",
  run: async (tx, { mapping }) => {
    const row = await mappingById(tx, mapping);
    if (!row || !(await shelve(tx, mapping))) return bad({ kind: "no-mapping" as const });
    return good({
      answer: {},
      log: [{ entry: { kind: "mapping-shelved" as const, name: row.name } }],
    });
  },
});
