// All steps of a run: those done with how long they took, the one that is next, and those to come. On a phone only where it is.
import { Go } from "../../ui/go.tsx";
import { sayClock } from "../../ui/words/duration.ts";
import { sayRunStep } from "../../ui/words/run.ts";
import type { Shown } from "../shown.ts";

export function StepList({ run }: { readonly run: Shown }) {
  const took = new Map(run.took);
  return (
    <aside className="no-print border-line bg-base-200 px-4 py-3 md:sticky md:top-0 md:h-dvh md:overflow-y-auto md:border-r md:py-4">
      <p>
        <Go to={`/units/${encodeURIComponent(run.tag)}`} className="tag text-xl">
          {run.tag}
        </Go>{" "}
        <span className="text-quiet">{run.model}</span>
      </p>
      <p className="text-sm text-quiet">
        {run.title}, {run.by} at the bench{run.radio && "; a simulated radio"}
      </p>
      <ol className="mt-3 hidden text-sm md:block">
        {run.stages.map((title, stage) => {
          const own = run.steps.flatMap((one, place) => (one.stage === stage ? [{ ...one, place }] : []));
          const isDone = own.every(({ place }) => place < run.place);
          const isHere = own.some(({ place }) => place === run.place);
          const ms = own.reduce((sum, { place }) => sum + (took.get(place) ?? 0), 0);
          return (
            <li
              // Stages have no ids of their own, and never change their order.
              // biome-ignore lint/suspicious/noArrayIndexKey: see above
              key={stage}
              className="py-1"
            >
              <span
                className={`grid grid-cols-[1.5rem_minmax(0,1fr)] pl-3 ${isHere ? "font-semibold" : ""} ${isDone ? "text-quiet" : ""}`}
              >
                <span aria-hidden="true">{isDone ? "✓" : isHere ? "●" : "○"}</span>
                <span>
                  {title}
                  {isDone && ms > 0 && (
                    <span className="block text-xs">
                      <span className="sr-only">done in </span>
                      {sayClock(ms)}
                    </span>
                  )}
                </span>
              </span>
              {isHere && (
                <ol className="mt-1">
                  {own.map(({ step, place }) => (
                    <li
                      key={place}
                      aria-current={place === run.place ? "step" : undefined}
                      className={`py-1 ${place === run.place ? "border-l-4 border-primary bg-base-100 pl-8 font-semibold" : "pl-9"} ${place < run.place ? "text-quiet" : ""}`}
                    >
                      <span className="sr-only">{place < run.place ? "done: " : ""}</span>
                      {sayRunStep(step)}
                    </li>
                  ))}
                </ol>
              )}
            </li>
          );
        })}
      </ol>
    </aside>
  );
}
