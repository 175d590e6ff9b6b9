// A radio goes out to somebody of the club, until a day or without one.
import { z } from "zod";
import { modeStanding } from "#core/modes/index.ts";
import { bad, good, type PlainDate, plainDate } from "#core/quantities/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { people } from "#db/club/index.ts";
import { knownMode, modesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { lendUnit as lend, loadSituation, lockUnit } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { modesHere } from "../errands/work.ts";
import { id } from "../shapes.ts";
import { unitHere } from "./unit-here.ts";

/**
 * Problems: those of a unit; `no-person`; `past`, for the day it is due back; `out`, with who has it; `beyond`, if in its mode it transmits where
 * who is to have it may not, with how much of the air that is, in hertz, and the names of the modes that would fit.
 */
export const lendUnit = defineAct({
  name: "lend-unit",
  input: z.object({
    unit: id,
    person: id,
    dueBack: plainDate.optional(),
    /** That it transmits where they may not is known, and it is lent all the same. */
    knowing: z.boolean().optional(),
  }),
  may: "lend-and-take-back",
  run: async (tx, { unit, person, dueBack, knowing }, who) => {
    await lockUnit(tx, unit);
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const taker = (await people(tx)).find((p) => p.id === person);
    if (!taker) return bad({ kind: "no-person" as const });
    if (dueBack !== undefined && dueBack < who.today) return bad({ kind: "past" as const });
    if (here.value.holder) return bad({ kind: "out" as const, to: here.value.holder });
    const beyond = knowing ? undefined : await beyondFor(tx, unit, taker.licence_class, who.today);
    if (beyond) return bad({ kind: "beyond" as const, to: taker.name, ...beyond });
    await lend(tx, unit, { person, outOn: who.today, dueBack: dueBack ?? null, note: "" });
    return good({
      answer: { to: taker.name },
      log: [{ entry: { kind: "lent" as const, to: taker.name, ...(dueBack && { dueBack }) }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `${here.value.tag} lent` }],
    });
  },
});

/** By the rule of its group; a radio that is open on purpose is signed for by being lent. */
async function beyondFor(tx: Tx, unit: string, licence: string | null, today: PlainDate) {
  const situation = await loadSituation(tx, unit, today);
  const policy = situation && policyOn(situation.policy, today).transmit;
  if (!situation?.unit.mode || !policy) return undefined;
  const modes = modesHere(situation, await modesOf(tx, situation.unit.model)).map(knownMode);
  const { now, plan } = situation.unit.mode;
  const holder = licence ? { class: licence } : {};
  const standing = modeStanding({ modes, now: now.id, policy, plan, holder }, today);
  if (standing.kind !== "exceeds") return undefined;
  const better = standing.better.flatMap((one) => modes.find(({ id: own }) => own === one)?.name ?? []);
  return { mode: now.name, width: standing.width, better };
}
