// A programmer's own firmware is kept like a radio's: as a unit of a model that has components and releases, with standings, needs and routes.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { deviceById, deviceOf, tieDevice as tie } from "#db/kit/index.ts";
import { unitByTag } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** `tag`: of the unit; empty: of none any more. Problems: `no-device`; `not-programmer`; `no-unit`; `taken`, by the device that has it; `same`. */
export const tieDevice = defineAct({
  name: "tie-device",
  input: z.object({ device: id, tag: z.string().trim().max(40, "At most 40 signs.") }),
  may: "edit-kit",
  run: async (tx, { device, tag }) => {
    const here = await deviceById(tx, device);
    if (!here) return bad({ kind: "no-device" as const });
    if (here.kind !== "programmer") return bad({ kind: "not-programmer" as const });
    const unit = tag === "" ? undefined : await unitByTag(tx, tag);
    if (tag !== "" && (!unit || unit.shelved_at !== null)) return bad({ kind: "no-unit" as const });
    if ((unit?.id ?? null) === here.unit_id) return bad({ kind: "same" as const });
    const other = unit && (await deviceOf(tx, "unit", unit.id));
    if (other) return bad({ kind: "taken" as const, by: other.tag });
    try {
      await tie(tx, device, unit?.id ?? null);
    } catch (error) {
      // A battery that was looked after, and is on the shelf, has the radio still.
      if (isDuplicate(error, "device_unit")) return bad({ kind: "taken" as const, by: unit?.tag ?? "" });
      throw error;
    }
    return good({
      answer: {},
      log: [{ entry: { kind: "device-tied" as const, device: here.tag, unit: unit?.tag ?? "" } }],
    });
  },
});
