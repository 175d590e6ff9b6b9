// The form of what a model is known by: its fields as text, read into what is stored, and back.
import {
  IDENTITY_FACTS,
  type Identity,
  identityShape,
  keysTwice,
  layoutShape,
  type PartReading,
  partReadingShape,
  SHOWN_WHERE,
} from "#core/dossier/index.ts";
import {
  bad,
  good,
  type Result,
  SOURCE_KINDS,
  type Source,
  shownFacts,
  typedFacts,
  typedList,
} from "#core/quantities/index.ts";
import { PART_NAME_RULE, partName } from "#core/release/index.ts";
import type { DossierHead } from "#db/model/index.ts";

export type IdentityValues = Record<string, string>;

export function identityValues({ identity, parts }: DossierHead): IdentityValues {
  const { layout } = identity;
  const values: IdentityValues = {
    ...(shownFacts(IDENTITY_FACTS, identity) as IdentityValues),
    btShows: identity.bluetooth?.shows ?? "",
    btReset: identity.bluetooth?.afterReset ?? (identity.bluetooth ? "unknown" : ""),
    sourceKind: identity.source?.kind ?? "",
    sourceWhat: identity.source?.what ?? "",
    screen: layout?.screen === false ? "no" : "yes",
    lamp: layout?.lamp ?? "top",
    antenna: layout?.antenna === false ? "no" : "yes",
    knobs: layout?.knobs.join(", ") ?? "",
    top: layout?.top.join(", ") ?? "",
    left: layout?.left.join(", ") ?? "",
    right: layout?.right.join(", ") ?? "",
    rows: layout?.rows.map((row) => row.join(", ")).join("\n") ?? "",
  };
  for (const { id, name, reading } of parts) {
    values[`name-${id}`] = name;
    values[`where-${id}`] = reading.where ?? "";
    values[`how-${id}`] = reading.how;
    values[`sample-${id}`] = reading.sample;
    values[`${id}-sourceKind`] = reading.source?.kind ?? "";
    values[`${id}-sourceWhat`] = reading.source?.what ?? "";
  }
  return values;
}

export type ReadIdentity = {
  readonly identity: Identity;
  readonly parts: readonly { readonly id: string; readonly name: string; readonly reading: PartReading }[];
};

/** Reads the form; each error stands under the name of its field. */
export function readIdentity(
  values: IdentityValues,
  kind: string,
  parts: readonly { readonly id: string }[],
): Result<ReadIdentity, { readonly kind: "fields"; readonly errors: IdentityValues }> {
  const errors: IdentityValues = {};
  const note = (
    issues: readonly { readonly path: PropertyKey[]; readonly message: string }[],
    behind = "",
  ) => {
    for (const issue of issues) {
      const [field] = issue.path;
      const name =
        behind === ""
          ? String(field)
          : field === "source"
            ? `${behind}-sourceWhat`
            : `${String(field)}-${behind}`;
      errors[name] ??= issue.message;
    }
  };
  const layout = layoutShape.safeParse({
    body: kind,
    screen: values.screen !== "no",
    lamp: values.lamp,
    antenna: values.antenna !== "no",
    knobs: typedList(values.knobs),
    top: typedList(values.top),
    left: typedList(values.left),
    right: typedList(values.right),
    rows: typedList(values.rows, /\r?\n/).map((row) => typedList(row)),
  });
  if (!layout.success) note(layout.error.issues);
  const twice = layout.success ? keysTwice(layout.data) : [];
  if (twice.length > 0)
    errors.rows = `Two keys are called ${twice.join(", ")}; each needs a name of its own.`;
  const identity = identityShape.safeParse({
    ...typedFacts(IDENTITY_FACTS, (name) => values[name]),
    source: sourceOf(values, "sourceKind", "sourceWhat", errors),
    ...bluetoothOf(values, errors),
    ...(layout.success && hasKeys(layout.data) && { layout: layout.data }),
  });
  if (!identity.success) note(identity.error.issues);
  const names = new Set<string>();
  const read = parts.map(({ id }) => {
    const name = (values[`name-${id}`] ?? "").trim();
    if (!partName.safeParse(name).success) errors[`name-${id}`] = PART_NAME_RULE;
    else if (names.has(name.toLowerCase())) errors[`name-${id}`] = "Another part is called so.";
    names.add(name.toLowerCase());
    const reading = partReadingShape.safeParse({
      where: SHOWN_WHERE.find((w) => w === values[`where-${id}`]),
      how: values[`how-${id}`] ?? "",
      sample: values[`sample-${id}`] ?? "",
      source: sourceOf(values, `${id}-sourceKind`, `${id}-sourceWhat`, errors),
    });
    if (!reading.success) note(reading.error.issues, id);
    return { id, name, reading: reading.data ?? partReadingShape.parse({}) };
  });
  if (!identity.success || Object.keys(errors).length > 0) return bad({ kind: "fields", errors });
  return good({ identity: identity.data, parts: read });
}

/** Nothing, of a model without Bluetooth, or of which nobody has said. */
function bluetoothOf(values: IdentityValues, errors: IdentityValues): Pick<Identity, "bluetooth"> {
  const shows = (values.btShows ?? "").trim();
  if (shows.length > 80) errors.btShows = "At most 80 characters.";
  const reset = values.btReset ?? "";
  if (shows === "" && reset === "") return {};
  const afterReset = reset === "on" || reset === "off" ? reset : undefined;
  return { bluetooth: { shows: shows.slice(0, 80), ...(afterReset && { afterReset }) } };
}

function sourceOf(
  values: IdentityValues,
  kind: string,
  what: string,
  errors: IdentityValues,
): Source | undefined {
  const found = SOURCE_KINDS.find((k) => k === values[kind]);
  const said = (values[what] ?? "").trim();
  if (!found && said !== "") errors[kind] = "Say what kind of source that is.";
  return found && { kind: found, what: said };
}

const hasKeys = (l: {
  knobs: string[];
  top: string[];
  left: string[];
  right: string[];
  rows: string[][];
}): boolean => [...l.knobs, ...l.top, ...l.left, ...l.right, ...l.rows].length > 0;
