// In which mode a radio is gets noted: it was switched to it, or somebody says so. What was proved comes of a run.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { addUnitMode, modesOf, unitModes } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { hasUnit, unitHere } from "../unit/unit-here.ts";

/** Problems: those of a unit; `no-mode`, if its model has none such. */
export const noteMode = defineAct({
  name: "note-mode",
  input: z.object({
    unit: id,
    mode: id,
    how: z.enum(["set", "told"]),
    why: z.string().trim().max(500, "At most 500 signs."),
  }),
  may: "record-reading",
  holdsUnit: (tx, { unit }, who) => hasUnit(tx, unit, who.person),
  run: async (tx, { unit, mode, how, why }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const known = (await modesOf(tx, here.value.model_id)).find((one) => one.id === mode);
    if (!known) return bad({ kind: "no-mode" as const });
    const [last] = await unitModes(tx, unit, 1);
    if (how === "told" && last?.mode_id === mode && why === "") return good({ answer: {}, log: [] });
    await addUnitMode(tx, { unit, mode, how, why, by: who.person });
    return good({
      answer: {},
      log: [{ entry: { kind: "mode-noted" as const, name: known.name, how, why }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `the mode of ${here.value.tag}` }],
    });
  },
});
