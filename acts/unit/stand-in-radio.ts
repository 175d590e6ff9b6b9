// A simulated radio begins to stand in for one that is not there, so that all of the bench can be tried.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { newestReading } from "#core/unit/index.ts";
import { loadSituation, putSimulated } from "#db/unit/index.ts";
import { newRadio } from "#simulators/radio/radio.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { simulatedRadio } from "./simulated.ts";
import { unitHere } from "./unit-here.ts";

/** Problems: those of a unit. Where one stands in already, nothing changes. */
export const standInRadio = defineAct({
  name: "stand-in-radio",
  input: z.object({ unit: id }),
  may: "edit-unit",
  run: async (tx, { unit }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    if (await simulatedRadio(tx, unit, true)) return good({ answer: { fresh: false }, log: [] });
    const situation = await loadSituation(tx, unit, who.today);
    if (!situation) return bad({ kind: "no-unit" as const });
    const runs = [...situation.catalogue.values()].flatMap(({ component }) => {
      const reading = newestReading(situation.unit, component.id);
      return reading ? [[component.name, reading.raw] as const] : [];
    });
    await putSimulated(tx, unit, newRadio(Number(unit) % 2_000_000_011, Object.fromEntries(runs)));
    return good({
      answer: { fresh: true },
      log: [{ entry: { kind: "unit-changed" as const, what: "a simulated radio stands in for it" }, unit }],
    });
  },
});
