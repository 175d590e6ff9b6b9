// A spectrum that was wrong is struck: it stays, crossed out.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { spectraOf, strikeSpectrum as strike } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

/** Problems: those of a unit; `struck`, if it is already, or is not of this radio. */
export const strikeSpectrum = defineAct({
  name: "strike-spectrum",
  input: z.object({
    unit: id,
    spectrum: id,
    why: z.string().trim().min(1, "Say why.").max(300, "At most 300 signs."),
  }),
  may: "strike-reading",
  run: async (tx, { unit, spectrum, why }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const known = (await spectraOf(tx, unit, 1000)).find((one) => one.id === spectrum);
    if (!known || !(await strike(tx, unit, spectrum, who.person, why)))
      return bad({ kind: "struck" as const });
    const entry = { kind: "spectrum-struck" as const, carrier: known.carrier_hz, why };
    return good({ answer: {}, log: [{ entry, unit }] });
  },
});
