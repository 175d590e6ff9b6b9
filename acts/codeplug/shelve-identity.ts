// A digital ID or a call sign is nobody's any more.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { identityById, shelveIdentity as shelve } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problems: `no-identity`. */
export const shelveIdentity = defineAct({
  name: "shelve-identity",
  input: z.object({ identity: id }),
  may: "edit-plan",
  run: async (tx, { identity }) => {
    const row = await identityById(tx, identity);
    if (!row || !(await shelve(tx, identity))) return bad({ kind: "no-identity" as const });
    const whose = row.tag ?? row.owner ?? "";
    return good({
      answer: {},
      log: [
        {
          entry: { kind: "identity-shelved" as const, what: row.kind, whose, value: row.value ?? "" },
          ...(row.unit_id && { unit: row.unit_id }),
        },
      ],
      touches: row.unit_id
        ? [{ scope: { of: "units" as const, ids: [row.unit_id] }, why: `an ID of ${whose}` }]
        : [],
    });
  },
});
