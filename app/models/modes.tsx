// The modes of a model: where its radios transmit in each, on one ruler; how one gets in, and what that erases.
import { SOURCE_WORD } from "#core/quantities/source.ts";
import type { ModeRow } from "#db/modes.ts";
import { useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { type Lane, Ruler } from "../ui/ruler.tsx";

export type ShownModes = readonly (ModeRow & {
  readonly transmit: Lane["bands"];
  /** Tags of the radios that are in it. */
  readonly units: readonly string[];
})[];

const ERASES_WORD = {
  nothing: "erases nothing",
  settings: "erases its settings",
  codeplug: "erases what is programmed in it",
  everything: "erases everything",
} as const;

export function ModeList(props: {
  readonly model: string;
  readonly modes: ShownModes;
  readonly procedures: readonly { readonly id: string; readonly title: string }[];
}) {
  const { model, modes } = props;
  const mayWrite = useMay("write-procedure");
  const titleOf = (id: string | null) => props.procedures.find((p) => p.id === id);
  if (modes.length === 0 && !mayWrite) return null;
  return (
    <section id="modes">
      <h2 className="mb-1.5 flex flex-wrap items-baseline gap-3">
        Modes
        {mayWrite && (
          <Go to={`/models/${model}/modes/new`} className="link font-sans text-sm">
            Add one
          </Go>
        )}
      </h2>
      {modes.length === 0 && (
        <p className="text-quiet">None that we know of: it transmits in one way only.</p>
      )}
      {modes.length > 0 && (
        <div className="sheet p-4 pb-6">
          <Ruler
            name="Where it transmits in each mode"
            lanes={modes.map((mode) => {
              const ticks = mode.facts.fixed?.flatMap((one) => (one.receiveOnly ? [] : [one.frequency]));
              return { name: mode.name, bands: mode.transmit, ...(ticks && { ticks }) };
            })}
          />
        </div>
      )}
      <ul className="sheet mt-2 divide-y divide-line empty:hidden">
        {modes.map((mode) => {
          const [enter, leave] = [titleOf(mode.enter_id), titleOf(mode.leave_id)];
          return (
            <li key={mode.id} className="px-4 py-2.5">
              <p className="flex flex-wrap items-baseline gap-x-3">
                <strong>{mode.name}</strong>
                <span
                  className={mode.facts.erases === "nothing" ? "text-sm text-quiet" : "text-sm text-rust"}
                >
                  {ERASES_WORD[mode.facts.erases]}
                </span>
                <span className="text-sm text-quiet">
                  {mode.facts.outside === "refuses"
                    ? "refuses a channel outside"
                    : "falls to a band edge with a channel outside"}
                  {mode.facts.watts !== undefined && `; ${mode.facts.watts} W at most`}
                </span>
                {mode.units.length > 0 && (
                  <span className="tag text-sm">{mode.units.slice(0, 12).join(" ")}</span>
                )}
              </p>
              {(enter || mode.facts.setting) && (
                <p className="text-sm">
                  In:{" "}
                  {enter && (
                    <Go to={`/models/${model}/procedures/${enter.id}`} className="link">
                      {enter.title}
                    </Go>
                  )}
                  {enter && mode.facts.setting && ", or "}
                  {mode.facts.setting}
                </p>
              )}
              {leave && (
                <p className="text-sm">
                  Out:{" "}
                  <Go to={`/models/${model}/procedures/${leave.id}`} className="link">
                    {leave.title}
                  </Go>
                </p>
              )}
              {mode.facts.sign && <p className="text-sm">Told by: {mode.facts.sign}</p>}
              <p className="text-sm text-quiet">
                Known from: {SOURCE_WORD[mode.source.kind]}
                {mode.source.what && `, ${mode.source.what}`}
              </p>
              {mayWrite && (
                <Go to={`/models/${model}/modes/${mode.id}`} className="link text-sm">
                  Correct
                </Go>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
