// Something is odd: what the dossier and the usual causes say of it, each with what to look at and what helps; then it goes on.
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import type { Shown } from "../shown.ts";
import type { Kept } from "./one-press.tsx";

/** So many causes are shown at once. */
const FIRST = 4;

export function OddAnswer(props: {
  readonly run: Shown;
  readonly known: React.ReactNode;
  readonly kept: Kept;
}) {
  const { run, known, kept } = props;
  const words = (run.odd ?? "")
    .toLowerCase()
    .split(/\W+/)
    .filter((word) => word.length > 3);
  const quirks = (run.quirks ?? []).filter(({ symptom }) =>
    words.some((word) => symptom.toLowerCase().includes(word)),
  );
  const causes = run.causes ?? [];
  return (
    <div className="flex flex-col gap-3">
      {quirks.length > 0 && (
        <ul className="sheet divide-y divide-line">
          {quirks.map(({ symptom, cause, cure }) => (
            <li key={symptom} className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2">
              <span className="min-w-0 grow">
                <strong>{symptom}</strong>
                {cause && `: ${cause}`}. {cure}
              </span>
              <Cured known={known} cause={cause || symptom} cure={cure || "it went away"} />
            </li>
          ))}
        </ul>
      )}
      <h2>What it usually is</h2>
      <ol className="sheet divide-y divide-line">
        {causes.slice(0, FIRST).map((cause) => (
          <CauseRow key={cause.id} cause={cause} known={known} />
        ))}
      </ol>
      <details>
        <summary className="link w-fit cursor-pointer text-sm">The others</summary>
        <ol className="sheet mt-2 divide-y divide-line">
          {causes.slice(FIRST).map((cause) => (
            <CauseRow key={cause.id} cause={cause} known={known} />
          ))}
        </ol>
      </details>
      <details open={kept?.intent === "cured"}>
        <summary className="link w-fit cursor-pointer text-sm">It was something else</summary>
        <ActForm intent="cured" className="sheet mt-2 grid max-w-2xl gap-2 p-3 md:grid-cols-2">
          {known}
          <Labelled name="cause" label="Why it was" most={500} value={kept?.cause} />
          <Labelled name="cure" label="What helped" most={500} value={kept?.cure} />
          <button type="submit" className="btn btn-primary w-fit">
            It is well again
          </button>
        </ActForm>
      </details>
    </div>
  );
}

type Cause = NonNullable<Shown["causes"]>[number];

function CauseRow({ cause, known }: { readonly cause: Cause; readonly known: React.ReactNode }) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2">
      <span className="min-w-0 grow">
        <strong>{cause.cause}.</strong> {cause.check}.{" "}
        <span className="text-quiet">
          {cause.seconds < 60 ? `${cause.seconds} s` : `${Math.round(cause.seconds / 60)} min`}
        </span>
      </span>
      <Cured known={known} cause={cause.cause} cure={cause.cure} />
    </li>
  );
}

function Cured(props: { readonly known: React.ReactNode; readonly cause: string; readonly cure: string }) {
  return (
    <ActForm intent="cured">
      {props.known}
      <input type="hidden" name="cause" value={props.cause} />
      <input type="hidden" name="cure" value={props.cure} />
      <button
        type="submit"
        className="btn btn-outline btn-primary btn-sm"
        aria-label={`It was this: ${props.cause}`}
      >
        It was this
      </button>
    </ActForm>
  );
}
