// Fields that procedures and quirks share: for which firmware it holds, and where it is known from.
import { SOURCE_KINDS } from "#core/quantities/source.ts";
import { Input } from "../forms/input.tsx";
import { SOURCE_WORD } from "../ui/words/step.ts";

type Of = (name: string) => {
  readonly name: string;
  readonly value: string | undefined;
  readonly error: string | undefined;
};

export function FirmwareFields({
  of,
  parts,
}: {
  readonly of: Of;
  readonly parts: readonly { readonly id: string; readonly name: string }[];
}) {
  return (
    <div className="grid grid-cols-[7rem_minmax(0,1fr)] gap-3">
      <Input
        {...of("component")}
        label="Only for"
        options={[["", "any part"] as const, ...parts.map((p) => [p.id, p.name] as const)]}
      />
      <Input {...of("firmware")} label="versions (empty: all)" mono />
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
      <Input
        {...of("sourceKind")}
        label="Known from"
        options={[
          ...(open ? [["", "nobody said"] as const] : []),
          ...SOURCE_KINDS.map((kind) => [kind, SOURCE_WORD[kind]] as const),
        ]}
      />
      <Input {...of("sourceWhat")} label="Which one (leaflet, evening, club)" />
    </>
  );
}
