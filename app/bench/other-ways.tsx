// What a run can be begun with instead: another chain, or another release to go to.
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import type { Shown } from "./shown.ts";

/** Another chain, or another release, than it goes by. */
export function OtherWays({ run }: { readonly run: Shown }) {
  // The same things in whatever order are the same; a name may hold a comma itself.
  const sorted = (what: string) => what.split(", ").sort().join(", ");
  const now = sorted(run.things.map(({ name }) => name).join(", "));
  const others = run.ways.filter(({ what }) => sorted(what) !== now);
  return (
    <>
      <Other
        title="To another release"
        name="to"
        label="Go to"
        options={(run.goals ?? []).map(({ id, what }) => [id, what] as const)}
        press="Go there"
      />
      <Other
        title="With something else"
        name="chain"
        label="Reach it with"
        options={others.map(({ key, what }) => [key, what] as const)}
        press="Take that"
      />
    </>
  );
}

function Other(props: {
  readonly title: string;
  readonly name: string;
  readonly label: string;
  readonly options: readonly (readonly [string, string])[];
  readonly press: string;
}) {
  const { options } = props;
  if (options.length === 0) return null;
  return (
    <details className="text-sm">
      <summary className="link w-fit cursor-pointer">{props.title}</summary>
      <ActForm intent="anew" className="sheet mt-2 flex flex-wrap items-end gap-3 p-3">
        <Labelled
          name={props.name}
          label={props.label}
          small
          value={options[0]?.[0]}
          options={options}
          box="w-96"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          {props.press}
        </button>
      </ActForm>
    </details>
  );
}
