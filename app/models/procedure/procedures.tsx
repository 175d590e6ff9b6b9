// The procedures and quirks of a model as lists: what, whence, how often confirmed; each leads to its own page.
import { EFFECTS, PURPOSES } from "#core/dossier/index.ts";
import { groupBy } from "#core/quantities/index.ts";
import type { ProcedureRow, QuirkRow } from "#db/model/index.ts";
import { Confirmed, KnownFrom, type ShownConfirmed } from "../../shared/known-from.tsx";
import { useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { sayRange } from "../../ui/words/route.ts";
import { EFFECT_WORD, PURPOSE_WORD, saySource } from "../../ui/words/step.ts";

export function ProcedureList(props: {
  readonly model: string;
  readonly procedures: readonly Omit<ProcedureRow, "steps">[];
  readonly confirmed: readonly ShownConfirmed[];
  readonly warned: ReadonlySet<string>;
}) {
  const mayWrite = useMay("write-procedure");
  const byPurpose = groupBy(props.procedures, (p) => p.purpose);
  return (
    <section id="procedures">
      <h2 className="mb-1.5 flex flex-wrap items-baseline gap-3">
        How to
        {mayWrite && (
          <Go to={`/models/${props.model}/procedures/new/edit`} className="link font-sans text-sm">
            Write a procedure
          </Go>
        )}
        {props.procedures.length > 0 && (
          <Go to={`/models/${props.model}/print`} className="link font-sans text-sm">
            Print the cards
          </Go>
        )}
      </h2>
      {props.procedures.length === 0 && (
        <p className="doubt w-fit p-3">Nobody has written down yet how anything is done.</p>
      )}
      <ul className="sheet divide-y divide-line">
        {PURPOSES.flatMap((purpose) => byPurpose.get(purpose) ?? []).map((p) => (
          <li key={p.id} className="grid gap-x-4 px-4 py-2 md:grid-cols-[10rem_minmax(0,1fr)_minmax(0,1fr)]">
            <span className="text-quiet">{PURPOSE_WORD[p.purpose]}</span>
            <span>
              <Go to={`/models/${props.model}/procedures/${p.id}`} className="link">
                {p.title}
              </Go>
              {EFFECTS.indexOf(p.effect) > 0 && (
                <span
                  className={`ml-2 px-1 text-xs font-bold ${p.effect === "mode" ? "border border-brass" : "hatch border border-rust text-rust"}`}
                >
                  {EFFECT_WORD[p.effect]}
                </span>
              )}
              {props.warned.has(p.id) && (
                <span className="ml-2 text-sm text-rust">one key beside another</span>
              )}
              {p.draft && <span className="doubt-thin ml-2 px-1 text-xs">draft, unusable</span>}
            </span>
            <span className="text-sm text-quiet">
              {saySource(p.source)};{" "}
              <Confirmed of={props.confirmed.find((c) => c.kind === "procedure" && c.subject === p.id)} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

export function QuirkList(props: {
  readonly model: string;
  readonly quirks: readonly QuirkRow[];
  readonly parts: readonly { readonly id: string; readonly name: string }[];
  readonly confirmed: readonly ShownConfirmed[];
}) {
  const mayWrite = useMay("write-procedure");
  return (
    <section id="quirks">
      <h2 className="mb-1.5 flex flex-wrap items-baseline gap-3">
        Known oddities
        {mayWrite && (
          <Go to={`/models/${props.model}/quirks/new`} className="link font-sans text-sm">
            Add one
          </Go>
        )}
      </h2>
      {props.quirks.length === 0 && <p className="text-quiet">None that we know of.</p>}
      <ul className="sheet divide-y divide-line empty:hidden">
        {props.quirks.map((quirk) => {
          const part = props.parts.find((c) => c.id === quirk.component_id);
          return (
            <li key={quirk.id} className="px-4 py-2.5">
              <p>
                <strong>{quirk.symptom}</strong>
                {part && quirk.firmware && (
                  <span className="text-quiet">
                    {" "}
                    ({part.name} {sayRange(quirk.firmware)})
                  </span>
                )}
              </p>
              {quirk.cause && <p className="text-sm">Why: {quirk.cause}</p>}
              {quirk.cure && <p className="text-sm">What helps: {quirk.cure}</p>}
              <div className="flex flex-wrap items-baseline gap-x-3">
                <KnownFrom
                  kind="quirk"
                  subject={quirk.id}
                  what={quirk.symptom}
                  source={quirk.source}
                  confirmed={props.confirmed}
                />
                {mayWrite && (
                  <Go
                    to={`/models/${props.model}/quirks/${quirk.id}`}
                    className="link inline-block py-0.5 text-sm"
                  >
                    Correct
                  </Go>
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
