// How things are done with this radio: the procedures of its model that hold for its firmware and hardware, each with
// how well it is known on just that firmware.

import { SOURCE_WORD } from "#core/quantities/index.ts";
import { needsGates } from "#core/run/index.ts";

import type { ProcedureRow } from "#db/model/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Confirmed, type ShownConfirmed } from "../shared/known-from.tsx";
import { useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { PURPOSE_WORD } from "../ui/words/step.ts";

export function HowTo(props: {
  readonly model: string;
  readonly runs: string | undefined;
  readonly procedures: readonly ProcedureRow[];
  readonly confirmed: readonly ShownConfirmed[];
}) {
  const mayWork = useMay("work-at-bench");
  if (props.procedures.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1.5">How to</h2>
      <ul className="sheet divide-y divide-line">
        {props.procedures.map((p) => (
          <li
            key={p.id}
            className="grid items-center gap-x-4 px-4 py-2 md:grid-cols-[10rem_minmax(0,1fr)_minmax(0,1fr)_auto]"
          >
            <span className="text-quiet">{PURPOSE_WORD[p.purpose]}</span>
            <Go to={`/models/${props.model}/procedures/${p.id}`} className="link">
              {p.title}
            </Go>
            <span className="text-sm text-quiet">
              {SOURCE_WORD[p.source.kind]};{" "}
              <Confirmed
                of={props.confirmed.find((c) => c.kind === "procedure" && c.subject === p.id)}
                runs={props.runs}
              />
            </span>
            {mayWork && !needsGates(p) && (
              <ActForm intent="bench">
                <button
                  type="submit"
                  name="procedure"
                  value={p.id}
                  className="btn btn-outline btn-primary btn-sm"
                  aria-label={`Go through it at the bench: ${p.title}`}
                >
                  Go through it
                </button>
              </ActForm>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
