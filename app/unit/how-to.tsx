// How things are done with this radio: the procedures of its model that hold for its firmware and hardware, each with
// how well it is known on just that firmware.
import { SOURCE_WORD } from "#core/quantities/source.ts";

import type { ProcedureRow } from "#db/dossier.ts";
import { Confirmed, type ShownConfirmed } from "../shared/known-from.tsx";
import { Go } from "../ui/go.tsx";
import { PURPOSE_WORD } from "../ui/words/step.ts";

export function HowTo(props: {
  readonly model: string;
  readonly runs: string | undefined;
  readonly procedures: readonly ProcedureRow[];
  readonly confirmed: readonly ShownConfirmed[];
}) {
  if (props.procedures.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1.5">How to</h2>
      <ul className="sheet divide-y divide-line">
        {props.procedures.map((p) => (
          <li key={p.id} className="grid gap-x-4 px-4 py-2 md:grid-cols-[10rem_minmax(0,1fr)_minmax(0,1fr)]">
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
          </li>
        ))}
      </ul>
    </section>
  );
}
