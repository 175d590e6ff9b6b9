// From the rows of a sheet to radios: usually a row each, or a row for each component of a radio.

import {
  type DateOrder,
  type DecimalSign,
  type PlainDate,
  readDate,
  withPoint,
} from "../quantities/index.ts";
import { asPartName, LONGEST_PART_NAME } from "../release/index.ts";
import { FIELD_LIMITS, isTagUsable } from "../unit/index.ts";
import { LONGEST_READOUT } from "../version/index.ts";
import { componentOf, type Meaning } from "./columns.ts";
import { folded } from "./names.ts";
import { saysNothing, USUAL_NOTHING } from "./nothing.ts";
import type { Table } from "./table.ts";

export type ImportSettings = {
  readonly meanings: readonly Meaning[];
  readonly decimal: DecimalSign;
  readonly dates: DateOrder;
  readonly today: PlainDate;
  /** The day of readings without one; absent: nobody knows it. */
  readonly undated?: PlainDate | undefined;
  /** Words that say in a cell that there is nothing to say. */
  readonly nothing?: readonly string[] | undefined;
  /** Whoever has a radio and is not in the club comes in with it. */
  readonly makePeople?: boolean | undefined;
};

export type Field = keyof typeof FIELD_LIMITS;
export const FIELDS = Object.keys(FIELD_LIMITS) as Field[];

export type CellProblem =
  | { readonly kind: "no-tag" }
  | { readonly kind: "too-long"; readonly field: Field | "component"; readonly limit: number }
  | { readonly kind: "tag-unusable" }
  | { readonly kind: "tag-twice"; readonly firstLine: number }
  | { readonly kind: "says-other"; readonly field: Field; readonly line: number }
  | { readonly kind: "not-a-date"; readonly text: string }
  | { readonly kind: "date-ahead"; readonly date: PlainDate }
  | { readonly kind: "reading-too-long"; readonly limit: number };

/** A version as the sheet tells it. `component` as it is called there; empty for the first one of the model. */
export type ToldReading = {
  readonly component: string;
  readonly raw: string;
  /** Absent: nobody knows the day. */
  readonly on?: PlainDate | undefined;
};

export type SheetRadio = {
  /** Lines of the sheet that tell of it, at least one. */
  readonly lines: readonly number[];
  readonly values: Readonly<Record<Field, string>>;
  /** Whom the sheet says it is with. */
  readonly holder: string;
  readonly readings: readonly ToldReading[];
  readonly problems: readonly CellProblem[];
};

type Gathered = {
  lines: number[];
  values: Record<Field, string>;
  holder: string;
  readings: ToldReading[];
  problems: CellProblem[];
  components: Set<string>;
};

/**
 * The radios of a sheet, by their first lines. Where a column names the component, rows of the same tag with another
 * component are one radio; its own fields may be told once or again, but not otherwise. Any other row whose tag was
 * there before is a radio with a problem.
 */
export function radiosOf({ head, rows }: Table, settings: ImportSettings): SheetRadio[] {
  const byTag = new Map<string, Gathered>();
  const radios: Gathered[] = [];
  for (const { line, cells } of rows) {
    const cell = (meaning: Meaning) => cellOf(cells, meaning, settings);
    const values = Object.fromEntries(FIELDS.map((field) => [field, cell(field)])) as Record<Field, string>;
    values.note = [values.note, ...alsoNoted(head, cells, settings)].filter(Boolean).join("; ");
    const holder = cell("holder");
    const component = cell("component");
    const told = {
      readings: readingsOf(cells, settings),
      problems: problemsOf(values, cells, settings),
    };
    const tag = folded(values.tag);
    const first = tag === "" ? undefined : byTag.get(tag);
    if (first && component !== "" && !first.components.has(folded(component))) {
      join(first, line, values);
      first.holder ||= holder;
      first.readings.push(...told.readings);
      first.problems.push(...told.problems.filter((problem) => !first.problems.some(isLike(problem))));
      first.components.add(folded(component));
      continue;
    }
    const radio = { lines: [line], values, holder, ...told, components: new Set([folded(component)]) };
    if (first) radio.problems.push({ kind: "tag-twice", firstLine: first.lines[0] ?? line });
    else if (tag !== "") byTag.set(tag, radio);
    radios.push(radio);
  }
  return radios;
}

const isLike = (one: CellProblem) => (other: CellProblem) => JSON.stringify(one) === JSON.stringify(other);

/** What another line of the same radio tells besides; what it tells otherwise is a problem. */
function join(radio: Gathered, line: number, values: Record<Field, string>): void {
  radio.lines.push(line);
  for (const field of FIELDS) {
    if (values[field] === "") continue;
    if (radio.values[field] === "") radio.values[field] = values[field];
    else if (folded(radio.values[field]) !== folded(values[field]))
      radio.problems.push({ kind: "says-other", field, line });
  }
}

function cellOf(cells: readonly string[], meaning: Meaning, settings: ImportSettings): string {
  return textOf(cells[settings.meanings.indexOf(meaning)], settings);
}

/** Columns that are to be kept in the note, each with its head: "licence: middle". */
const alsoNoted = (head: readonly string[], cells: readonly string[], settings: ImportSettings): string[] =>
  settings.meanings.flatMap((meaning, i) => {
    const text = meaning === "noteToo" ? textOf(cells[i], settings) : "";
    return text === "" ? [] : [`${head[i] || "column"}: ${text}`];
  });

function textOf(cell: string | undefined, settings: ImportSettings): string {
  const text = (cell ?? "").trim();
  if (text === "" || saysNothing(text, settings.nothing ?? USUAL_NOTHING)) return "";
  // What goes out of here, and out of some spreadsheets, marks as text what would be taken for a formula.
  return /^'[=+\-@]/.test(text) ? text.slice(1) : text;
}

function readingsOf(cells: readonly string[], settings: ImportSettings): ToldReading[] {
  const on = readDate(cellOf(cells, "readOn", settings), settings.dates) ?? settings.undated;
  const component = asPartName(cellOf(cells, "component", settings));
  return settings.meanings.flatMap((meaning) => {
    const of = meaning === "reading" ? component : componentOf(meaning);
    const raw = of === undefined ? "" : withPoint(cellOf(cells, meaning, settings), settings.decimal);
    return of === undefined || raw === "" ? [] : [{ component: of, raw, ...(on && { on }) }];
  });
}

function problemsOf(
  values: Record<Field, string>,
  cells: readonly string[],
  settings: ImportSettings,
): CellProblem[] {
  const problems: CellProblem[] = [];
  if (values.tag === "") problems.push({ kind: "no-tag" });
  if (!isTagUsable(values.tag)) problems.push({ kind: "tag-unusable" });
  for (const field of FIELDS) {
    const limit = FIELD_LIMITS[field];
    if (values[field].length > limit) problems.push({ kind: "too-long", field, limit });
  }
  if (cellOf(cells, "component", settings).length > LONGEST_PART_NAME) {
    problems.push({ kind: "too-long", field: "component", limit: LONGEST_PART_NAME });
  }
  const dateText = cellOf(cells, "readOn", settings);
  const date = readDate(dateText, settings.dates);
  if (dateText !== "" && !date) problems.push({ kind: "not-a-date", text: dateText });
  if (date && date > settings.today) problems.push({ kind: "date-ahead", date });
  if (readingsOf(cells, settings).some(({ raw }) => raw.length > LONGEST_READOUT)) {
    problems.push({ kind: "reading-too-long", limit: LONGEST_READOUT });
  }
  return problems;
}
