// What happens in a run at the bench, as it happens.
import { z } from "zod";
import { bad, good } from "#core/quantities/result.ts";
import { sentEvent } from "#core/run/event.ts";
import { applyEvent, foldRun, type Unfit } from "#core/run/fold.ts";
import { addReading } from "#db/readings.ts";
import { addEvent, endRun, eventsOf, lockRun, runById } from "#db/runs.ts";
import { loadSituation } from "#db/situation.ts";
import type { Done } from "./define.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";

/** What one sending may hold: as much as a device keeps while nothing answers. */
const MOST_EVENTS = 50;

/**
 * Takes in events in their order; one that is there already is passed over. Answers at which step the run is, and which events did not fit.
 * Problems: `no-run`; `meanwhile`, with how many events there are, if others were quicker: nothing is taken in then; `no-component`.
 */
export const answerRun = defineAct({
  name: "answer-run",
  input: z.object({ run: id, events: z.array(sentEvent).min(1).max(MOST_EVENTS) }),
  may: "work-at-bench",
  untold: "each step stands in the run itself; what it comes to is told",
  run: async (tx, { run: runId, events }, who) => {
    await lockRun(tx, runId);
    const row = await runById(tx, runId);
    if (!row) return bad({ kind: "no-run" as const });
    const had = (await eventsOf(tx, [runId])).get(runId) ?? [];
    const known = new Set(had.map((event) => event.id));
    let run = foldRun(row.plan, had);
    const log: Done<unknown>["log"][number][] = [];
    const unfit: Unfit[] = [];
    let isRead = false;
    for (const event of events) {
      if (known.has(event.id)) continue;
      known.add(event.id);
      const taken = applyEvent(run, { ...event, at: new Date(0).toISOString(), by: who.person });
      if (taken.kind === "meanwhile") return bad({ kind: "meanwhile" as const, number: taken.number });
      run = taken.run;
      await addEvent(tx, runId, event, who.person);
      if (taken.kind === "unfit") {
        unfit.push(taken.why);
        continue;
      }
      const { what } = event;
      if (what.kind === "reading") {
        const situation = await loadSituation(tx, row.unit_id, who.today);
        const part = [...(situation?.catalogue.values() ?? [])].find(
          ({ component }) => component.name === what.component,
        );
        if (!part) return bad({ kind: "no-component" as const });
        const { component, raw } = { component: part.component.id, raw: what.raw };
        await addReading(tx, {
          ...{ unit: row.unit_id, component, raw, source: "screen", by: who.person },
          ...{ note: undefined, on: undefined },
        });
        const entry = { kind: "reading" as const, component: what.component, raw, source: "screen" };
        log.push({ entry, unit: row.unit_id });
        isRead = true;
      }
      if (what.kind === "finished" || what.kind === "stopped") {
        await endRun(tx, runId);
        const why = what.kind === "stopped" ? { why: what.reason } : {};
        log.push({ entry: { kind: "run-ended" as const, what: row.title, ...why }, unit: row.unit_id });
      }
    }
    return good({
      answer: { place: run.place, phase: run.phase, unfit },
      log,
      topics: [`run:${runId}`],
      ...(isRead && {
        touches: [
          { scope: { of: "units" as const, ids: [row.unit_id] }, why: `${row.tag} read at the bench` },
        ],
      }),
    });
  },
});
