// The bench: what is being worked on now, by whom, at which step.
import { foldRun, nextStep } from "#core/run/fold.ts";
import { stepsOf } from "#core/run/plan.ts";
import { eventsOf, openRuns } from "#db/runs.ts";
import { readInClub } from "../context.ts";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { sayRunStep } from "../ui/words/run.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/bench";

export const meta: Route.MetaFunction = () => [{ title: "Bench · Mossy Cabinet" }];

export const handle = { follows: ["run", "log"] };

export async function loader({ context }: Route.LoaderArgs) {
  return readInClub(context, async (tx) => {
    const rows = await openRuns(tx);
    const events = await eventsOf(
      tx,
      rows.map((row) => row.id),
    );
    return {
      runs: rows.map((row) => {
        const run = foldRun(row.plan, events.get(row.id) ?? []);
        const next = nextStep(run);
        return {
          id: row.id,
          tag: row.tag,
          title: row.title,
          by: row.begun_by,
          begunAt: row.begun_at.toISOString(),
          phase: run.phase,
          place: run.place,
          of: stepsOf(row.plan).length,
          step: next && sayRunStep(next.step),
          odd: run.odd,
        };
      }),
    };
  });
}

export default function Bench({ loaderData: { runs } }: Route.ComponentProps) {
  const { locale, timeZone } = useClub();
  return (
    <Page
      title="Bench"
      says={
        runs.length === 0 ? "nothing is being worked on" : `${counted(runs.length, "radio")} being worked on`
      }
    >
      {runs.length === 0 && (
        <p className="doubt max-w-xl p-5 text-lg">
          Take a radio through one of its procedures from its own page, under <em>How to</em>: step by step,
          with what to hold and what should be seen.
        </p>
      )}
      <ul className="sheet divide-y divide-line empty:hidden">
        {runs.map((run) => (
          <li key={run.id} className="grid gap-x-4 px-4 py-3 md:grid-cols-[6rem_minmax(0,1fr)_12rem]">
            <Go to={`/bench/${run.id}`} className="link tag">
              {run.tag}
            </Go>
            <span>
              <strong>{run.title}</strong>
              <span className="block text-sm text-quiet">
                {run.phase === "ready" ? "not begun" : `step ${Math.min(run.place + 1, run.of)} of ${run.of}`}
                {run.step && `: ${run.step}`}
                {run.phase === "paused" && "; paused"}
              </span>
              {run.odd !== undefined && <span className="block font-semibold text-rust">{run.odd}</span>}
            </span>
            <span className="text-sm text-quiet">
              {run.by}, {sayInstant(run.begunAt, locale, timeZone)}
            </span>
          </li>
        ))}
      </ul>
    </Page>
  );
}
