// Radios are put on hold until a day, for a reason: nothing about them is due before, but what their policy lets break a hold.
import { z } from "zod";
import { bad, good, plainDate } from "#core/quantities/index.ts";
import { setHold } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id, MOST_UNITS, why } from "../shapes.ts";

/** Answers those whose hold is another now. Problem: `past`. */
export const holdUnits = defineAct({
  name: "hold-units",
  input: z.object({
    units: z
      .array(id)
      .min(1, "Pick at least one radio.")
      .max(MOST_UNITS, `Pick at most ${MOST_UNITS.toLocaleString("en")} radios at a time.`),
    until: plainDate,
    why,
  }),
  may: "hold-unit",
  run: async (tx, { units, until, why }, who) => {
    if (until < who.today) return bad({ kind: "past" as const });
    const held = await setHold(tx, [...new Set(units)], { until, why });
    return good({
      answer: { held },
      log: held.map((unit) => ({ entry: { kind: "hold-set" as const, until, why }, unit })),
      touches: held.length > 0 ? [{ scope: { of: "units" as const, ids: held }, why: "a hold" }] : [],
    });
  },
});
