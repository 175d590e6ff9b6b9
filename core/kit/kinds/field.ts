// What a kind of thing is made of: its fields as a form shows them, and those that several kinds share.

import { type Range, rangeText } from "../../version/index.ts";

import { CONDITIONS, GRADES, SYSTEMS } from "../shapes.ts";
import { CONDITION_WORD, sayChip } from "../words.ts";
import type { Known, Named, Reader, Values } from "./reader.ts";

/** That a tool knows a model, as it is stored. */
export type SupportFields = {
  readonly model: string;
  readonly operations: readonly string[];
  readonly versions: object | null;
  readonly component: string | null;
  readonly firmware: object | null;
};

export type Options = readonly (readonly [string, string])[];
export type FieldSpec = {
  readonly name: string;
  readonly label: string;
  readonly options?: (known: Known) => Options;
  readonly rows?: number;
  readonly mono?: boolean;
  /** What it picks, or names several of, where another one can be made in passing by its name. */
  readonly makes?: "connector" | "place" | "person" | "model";
  /** Among the few that the line of quick entry shows. */
  readonly quick?: boolean;
};

export type Stored = {
  readonly columns: Record<string, string | number | boolean | null | readonly string[] | object>;
  readonly installed?: {
    readonly ports: readonly string[];
    readonly drivers: readonly (readonly [string, string])[];
    readonly tools: readonly (readonly [string, string])[];
  };
  readonly supports?: readonly SupportFields[];
};

/** Rows of a table beside it that say what else a thing has: they go with it, and keep what they name in use. */
export type Link = {
  readonly table: string;
  /** The column that says which of them, and the one that names the other. */
  readonly own: string;
  readonly column: string;
  /** The table of what it names. */
  readonly to: string;
};

export type Kind = {
  /** Its table; no two kinds share one. */
  readonly table: string;
  readonly one: string;
  readonly many: string;
  /** The field that names it; no two may share it. */
  readonly name: "tag" | "name" | "family" | "what";
  readonly fields: readonly FieldSpec[];
  /** Those of its fields that do not apply to one with such values: they are kept as they are, and not shown. */
  readonly skips?: (values: Values) => readonly string[];
  /** What a new one begins with. */
  readonly begin?: Values;
  /** What is typed, as it is stored. */
  readonly read: (reader: Reader) => Stored;
  /** Columns that hold JSON. */
  readonly json?: readonly string[];
  /** Columns that name other things of the kit, with their tables: what is named cannot be archived. */
  readonly refers?: Readonly<Record<string, string>>;
  readonly links?: readonly Link[];
  /** It is found by its name; what has a tag is found by that anyway. */
  readonly found?: true;
  /** By which columns the inventory orders them; absent: by name. */
  readonly order?: readonly string[];
  /** Of a stored row what a form shows otherwise than `shownValue` does. */
  readonly values?: (row: never, known: Known) => Partial<Values>;
  /** One in a few words, from a form's values. */
  readonly says: (values: Values, known: Known) => string;
};

/** Rows as the choices of a list, by id; `nothing` is what the empty choice is called. */
export const named = (list: Named, nothing?: string): Options => [
  ...(nothing === undefined ? [] : [["", nothing] as const]),
  ...list.map((row) => [row.id, row.name] as const),
];

/** Words that are their own values, as choices. */
export const words = (list: readonly string[]): Options => list.map((word) => [word, word] as const);

/** The choices of a question. */
export const yesNo = (): Options => [
  ["yes", "yes"],
  ["no", "no"],
];

export const TAG: FieldSpec = { name: "tag", label: "Tag", mono: true, quick: true };
export const WHERE: readonly FieldSpec[] = [
  {
    name: "condition",
    label: "Condition",
    options: () => CONDITIONS.map((c) => [c, CONDITION_WORD[c]] as const),
  },
  { name: "place_id", label: "Place", options: (k) => named(k.places, "no place"), makes: "place" },
  {
    name: "holder_id",
    label: "With",
    options: (k) => named(k.people, "nobody: it is here"),
    makes: "person",
  },
  { name: "note", label: "Note" },
];
export const CHIP: readonly FieldSpec[] = [
  { name: "chip_family", label: "Chip (none: empty; some chip, but which: ?)", quick: true },
  { name: "chip_grade", label: "It is", options: () => words(GRADES), quick: true },
];

/** Reads what `WHERE` asks for. */
export const readWhere = (r: Reader) => ({
  condition: r.choice("condition", CONDITIONS, "sound"),
  place_id: r.ref("place_id", r.known.places),
  holder_id: r.ref("holder_id", r.known.people),
  note: r.text("note", 500),
});

/** Reads what `CHIP` asks for: no chip is none, "?" is one that nobody knows. */
export const readChip = (r: Reader) => {
  const family = r.text("chip_family", 80);
  return {
    chip_family: family === "" ? null : family === "?" ? "" : family,
    chip_grade: r.choice("chip_grade", GRADES, "unknown"),
  };
};

/** Operating systems as choices. */
export const systems = () => words(SYSTEMS);

/** A stored value as a form shows it. */
export function shownValue(value: unknown): string {
  if (value === null || value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (Array.isArray(value)) return rangeText(value as Range);
  return String(value);
}

/** Parts of a sentence, without those that say nothing. */
export const joined = (parts: readonly (string | false | undefined)[]): string =>
  parts.filter(Boolean).join("; ");

/** The name of the row with an id. */
export const nameOf = (list: Named, id: string | undefined): string | undefined =>
  list.find((row) => row.id === id)?.name;
/** A chip in words, from a form's values. */
export const chipText = (values: Values): string | undefined =>
  values.chip_family &&
  sayChip({
    family: values.chip_family === "?" ? "" : values.chip_family,
    grade: GRADES.find((grade) => grade === values.chip_grade) ?? "unknown",
  });
/** A chip as it is typed: "?" is some chip, but which. */
export const chipValue = (row: { readonly chip_family: string | null }): Values => ({
  chip_family: row.chip_family === null ? "" : row.chip_family === "" ? "?" : row.chip_family,
});
