// A radio goes out to somebody of the club, until a day or without one.
import { z } from "zod";
import { plainDate } from "#core/quantities/date.ts";
import { bad, good } from "#core/quantities/result.ts";
import { people } from "#db/people.ts";
import { lendUnit as lend, lockUnit } from "#db/units.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";
import { unitHere } from "./unit-here.ts";

/** Problems: those of a unit; `no-person`; `past`, for the day it is due back; `out`, with who has it. */
export const lendUnit = defineAct({
  name: "lend-unit",
  input: z.object({ unit: id, person: id, dueBack: plainDate.optional() }),
  may: "lend-and-take-back",
  run: async (tx, { unit, person, dueBack }, who) => {
    await lockUnit(tx, unit);
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const taker = (await people(tx)).find((p) => p.id === person);
    if (!taker) return bad({ kind: "no-person" as const });
    if (dueBack !== undefined && dueBack < who.today) return bad({ kind: "past" as const });
    if (here.value.holder) return bad({ kind: "out" as const, to: here.value.holder });
    await lend(tx, unit, { person, outOn: who.today, dueBack: dueBack ?? null, note: "" });
    return good({
      answer: { to: taker.name },
      log: [{ entry: { kind: "lent" as const, to: taker.name, ...(dueBack && { dueBack }) }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `${here.value.tag} lent` }],
    });
  },
});
