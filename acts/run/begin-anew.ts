// A run is begun anew from where the radio is now: by another chain or way, or since what it was made from has changed.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { foldRun } from "#core/run/index.ts";
import { addEvent, endRun, eventsOf, lockRun, runById } from "#db/run/index.ts";
import { defineAct } from "../define.ts";
import { type Errand, errandShape } from "../errands/plan.ts";
import { id } from "../shapes.ts";
import { heldByOther } from "../unit/held-by.ts";
import { unitHere } from "../unit/unit-here.ts";
import { takeToBench } from "./begin-run.ts";

/** Problems: those of `begin-run`; `no-run`; `over`; `held`; `no-errand`, if it is of a kind that cannot be begun anew. Nothing is ended then. */
export const beginAnew = defineAct({
  name: "begin-anew",
  input: z.object({ run: id, chain: z.string().max(500).optional(), to: id.optional() }),
  may: "work-at-bench",
  run: async (tx, { run, chain, to }, who) => {
    await lockRun(tx, run);
    const row = await runById(tx, run);
    if (!row) return bad({ kind: "no-run" as const });
    if (row.ended_at !== null) return bad({ kind: "over" as const });
    const held = heldByOther(row, who);
    if (held) return bad(held);
    const had = errandShape.safeParse(row.errand);
    if (!had.success) return bad({ kind: "no-errand" as const });
    const here = await unitHere(tx, row.unit_id);
    if (!here.ok) return here;
    const { number } = foldRun(row.plan, (await eventsOf(tx, [run])).get(run) ?? []);
    const stopped = { kind: "stopped" as const, reason: "begun anew from here" };
    await addEvent(tx, run, { id: `anew ${run} ${number}`, number: number + 1, what: stopped }, who.person);
    await endRun(tx, run);
    const begun = await takeToBench(tx, here.value, changed(had.data, chain, to), who);
    if (!begun.ok) return begun;
    const ended = { kind: "run-ended" as const, what: row.title, why: stopped.reason };
    return good({
      ...begun.value,
      log: [{ entry: ended, unit: row.unit_id }, ...begun.value.log],
      topics: ["run", `run:${run}`],
    });
  },
});

function changed(errand: Errand, chain: string | undefined, to: string | undefined): Errand {
  if ("update" in errand)
    return { update: { chain: chain ?? errand.update.chain, to: to ?? errand.update.to } };
  if ("backup" in errand) return { backup: { chain: chain ?? errand.backup.chain } };
  if ("restore" in errand) return { restore: { ...errand.restore, chain: chain ?? errand.restore.chain } };
  if ("program" in errand) return { program: { ...errand.program, chain: chain ?? errand.program.chain } };
  if ("write" in errand) return { write: { ...errand.write, chain: chain ?? errand.write.chain } };
  if ("mode" in errand) return { mode: { ...errand.mode, chain: chain ?? errand.mode.chain } };
  return errand;
}
