// A run that is over: what came of it, and a slip to print.
import { listed } from "#core/quantities/list.ts";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { counted } from "../ui/words/count.ts";
import { sayClock } from "../ui/words/run.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Shown } from "./load-run.server.ts";

export function Over({ run }: { readonly run: Shown }) {
  const { locale, timeZone } = useClub();
  const ms = run.took.reduce((sum, [, one]) => sum + one, 0);
  return (
    <section>
      <h1>{run.phase === "finished" ? "Done" : "Stopped"}</h1>
      <p className="mt-1 text-lg">
        {run.title} on {run.tag}, begun {sayInstant(run.begunAt, locale, timeZone)} by {run.by}: {run.place}{" "}
        of {counted(run.steps.length, "step")} in {sayClock(ms)}.
      </p>
      {run.things.length > 0 && (
        <p className="mt-1">
          With{" "}
          {listed(
            run.things.map(({ name }) => name),
            9,
          )}
          .
        </p>
      )}
      {run.readings.map(({ component, raw }) => (
        <p key={component + raw} className="mt-1">
          It showed {component} <span className="ver">{raw}</span>, which is recorded.
        </p>
      ))}
      {run.overridden.length > 0 && <p className="mt-1">Gone on without: {listed(run.overridden, 5)}.</p>}
      <p className="mt-3 print:hidden">
        <Go to={`/units/${encodeURIComponent(run.tag)}`} className="link">
          To {run.tag}
        </Go>
      </p>
    </section>
  );
}
