// A radio's battery and Bluetooth are looked after from now on: it becomes one of the devices.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { deviceOf, putRadio } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

/** Problems: those of a unit; `there-already`. */
export const addBattery = defineAct({
  name: "add-battery",
  input: z.object({ unit: id }),
  may: "work-at-bench",
  run: async (tx, { unit }) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    if (await deviceOf(tx, "unit", unit)) return bad({ kind: "there-already" as const });
    const device = await putRadio(tx, unit, here.value.tag);
    const what = `battery of ${here.value.tag}`;
    return good({
      answer: { device },
      log: [{ entry: { kind: "kit-added" as const, what }, unit }],
    });
  },
});
