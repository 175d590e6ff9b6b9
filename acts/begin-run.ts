// A radio is taken to the bench, with what it takes: to be updated, backed up, written to, read, or gone through a procedure with.
import { z } from "zod";
import { bad, good } from "#core/quantities/result.ts";
import { isDuplicate } from "#db/errors.ts";
import { addRun, releaseThing, takeThings, thingsTaken } from "#db/runs.ts";
import { defineAct } from "./define.ts";
import { planFor } from "./run-plan.ts";
import { id } from "./shapes.ts";
import { unitHere } from "./unit-here.ts";

const chain = z.string().max(500).optional();

/**
 * `for`: a procedure of its dossier; a component whose version is to be read; all firmware it needs today; a backup; or one of its own
 * backups, to be written back. `takeOver`: what another bench holds is taken from it, if that has been silent for the club's time.
 * Problems: those of a unit and of `planFor`; `busy`, if another run has the radio; `out`, if it is with somebody; `taken`, with what
 * another bench holds and works with.
 */
export const beginRun = defineAct({
  name: "begin-run",
  input: z.object({
    unit: id,
    for: z.union([
      z.object({ procedure: id }),
      z.object({ component: id }),
      z.object({ update: z.object({ chain, keep: z.boolean().optional() }) }),
      z.object({ backup: z.object({ chain }) }),
      z.object({ restore: z.object({ backup: id, chain }) }),
    ]),
    takeOver: z.boolean().optional(),
  }),
  may: "work-at-bench",
  run: async (tx, { unit, for: errand, takeOver }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const isWork = "update" in errand || "backup" in errand || "restore" in errand;
    if (isWork && here.value.holder !== null && here.value.holder_id !== who.person)
      return bad({ kind: "out" as const, with: here.value.holder });
    const planned = await planFor(tx, unit, errand, who.today);
    if (!planned.ok) return planned;
    const { plan, title, things } = planned.value;
    const wanted = new Set(things.filter((t) => t.kind !== "tool").map((t) => `${t.kind} ${t.id}`));
    const held = (await thingsTaken(tx)).filter((t) => wanted.has(`${t.kind} ${t.id}`));
    const stuck = held.find((thing) => !(takeOver && thing.silent));
    if (stuck) return bad({ kind: "taken" as const, what: stuck.name, by: stuck.by, silent: stuck.silent });
    for (const thing of held) await releaseThing(tx, thing);
    try {
      const run = await addRun(tx, { unit, title, plan, by: who.person });
      await takeThings(tx, run, things);
      return good({
        answer: { run },
        log: [{ entry: { kind: "run-begun" as const, what: title }, unit }],
        topics: ["run", ...held.map((thing) => `run:${thing.run_id}`)],
      });
    } catch (error) {
      if (isDuplicate(error, "run_one_at_a_time")) return bad({ kind: "busy" as const });
      if (isDuplicate(error, "run_thing_once"))
        return bad({ kind: "taken" as const, what: "what it needs", by: "another bench", silent: false });
      throw error;
    }
  },
});
