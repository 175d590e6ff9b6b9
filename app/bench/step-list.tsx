// All steps of a run: those done with how long they took, the one that is next, and those to come. On a phone only where it is.
import { Go } from "../ui/go.tsx";
import { sayClock, sayRunStep } from "../ui/words/run.ts";
import type { Shown } from "./load-run.server.ts";

export function StepList({ run }: { readonly run: Shown }) {
  const took = new Map(run.took);
  return (
    <aside className="border-line bg-base-200 px-4 py-3 md:border-r md:py-4">
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
        {run.steps.map(({ step, stage }, i) => (
          <li
            // Steps have no ids of their own, and never change their order.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            key={i}
            aria-current={i === run.place ? "step" : undefined}
          >
            {run.stages.length > 1 && run.steps[i - 1]?.stage !== stage && (
              <span className="mt-2 block pl-3 text-xs font-semibold text-quiet">{run.stages[stage]}</span>
            )}
            <span
              className={`grid grid-cols-[1.5rem_minmax(0,1fr)] py-1 ${i === run.place ? "border-l-4 border-primary bg-base-100 pl-2 font-semibold" : "pl-3"} ${i < run.place ? "text-quiet" : ""}`}
            >
              <span aria-hidden="true">{i < run.place ? "✓" : i === run.place ? "●" : "○"}</span>
              <span>
                {sayRunStep(step)}
                {i < run.place && took.has(i) && (
                  <span className="block text-xs">
                    <span className="sr-only">done in </span>
                    {sayClock(took.get(i) ?? 0)}
                  </span>
                )}
              </span>
            </span>
          </li>
        ))}
      </ol>
    </aside>
  );
}
