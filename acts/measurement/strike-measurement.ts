// A measurement that was wrong is struck: it stays, crossed out, and counts no more.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { measurementsOf, strikeMeasurement as strike } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

/** Problems: those of a unit; `struck`, if it is already, or is not of this radio. */
export const strikeMeasurement = defineAct({
  name: "strike-measurement",
  input: z.object({
    unit: id,
    measurement: id,
    why: z.string().trim().min(1, "Say why.").max(300, "At most 300 signs."),
  }),
  may: "strike-reading",
  run: async (tx, { unit, measurement, why }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const known = (await measurementsOf(tx, unit, 1000)).find((one) => one.id === measurement);
    if (!known || !(await strike(tx, unit, measurement, who.person, why)))
      return bad({ kind: "struck" as const });
    return good({
      answer: {},
      log: [
        { entry: { kind: "measurement-struck" as const, what: known.kind, value: known.value, why }, unit },
      ],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `a measurement of ${here.value.tag}` }],
    });
  },
});
