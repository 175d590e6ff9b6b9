// What a run can be begun with instead: another chain, or another release to go to.
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import type { Shown } from "./shown.ts";

/** Another chain, or another release, than it goes by. */
export function OtherWays({ run }: { readonly run: Shown }) {
  const sorted = (names: readonly string[]) => [...names].sort().join(", ");
  const now = sorted(run.things.map(({ name }) => name));
  const others = run.ways.filter(({ what }) => sorted(what.split(", ")) !== now);
  return (
    <>
      {run.goals && run.goals.length > 0 && <OtherGoals goals={run.goals} />}
      {others.length > 0 && <OtherChains others={others} />}
    </>
  );
}

function OtherGoals({ goals }: { readonly goals: NonNullable<Shown["goals"]> }) {
  return (
    <details className="text-sm">
      <summary className="link w-fit cursor-pointer">To another release</summary>
      <ActForm intent="anew" className="sheet mt-2 flex flex-wrap items-end gap-3 p-3">
        <Labelled
          name="to"
          label="Go to"
          small
          value={goals[0]?.id}
          options={goals.map(({ id, what }) => [id, what] as const)}
          box="w-96"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Go there
        </button>
      </ActForm>
    </details>
  );
}

function OtherChains({ others }: { readonly others: Shown["ways"] }) {
  return (
    <details className="text-sm">
      <summary className="link w-fit cursor-pointer">With something else</summary>
      <ActForm intent="anew" className="sheet mt-2 flex flex-wrap items-end gap-3 p-3">
        <Labelled
          name="chain"
          label="Reach it with"
          small
          value={others[0]?.key}
          options={others.map(({ key, what }) => [key, what] as const)}
          box="w-96"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Take that
        </button>
      </ActForm>
    </details>
  );
}
