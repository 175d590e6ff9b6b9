// What a radio can be taken to the bench for, where it is if it is there, and what was done there before.
import { ActForm } from "../forms/act-form.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { sayInstant } from "../ui/words/time.ts";
import type { ShownRuns } from "./load-runs.server.ts";

export function Bench(props: {
  readonly runs: ShownRuns;
  /** What stands in its panel already, with a press of its own. */
  readonly needs: readonly string[];
  readonly tag: string;
  readonly parts: readonly { readonly id: string; readonly name: string }[];
}) {
  const { runs } = props;
  const has = (kind: string) => props.needs.includes(kind);
  const mayWork = useMay("work-at-bench");
  const mayEdit = useMay("edit-unit");
  return (
    <section className="no-print flex flex-col gap-2">
      <h2>At the bench</h2>
      {runs.open ? (
        <p>
          <Go to={`/bench/${runs.open.id}`} className="link">
            {runs.open.title}
          </Go>
          <span className="block text-sm text-quiet">{runs.open.by} has it there now</span>
        </p>
      ) : (
        mayWork && (
          <ActForm intent="bench" className="flex flex-wrap gap-2">
            {!has("backup") && (
              <button type="submit" name="for" value="backup" className="btn btn-outline btn-primary btn-sm">
                Back it up
              </button>
            )}
            {!has("measurement") && (
              <button type="submit" name="for" value="measure" className="btn btn-outline btn-primary btn-sm">
                Measure its power
              </button>
            )}
            {(has("reading") && props.parts.length === 1 ? [] : props.parts).map(({ id, name }) => (
              <button
                key={id}
                type="submit"
                name="component"
                value={id}
                className="btn btn-outline btn-primary btn-sm"
              >
                Read {props.parts.length > 1 ? name : "its version"}
              </button>
            ))}
          </ActForm>
        )
      )}
      <p className="text-sm">
        <Go to={`/units/${encodeURIComponent(props.tag)}/measured`} className="link">
          What was measured
        </Go>
        {", "}
        <Go to={`/units/${encodeURIComponent(props.tag)}/spectrum`} className="link">
          its harmonics
        </Go>
        {", "}
        <Go to={`/units/${encodeURIComponent(props.tag)}/channels`} className="link">
          its channels
        </Go>
      </p>
      {runs.simulated ? (
        <p className="text-sm text-quiet">A simulated radio stands in for it.</p>
      ) : (
        mayEdit && (
          <details className="text-sm">
            <summary className="link w-fit cursor-pointer">It is not really there</summary>
            <ActForm intent="stand-in" className="sheet mt-2 p-3">
              <p className="mb-2">
                A simulated radio can stand in for it: what a computer does to it at the bench is done to
                that. It says nothing of leads or of real radios, and there is no way back.
              </p>
              <button type="submit" className="btn btn-outline btn-primary btn-sm">
                Let one stand in
              </button>
            </ActForm>
          </details>
        )
      )}
    </section>
  );
}

/** Each run in a line that opens into its steps. */
export function BenchRuns({ runs }: { readonly runs: ShownRuns }) {
  const { locale, timeZone } = useClub();
  if (runs.past.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1.5">Done at the bench</h2>
      <ul className="sheet divide-y divide-line">
        {runs.past.map((run) => (
          <li key={run.id} className="px-4 py-2">
            <details>
              <summary className="cursor-pointer">
                <strong>{run.title}</strong>{" "}
                <span className="text-sm text-quiet">
                  {sayInstant(run.begunAt, locale, timeZone)}, {run.by}
                </span>
                <span className={`block text-sm ${run.isWell ? "text-quiet" : "text-rust"}`}>{run.says}</span>
              </summary>
              <ol className="mt-1 list-decimal pl-8 text-sm">
                {run.steps.map(({ says, took }, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
                  <li key={i}>
                    {says} {took !== undefined && <span className="ver text-quiet">{took}</span>}
                  </li>
                ))}
              </ol>
              <Go to={`/bench/${run.id}`} className="link text-sm">
                The run
              </Go>
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}
