// The form that writes down what a meter showed.
import { MEASURED, MEASURED_KINDS } from "#core/measure/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { Caution } from "../../ui/caution.tsx";

export function NoteForm(props: {
  readonly meters: readonly (readonly [string, string])[];
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const kept = props.kept?.intent === "note" ? props.kept : undefined;
  return (
    <section>
      <h2 className="mb-1">Write one down</h2>
      <ActForm intent="note" kept={kept} className="sheet flex flex-col gap-3 p-3">
        <Labelled
          name="kind"
          label="What"
          small
          value={kept?.kind}
          options={MEASURED.map((kind) => [kind, MEASURED_KINDS[kind].label] as const)}
        />
        <Labelled name="value" label="What the meter shows" mono small value={kept?.value} />
        <Labelled
          name="meter"
          label="With"
          small
          value={kept?.meter}
          options={[["", "a meter that is not ours"], ...props.meters]}
        />
        <Labelled
          name="frequency"
          label="On, MHz (may stay empty)"
          hint="A frequency error says nothing without it."
          mono
          small
          value={kept?.frequency}
        />
        <Labelled name="supply" label="From, volts (may stay empty)" mono small value={kept?.supply} />
        <Labelled name="on" label="On which day (empty: today)" type="date" small value={kept?.on} />
        <Labelled name="note" label="Note: attenuation, load" small most={500} value={kept?.note} />
        {kept && (
          <Labelled name="sure" label="I am sure of that number" type="checkbox" value={undefined} small />
        )}
        <button type="submit" className="btn btn-primary btn-sm">
          Write it down
        </button>
        <Caution of="keying-up" />
        <Caution of="measuring" />
      </ActForm>
    </section>
  );
}
