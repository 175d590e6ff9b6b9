// What a radio is gets corrected.
import { bad, good } from "#core/quantities/index.ts";
import { unitChanges, unitShape, writtenUnit } from "#core/unit/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { changeUnit as change, lockUnit, unitById } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { carryReadings } from "../reading/carry-readings.ts";
import { id } from "../shapes.ts";
import { hasModel } from "./unit-fields.ts";

/** Answers what was changed, in words. Problems: `no-unit`; those of its fields; `taken`, if another radio has the tag. */
export const changeUnit = defineAct({
  name: "change-unit",
  input: unitShape.extend({ unit: id }),
  may: "edit-unit",
  corrects: {
    id: ({ unit }) => unit,
    stored: async (tx, { unit }) => {
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
    const along = before.model_id === input.model ? undefined : await carryReadings(tx, unit);
    const told = along ? `${what}${sayAlong(along)}` : what;
    return good({
      answer: { what: told },
      log: [{ entry: { kind: "unit-changed" as const, what: told }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `${input.tag} corrected` }],
    });
  },
});

const sayAlong = ({ carried, left }: { readonly carried: number; readonly left: number }): string =>
  [
    carried > 0 ? `; ${carried} of its readings go along` : "",
    left > 0 ? `; ${left} are of parts that this model does not have` : "",
  ].join("");
