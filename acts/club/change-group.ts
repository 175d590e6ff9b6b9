// A group is called or ruled otherwise: what its radios need may be something else from then on.
import { isDeepStrictEqual } from "node:util";
import { bad, good } from "#core/quantities/index.ts";
import { groupById, putGroup } from "#db/club/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { groupFields } from "./group-fields.ts";

/** Problems: `no-group`; `taken`, if another group has that name. */
export const changeGroup = defineAct({
  name: "change-group",
  input: groupFields.extend({ group: id }),
  may: "edit-club",
  corrects: {
    id: ({ group }) => group,
    stored: async (tx, { group }) => {
      const row = await groupById(tx, group);
      return row && { name: row.name, purpose: row.purpose, policy: row.policy };
    },
  },
  run: async (tx, { group, ...input }) => {
    const before = await groupById(tx, group);
    if (!before) return bad({ kind: "no-group" as const });
    const { name, purpose, policy, units } = before;
    if (isDeepStrictEqual({ name, purpose, policy }, input)) return good({ answer: {}, log: [] });
    try {
      await putGroup(tx, group, input);
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
    return good({
      answer: {},
      log: [{ entry: { kind: "policy-changed" as const, group: input.name, units } }],
      touches: [{ scope: { of: "group" as const, id: group }, why: `the policy of ${input.name}` }],
    });
  },
});
