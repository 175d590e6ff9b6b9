// Something is wrong between computer and a simulated radio, so that it can be found and put right.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { putSimulated } from "#db/unit/index.ts";
import { FAULTS } from "#simulators/radio/work.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { simulatedRadio } from "./simulated.ts";
import { unitHere } from "./unit-here.ts";

/** `fault`: none puts all right. Problems: those of a unit; `real`, if no simulated radio stands in for it. */
export const faultRadio = defineAct({
  name: "fault-radio",
  input: z.object({ unit: id, fault: z.enum(FAULTS).optional(), at: z.number().min(0).max(1).optional() }),
  may: "work-at-bench",
  untold: "what is set on a simulated radio is not of the club",
  run: async (tx, { unit, fault, at }) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const radio = await simulatedRadio(tx, unit, true);
    if (!radio) return bad({ kind: "real" as const });
    const faults = fault === undefined ? [] : [{ kind: fault, ...(at !== undefined && { at }) }];
    await putSimulated(tx, unit, { ...radio, faults });
    return good({ answer: { fault: fault ?? null }, log: [] });
  },
});
