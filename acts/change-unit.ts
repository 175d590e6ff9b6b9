// What a radio is gets corrected.
import { bad, good } from "#core/quantities/result.ts";
import { unitChanges, unitShape, writtenUnit } from "#core/unit/fields.ts";
import { isDuplicate } from "#db/errors.ts";
import { changeUnit as change, lockUnit, unitById } from "#db/units.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";
import { hasModel } from "./unit-fields.ts";

/** Answers what was changed, in words. Problems: `no-unit`; those of its fields; `taken`, if another radio has the tag. */
export const changeUnit = defineAct({
  name: "change-unit",
  input: unitShape.extend({ unit: id }),
  may: "edit-unit",
  corrects: {
    id: ({ unit }) => unit,
    standing: async (tx, { unit }) => {
      const row = await unitById(tx, unit);
      return row && writtenUnit(row);
    },
  },
  run: async (tx, { unit, ...input }) => {
    await lockUnit(tx, unit);
    const before = await unitById(tx, unit);
    if (!before) return bad({ kind: "no-unit" as const });
    const fields = await hasModel(tx, input);
    if (!fields.ok) return fields;
    const what = unitChanges(writtenUnit(before), input);
    if (what === "") return good({ answer: { what }, log: [] });
    try {
      await change(tx, unit, input);
    } catch (error) {
      if (isDuplicate(error, "unit_tag")) return bad({ kind: "taken" as const });
      throw error;
    }
    return good({
      answer: { what },
      log: [{ entry: { kind: "unit-changed" as const, what }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `${input.tag} corrected` }],
    });
  },
});
