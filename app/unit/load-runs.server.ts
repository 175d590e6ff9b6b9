// The runs of one radio, each in a line and its steps. What is guarded in them is shown at the run itself.
import { foldRun, stepsOf, withoutGuarded, withoutNotes } from "#core/run/index.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, runsOfUnit } from "#db/run/index.ts";
import { simulatedState } from "#db/unit/index.ts";
import { counted } from "../ui/words/count.ts";
import { sayClock } from "../ui/words/duration.ts";
import { sayListedStep } from "../ui/words/run.ts";

/** So many runs are told of on a radio's page. */
const MOST = 10;

export async function shownRuns(tx: Tx, unit: string) {
  const rows = await runsOfUnit(tx, unit, MOST);
  const events = await eventsOf(
    tx,
    rows.map(({ id }) => id),
  );
  const open = rows.find((row) => row.ended_at === null);
  return {
    simulated: (await simulatedState(tx, unit)) !== undefined,
    open: open && { id: open.id, title: open.title, by: open.held_by },
    past: rows
      .filter((row) => row.ended_at !== null)
      .map((row) => {
        const had = withoutNotes(row.plan, events.get(row.id) ?? []);
        const run = foldRun(row.plan, had);
        const steps = stepsOf(withoutGuarded(row.plan));
        const odd = had.filter(({ what }) => what.kind === "odd" || what.kind === "machine-failed").length;
        const stopped = had.findLast(({ what }) => what.kind === "stopped")?.what;
        const time = sayClock([...run.took.values()].reduce((sum, ms) => sum + ms, 0));
        const isWell = run.phase === "finished";
        return {
          id: row.id,
          title: row.title,
          by: row.begun_by,
          begunAt: row.begun_at.toISOString(),
          isWell,
          says: [
            isWell
              ? `${counted(steps.length, "step")} in ${time}`
              : `stopped at step ${Math.min(run.place + 1, steps.length)} of ${steps.length}${stopped?.kind === "stopped" ? `: ${stopped.reason}` : ""}`,
            odd > 0 && `something odd ${odd === 1 ? "once" : counted(odd, "time")}`,
          ]
            .filter(Boolean)
            .join("; "),
          steps: steps.map(({ step, place }) => {
            const took = run.took.get(place);
            return { says: sayListedStep(step), took: took === undefined ? undefined : sayClock(took) };
          }),
        };
      }),
  };
}

export type ShownRuns = Awaited<ReturnType<typeof shownRuns>>;
