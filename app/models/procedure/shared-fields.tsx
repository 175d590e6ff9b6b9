// Fields that procedures and quirks share: for which firmware it holds, and where it is known from.

import type { FieldMetadata } from "@conform-to/react";
import { SOURCE_KINDS, SOURCE_WORD } from "#core/quantities/index.ts";
import { Field } from "../../forms/field.tsx";

type Of = (name: string) => FieldMetadata<unknown> | undefined;

export function FirmwareFields({
  of,
  parts,
}: {
  readonly of: Of;
  readonly parts: readonly { readonly id: string; readonly name: string }[];
}) {
  return (
    <div className="grid grid-cols-[7rem_minmax(0,1fr)] gap-3">
      <Field
        of={of("component")}
        label="Only for"
        options={[["", "any part"] as const, ...parts.map((p) => [p.id, p.name] as const)]}
      />
      <Field of={of("firmware")} label="versions (empty: all)" mono />
    </div>
  );
}

export function SourceFields({
  of,
  open,
}: {
  readonly of: Of /** It may stay unsaid. */;
  readonly open?: boolean;
}) {
  return (
    <>
      <Field
        of={of("sourceKind")}
        label="Known from"
        options={[
          ...(open ? [["", "nobody said"] as const] : []),
          ...SOURCE_KINDS.map((kind) => [kind, SOURCE_WORD[kind]] as const),
        ]}
      />
      <Field of={of("sourceWhat")} label="Which one (leaflet, evening, club)" />
    </>
  );
}
