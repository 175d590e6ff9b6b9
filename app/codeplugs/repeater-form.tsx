// The form of a repeater.
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { drawnRepeater, type Stands } from "./drawn-repeater.ts";
import type { RepeaterAnswer } from "./repeaters.server.ts";

export function RepeaterForm(props: {
  readonly row?: Stands & { readonly id: string };
  readonly said: RepeaterAnswer | undefined;
}) {
  const { row, said } = props;
  const stands = drawnRepeater(row);
  const of = (name: string) => (said?.kept ? (said.kept[name] ?? "") : String(stands[name] ?? ""));
  const field = (name: string, label: string, box: string, mono = true) => (
    <Labelled
      name={name}
      label={label}
      small
      mono={mono}
      value={of(name)}
      errors={said?.fields?.[name] ? [said.fields[name]] : undefined}
      box={box}
    />
  );
  return (
    <ActForm
      intent="write"
      drawn={row && stands}
      kept={said?.kept}
      className="sheet mt-2 flex flex-col gap-2 p-3"
    >
      {row && <input type="hidden" name="repeater" value={row.id} />}
      <div className="flex flex-wrap gap-3">
        {field("name", "Name", "w-44", false)}
        {field("receive", "It sends on, MHz", "w-36")}
        {field("transmit", "It listens on, MHz", "w-36")}
        {field("sends", "Tone that opens it", "w-36")}
        {field("hears", "Tone it sends", "w-28")}
        <Labelled
          name="kind"
          label="Kind"
          small
          value={of("kind") || "analogue"}
          options={["analogue", "digital"]}
          box="w-32"
        />
        {field("colour", "Colour code", "w-28")}
        {field("slot", "Slot", "w-20")}
        {field("talkgroup", "Talkgroup", "w-28")}
        {field("latitude", "Degrees north", "w-32")}
        {field("longitude", "Degrees east", "w-32")}
      </div>
      <Labelled name="open" label="Open to all" type="checkbox" small value={of("open")} />
      <Labelled name="note" label="Note" small most={300} value={of("note")} />
      <button type="submit" className="btn btn-primary btn-sm w-fit">
        {row ? "Change it" : "Write it down"}
      </button>
    </ActForm>
  );
}
