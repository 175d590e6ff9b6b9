// The fields of facts, as their definition has them.
import type { FactField } from "#core/quantities/index.ts";
import { Labelled } from "./field.tsx";

export const FactFields = (props: {
  readonly fields: readonly FactField[];
  readonly shown: Readonly<Record<string, string | readonly string[]>>;
}) =>
  props.fields.map(({ name, label, typed, mono, most }) => (
    <Labelled
      key={name}
      name={name}
      label={label}
      small
      mono={mono ?? false}
      most={most}
      inputMode={typed === "number" ? "numeric" : "text"}
      type={typed === "tick" ? "checkbox" : "text"}
      value={[props.shown[name] ?? ""].flat().join()}
    />
  ));
