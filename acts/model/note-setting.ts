// Which value a service setting has in a radio gets noted: somebody looked, or changed it, and why.
import { z } from "zod";
import { settingStanding } from "#core/dossier/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { addUnitSetting, serviceItems, settingsIn, unitSettings } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

/**
 * `changed`: it was set to this, not only found so. Problems: those of a unit; `no-setting`, if its model has none such; `no-reason`, if what
 * is never to be touched was changed to something unusual and nobody says why.
 */
export const noteSetting = defineAct({
  name: "note-setting",
  input: z.object({
    unit: id,
    item: id,
    value: z.string().trim().min(1, "What does it show?").max(60, "At most 60 signs."),
    changed: z.boolean(),
    why: z.string().trim().max(300, "At most 300 signs."),
  }),
  may: "see-unlocking",
  run: async (tx, { unit, item, value, changed, why }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const row = settingsIn(await serviceItems(tx, here.value.model_id)).find((one) => one.id === item);
    if (!row) return bad({ kind: "no-setting" as const });
    if (changed && why === "" && settingStanding(row.facts, value) === "touched")
      return bad({ kind: "no-reason" as const });
    const last = (await unitSettings(tx, unit, 1)).find((one) => one.item_id === item);
    if (!changed && last?.value === value && why === "") return good({ answer: {}, log: [] });
    await addUnitSetting(tx, { unit, item, value, changed, why, by: who.person });
    const entry = { kind: "setting-noted" as const, name: row.name, value, changed, why };
    return good({ answer: {}, log: [{ entry, unit }] });
  },
});
