// The steps of a procedure as they are read: what to do, and what should be seen then.
import type { Step } from "#core/dossier/index.ts";
import { saySigns, sayStep, signsOf } from "../ui/words/step.ts";

export const Steps = ({ steps }: { readonly steps: readonly Step[] }) => (
  <ol className="sheet divide-y divide-line text-lg empty:hidden">
    {steps.map((step, i) => (
      // Steps have no ids of their own; the list is shown, not changed.
      // biome-ignore lint/suspicious/noArrayIndexKey: see above
      <li key={i} className="grid grid-cols-[2rem_minmax(0,1fr)] px-4 py-3">
        <span className="tag text-quiet">{i + 1}</span>
        <div>
          <p>{sayStep(step)}</p>
          {signsOf(step) && (
            <p className="mt-1 border-l-2 border-brass pl-3 text-base">
              You should see: {saySigns(signsOf(step) ?? {}).join(" ")}
            </p>
          )}
        </div>
      </li>
    ))}
  </ol>
);
