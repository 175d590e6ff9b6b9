// A radio is put into the cabinet.
import { bad, good } from "#core/quantities/index.ts";
import { unitShape } from "#core/unit/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { addUnit as add } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { hasModel } from "./unit-fields.ts";

/** Problems: those of its fields; `taken`, if another radio has the tag. */
export const addUnit = defineAct({
  name: "add-unit",
  input: unitShape,
  may: "edit-unit",
  run: async (tx, input, who) => {
    const fields = await hasModel(tx, input);
    if (!fields.ok) return fields;
    try {
      const unit = await add(tx, input, who.today);
      return good({
        answer: { unit },
        log: [{ entry: { kind: "unit-added" as const, tag: input.tag, how: "form" as const }, unit }],
        touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `${input.tag} added` }],
      });
    } catch (error) {
      if (isDuplicate(error, "unit_tag")) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
