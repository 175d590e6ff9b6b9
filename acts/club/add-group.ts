// A group of radios is added, with the rule they will follow.
import { bad, good } from "#core/quantities/index.ts";
import { putGroup } from "#db/club/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { defineAct } from "../define.ts";
import { groupFields } from "./group-fields.ts";

/** Problem: `taken`, if a group has that name. */
export const addGroup = defineAct({
  name: "add-group",
  input: groupFields,
  may: "edit-club",
  run: async (tx, input) => {
    try {
      const group = await putGroup(tx, undefined, input);
      return good({
        answer: { group },
        log: [{ entry: { kind: "group-added" as const, name: input.name } }],
      });
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
