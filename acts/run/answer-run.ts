// What happens in a run at the bench, as it happens.
import { z } from "zod";
import { may } from "#core/club/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { applyEvent, foldRun, sentEvent, type Unfit } from "#core/run/index.ts";
import { addEvent, eventsOf, hearFrom, holdRun, lockRun, runById } from "#db/run/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { heldByOther } from "../unit/held-by.ts";
import type { Outcome } from "./run-happened.ts";
import { outcomeOf } from "./run-outcome.ts";

/** What one sending may hold: as much as a device keeps while nothing answers. */
const MOST_EVENTS = 50;
/** What one run may hold: the longest real one has some two hundred. */
export const MOST_OF_A_RUN = 2000;

/**
 * Takes in events in their order; one that is there already is passed over. `takeOver`: what another bench holds is taken from it when the run
 * starts, if that has been silent for the club's time. Answers at which step the run is, how many events there are, and
 * which did not fit. Problems: `no-run`; `meanwhile`, with how many events there are, if others were quicker: nothing is taken in then;
 * `over`; `too-long`; `held`, by whom, if another bench has it; `no-component`; `unclear`, if what was read
 * cannot be a version; `unlikely`, if far more is measured than it is rated for; `taken`, with what another bench holds; `not-yours`, if
 * the gate may not be passed by with this role; `not-sent`, of what nobody may send.
 */
export const answerRun = defineAct({
  name: "answer-run",
  input: z.object({
    run: id,
    events: z.array(sentEvent).min(1).max(MOST_EVENTS),
    takeOver: z.boolean().optional(),
  }),
  may: "work-at-bench",
  untold: "each step stands in the run itself; what it comes to is told",
  run: async (tx, { run: runId, events, takeOver }, who) => {
    await lockRun(tx, runId);
    const row = await runById(tx, runId);
    if (!row) return bad({ kind: "no-run" as const });
    const had = (await eventsOf(tx, [runId])).get(runId) ?? [];
    const known = new Set(had.map((event) => event.id));
    let run = foldRun(row.plan, had);
    // What is here already is only sent again. Anything new: while the run goes on, and from the bench that has it.
    const fresh = events.filter((event) => !known.has(event.id)).length;
    if (fresh > 0 && row.ended_at !== null) return bad({ kind: "over" as const });
    if (had.length + fresh > MOST_OF_A_RUN) return bad({ kind: "too-long" as const, most: MOST_OF_A_RUN });
    const held = fresh > 0 ? heldByOther(row, who) : undefined;
    // One that was lined up is begun by whoever has the time.
    if (held && run.phase !== "ready") return bad(held);
    if (held) await holdRun(tx, runId, who.person);
    const outcome: Outcome = { log: [], touches: [], topics: [`run:${runId}`] };
    const unfit: Unfit[] = [];
    const at = new Date().toISOString();
    for (const event of events) {
      if (known.has(event.id)) continue;
      known.add(event.id);
      // What only the records can know is not believed because somebody sends it.
      if (event.what.kind === "file-kept") return bad({ kind: "not-sent" as const });
      // What would be lost without a backup is not for everybody to risk.
      if (event.what.kind === "overrode" && event.what.gate === "backup" && !may(who.role, "pass-backup"))
        return bad({ kind: "not-yours" as const });
      const taken = applyEvent(run, { ...event, at, by: who.person });
      if (taken.kind === "meanwhile") return bad({ kind: "meanwhile" as const, number: taken.number });
      const before = run;
      run = taken.run;
      await addEvent(tx, runId, event, who.person);
      if (taken.kind === "unfit") {
        unfit.push(taken.why);
        continue;
      }
      const came = await outcomeOf(tx, { row, before, run, event, who, takeOver }, outcome);
      if (!came.ok) return came;
      run = came.value;
      // What follows from it by itself makes the rest something that was sent in ignorance of it.
      if (run.number !== taken.run.number) break;
    }
    await hearFrom(tx, runId);
    return good({
      answer: { place: run.place, phase: run.phase, number: run.number, odd: run.odd, unfit },
      ...outcome,
    });
  },
});
