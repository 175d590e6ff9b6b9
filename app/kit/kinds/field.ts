// What a kind of thing is made of: its fields as a form shows them, and those that several kinds share.

import { CONDITIONS, GRADES, SYSTEMS } from "#core/kit/shapes.ts";
import { type Range, rangeText } from "#core/version/range.ts";
import type { KitTable, SupportFields } from "#db/kit-put.ts";
import { CONDITION_WORD } from "../../ui/words/kit.ts";
import type { Known, Named, Reader } from "../reader.ts";

export type Options = readonly (readonly [string, string])[];
export type FieldSpec = {
  readonly name: string;
  readonly label: string;
  readonly options?: (known: Known) => Options;
  readonly rows?: number;
  readonly mono?: boolean;
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

export type Kind = {
  readonly table: KitTable;
  readonly one: string;
  readonly many: string;
  /** The field that names it; no two may share it. */
  readonly name: "tag" | "name" | "family";
  readonly fields: readonly FieldSpec[];
  readonly read: (reader: Reader) => Stored;
};
export const named = (list: Named, nothing?: string): Options => [
  ...(nothing === undefined ? [] : [["", nothing] as const]),
  ...list.map((row) => [row.id, row.name] as const),
];
export const words = (list: readonly string[]): Options => list.map((word) => [word, word] as const);
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
  { name: "place_id", label: "Place", options: (k) => named(k.places, "no place") },
  { name: "holder_id", label: "With", options: (k) => named(k.people, "nobody: it is here") },
  { name: "note", label: "Note" },
];
export const CHIP: readonly FieldSpec[] = [
  { name: "chip_family", label: "Chip (none: empty; some chip, but which: ?)", quick: true },
  { name: "chip_grade", label: "It is", options: () => words(GRADES), quick: true },
];
export const readWhere = (r: Reader) => ({
  condition: r.choice("condition", CONDITIONS, "sound"),
  place_id: r.ref("place_id", r.known.places),
  holder_id: r.ref("holder_id", r.known.people),
  note: r.text("note", 500),
});
export const readChip = (r: Reader) => {
  const family = r.text("chip_family", 80);
  return {
    chip_family: family === "" ? null : family === "?" ? "" : family,
    chip_grade: r.choice("chip_grade", GRADES, "unknown"),
  };
};
export const systems = () => words(SYSTEMS);

/** A stored value as a form shows it. */
export function shownValue(value: unknown): string {
  if (value === null || value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (Array.isArray(value)) return rangeText(value as Range);
  return String(value);
}
