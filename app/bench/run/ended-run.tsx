// A run that is over: what came of it, and a slip to print.
import { listed } from "#core/quantities/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayClock } from "../../ui/words/duration.ts";
import { sayListedStep, sayRunStep } from "../../ui/words/run.ts";
import { sayInstant } from "../../ui/words/time.ts";
import type { Shown } from "../shown.ts";

export function EndedRun({ run }: { readonly run: Shown }) {
  const { locale, timeZone } = useClub();
  const mayWrite = useMay("write-procedure");
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
      {run.odds.length > 0 && (
        <div className="mt-2">
          <h2>What was odd</h2>
          <ul className="list-disc pl-6">
            {run.odds.map((odd, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
              <li key={i}>{odd}</li>
            ))}
          </ul>
        </div>
      )}
      {run.nextDue !== undefined && <p className="mt-2">What to do next: {run.nextDue}.</p>}
      <Steps run={run} />
      {mayWrite &&
        run.notes.map(([place, text]) => (
          <ActForm key={place} intent="draft" className="sheet mt-3 max-w-2xl p-3 print:hidden">
            <p className="text-quiet">
              {sayRunStep(run.steps[place]?.step ?? { kind: "open", wanted: "", minutes: 0 })}:
            </p>
            <pre className="ver my-2 whitespace-pre-wrap">{text}</pre>
            <input type="hidden" name="place" value={place} />
            <button type="submit" className="btn btn-outline btn-primary btn-sm">
              Make a draft of the dossier of it
            </button>
          </ActForm>
        ))}
      <p className="mt-3 flex gap-6 print:hidden">
        <PrintSlip />
        <Go to={`/units/${encodeURIComponent(run.tag)}`} className="link">
          To {run.tag}
        </Go>
      </p>
    </section>
  );
}

/** What was done, each step with how long it took: what the slip tells whoever has the radio next. */
function Steps({ run }: { readonly run: Shown }) {
  const took = new Map(run.took);
  const done = run.steps.slice(0, run.place).map(({ step, stage }, place) => ({ step, stage, place }));
  if (done.length === 0) return null;
  return (
    <div className="mt-3 max-w-3xl">
      <h2>What was done</h2>
      <ol className="mt-1">
        {done.map(({ step, stage, place }) => (
          <li
            key={place}
            className="grid grid-cols-[minmax(0,1fr)_4rem] gap-x-4 border-b border-line py-1 last:border-0"
          >
            {stage !== done[place - 1]?.stage && (
              <span className="col-span-2 text-sm text-quiet">{run.stages[stage]}</span>
            )}
            <span>{sayListedStep(step)}</span>
            <span className="text-right text-quiet">
              {(took.get(place) ?? 0) > 0 && sayClock(took.get(place) ?? 0)}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** The slip that goes with the radio: this page on paper. */
function PrintSlip() {
  return (
    <button type="button" className="link" onClick={() => window.print()}>
      Print the slip
    </button>
  );
}
