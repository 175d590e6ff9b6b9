// What a radio is gets corrected.
import { bad, good } from "#core/quantities/result.ts";
import { isDuplicate } from "#db/errors.ts";
import { changeUnit as change, lockUnit, type UnitFields, type UnitRow, unitById } from "#db/units.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";
import { fieldsIn, unitShape, unitStands } from "./unit-fields.ts";

/** Answers what was changed, in words. Problems: `no-unit`; those of its fields; `taken`, if another radio has the tag. */
export const changeUnit = defineAct({
  name: "change-unit",
  input: unitShape.extend({ unit: id }),
  may: "edit-unit",
  corrects: {
    id: ({ unit }) => unit,
    standing: async (tx, { unit }) => {
      const row = await unitById(tx, unit);
      return row && unitStands(row);
    },
  },
  run: async (tx, { unit, ...input }) => {
    await lockUnit(tx, unit);
    const before = await unitById(tx, unit);
    if (!before) return bad({ kind: "no-unit" as const });
    const fields = await fieldsIn(tx, input);
    if (!fields.ok) return fields;
    const what = changesIn(before, fields.value);
    if (what === "") return good({ answer: { what }, log: [] });
    try {
      await change(tx, unit, fields.value);
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

/** What is different now, in words: "tag W-03 to W-30, group". */
function changesIn(before: UnitRow, after: UnitFields): string {
  const changed = [
    before.tag !== after.tag && `tag ${before.tag} to ${after.tag}`,
    before.model_id !== after.model && "model",
    before.hardware_revision_id !== after.hardwareRevision && "hardware revision",
    before.region !== after.region && "region",
    before.serial !== after.serial && "serial number",
    before.place_id !== after.place && "place",
    before.group_id !== after.group && "group",
    before.note !== after.note && "note",
  ];
  return changed.filter(Boolean).join(", ");
}
