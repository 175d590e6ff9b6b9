// A kind of kit as a page draws it: plain data, so that no page needs the definitions themselves.
import type { FieldSpec, Options } from "./field.ts";
import { KINDS, type KindName } from "./kinds.ts";
import type { Known, Values } from "./reader.ts";

export type ShownField = Omit<FieldSpec, "options"> & { readonly options?: Options };
export type ShownKind = {
  readonly kind: KindName;
  readonly one: string;
  readonly many: string;
  /** The field that names it. */
  readonly name: string;
  readonly fields: readonly ShownField[];
  readonly begin: Values;
};

/** The kind with the choices of its fields as they are now; `quick`: only the few fields of quick entry. */
export function shownKind(kind: KindName, known: Known, only?: "quick"): ShownKind {
  const { one, many, name, fields, begin } = KINDS[kind];
  return {
    kind,
    one,
    many,
    name,
    begin: begin ?? {},
    fields: fields
      .filter(({ quick }) => only === undefined || quick)
      .map(({ options, ...field }) => (options ? { ...field, options: options(known) } : field)),
  };
}
