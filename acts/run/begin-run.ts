// A radio is taken to the bench: to be updated, backed up, written to, read, or gone through a procedure with.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { isDuplicate } from "#db/errors.ts";
import type { Tx } from "#db/pool.ts";
import { addRun, addThings, benchRules, keepFile, practiceOf } from "#db/run/index.ts";
import { simulatedState, type UnitRow } from "#db/unit/index.ts";
import { sumOfFile } from "../codeplug/codeplug-file.ts";
import { defineAct, type Who } from "../define.ts";
import { type Errand, errandShape, isWork, planFor } from "../errands/plan.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

/**
 * `for`: a procedure of its dossier; a component whose version is to be read; all firmware it needs today, or another release (`to`) of one component; a backup; or one of its own
 * backups, to be written back. What it works with is taken only when the run starts, so that several radios can be lined up for one lead.
 * Problems: those of a unit and of `planFor`; `busy`, if another run has the radio; `out`, if it is with somebody; `practise`, if the
 * club asks for more clean tries of what erases than the person has.
 */
export const beginRun = defineAct({
  name: "begin-run",
  input: z.object({
    unit: id,
    for: errandShape,
  }),
  may: "work-at-bench",
  run: async (tx, { unit, for: errand }, who) => {
    const here = await unitHere(tx, unit);
    return here.ok ? takeToBench(tx, here.value, errand, who) : here;
  },
});

/** The same for a radio that is here. */
export async function takeToBench(tx: Tx, here: UnitRow, errand: Errand, who: Who) {
  const unit = here.id;
  if (isWork(errand) && here.holder !== null && here.holder_id !== who.person)
    return bad({ kind: "out" as const, with: here.holder });
  const planned = await planFor(tx, unit, errand, who.today);
  if (!planned.ok) return planned;
  const { plan, title, things, erasing, text } = planned.value;
  const unpractised =
    (await simulatedState(tx, unit)) === undefined ? await lacksPractice(tx, who, erasing) : undefined;
  if (unpractised) return bad({ kind: "practise" as const, ...unpractised });
  if (text !== undefined) await keepFile(tx, sumOfFile(text), new TextEncoder().encode(text));
  try {
    const run = await addRun(tx, { unit, title, plan, by: who.person, errand });
    await addThings(tx, run, things);
    return good({
      answer: { run },
      log: [{ entry: { kind: "run-begun" as const, what: title }, unit }],
      topics: ["run"],
    });
  } catch (error) {
    if (isDuplicate(error, "run_one_at_a_time")) return bad({ kind: "busy" as const });
    throw error;
  }
}

/** The first procedure of which the club asks for more clean tries than the person has. */
async function lacksPractice(
  tx: Tx,
  { person }: Who,
  erasing: readonly { readonly id: string; readonly title: string }[],
): Promise<{ readonly what: string; readonly has: number; readonly asks: number } | undefined> {
  const { clean: asks } = await benchRules(tx);
  if (asks === 0 || erasing.length === 0) return undefined;
  const tallies = new Map((await practiceOf(tx, person)).map((tally) => [tally.procedure_id, tally.clean]));
  const lacking = erasing.find(({ id: one }) => (tallies.get(one) ?? 0) < asks);
  return lacking && { what: lacking.title, has: tallies.get(lacking.id) ?? 0, asks };
}
