// What is written down of a radio: one definition, from which its form, acts, statements, log and sheets derive.
import { z } from "zod";
import { id } from "../quantities/index.ts";

/** The most characters of each field, typed or brought in; makers and models, places and groups are as long as where they are named. */
export const FIELD_LIMITS = {
  tag: 40,
  maker: 80,
  model: 80,
  hardware: 80,
  region: 40,
  serial: 80,
  place: 60,
  group: 80,
  note: 500,
} as const;

/** A tag is part of an address: without the signs that part one, not only dots, and not the word that adds a radio. */
export const isTagUsable = (tag: string): boolean =>
  !/[/\\?#%]/.test(tag) && !/^\.+$/.test(tag) && tag.toLowerCase() !== "new";

/** Model, hardware revision, place and group go by their ids; what nobody knows is left out. */
export const unitShape = z.object({
  tag: z
    .string({ error: "A radio is known by its tag." })
    .trim()
    .min(1)
    .max(FIELD_LIMITS.tag, `At most ${FIELD_LIMITS.tag} characters.`)
    .refine(isTagUsable, "Without / \\ ? # and %, not only dots, and not “new”."),
  model: id.optional().transform((m) => m ?? ""),
  hardware: id.optional(),
  region: z.string().trim().max(FIELD_LIMITS.region).optional(),
  serial: z.string().trim().max(FIELD_LIMITS.serial).default(""),
  place: id.optional(),
  group: id.optional(),
  note: z.string().trim().max(FIELD_LIMITS.note).default(""),
});
export type WrittenUnit = z.output<typeof unitShape>;
export type UnitField = keyof WrittenUnit;

/** In the order of the form. `column`: where the database has it; `word`: what the log calls it. */
export const UNIT_FIELDS = {
  tag: { column: "tag", label: "Tag", word: "tag", hint: "what stands on it, such as W-03" },
  model: { column: "model_id", label: "Model", word: "model" },
  hardware: {
    column: "hardware_revision_id",
    label: "Hardware revision",
    word: "hardware revision",
    nothing: "we do not know, or there is only one",
  },
  region: { column: "region", label: "Region", word: "region", hint: "empty: we do not know" },
  serial: { column: "serial", label: "Serial number", word: "serial number" },
  place: { column: "place_id", label: "Place", word: "place", nothing: "none yet" },
  group: { column: "group_id", label: "Group", word: "group", nothing: "none" },
  note: { column: "note", label: "Note", word: "note" },
} as const satisfies Record<
  UnitField,
  {
    readonly column: string;
    readonly label: string;
    readonly word: string;
    readonly hint?: string;
    /** What the choice of none is called, where there is a list to choose from. */
    readonly nothing?: string;
  }
>;
const entries = Object.entries(UNIT_FIELDS) as [UnitField, (typeof UNIT_FIELDS)[UnitField]][];

/** The columns of a unit that somebody writes, in their order. */
export const UNIT_COLUMNS = entries.map(([, { column }]) => column);

/** A radio's fields by their columns, as they are stored. */
type StoredUnit = Record<(typeof UNIT_FIELDS)[UnitField]["column"], string | null>;

/** The values of `UNIT_COLUMNS`, in their order: of what nobody knows, nothing. */
export const unitValues = (unit: WrittenUnit): (string | null)[] =>
  entries.map(([field]) => unit[field] || (field === "serial" || field === "note" ? "" : null));

/** A radio as it stands, in the shape in which it is written. */
export const writtenUnit = (row: StoredUnit): WrittenUnit => ({
  tag: row.tag ?? "",
  model: row.model_id ?? "",
  hardware: row.hardware_revision_id ?? undefined,
  region: row.region ?? undefined,
  serial: row.serial ?? "",
  place: row.place_id ?? undefined,
  group: row.group_id ?? undefined,
  note: row.note ?? "",
});

/** As a form shows it; of no radio yet, empty fields. */
export const unitTexts = (unit: WrittenUnit | undefined): Record<string, string> =>
  Object.fromEntries(entries.map(([field]) => [field, unit?.[field] ?? ""]));

/** What is different now, in words: "tag W-03 to W-30, group"; "" where nothing is. */
export const unitChanges = (before: WrittenUnit, after: WrittenUnit): string =>
  entries
    .filter(([field]) => (before[field] || "") !== (after[field] || ""))
    .map(([field, { word }]) => (field === "tag" ? `tag ${before.tag} to ${after.tag}` : word))
    .join(", ");
