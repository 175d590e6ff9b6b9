// What bringing in a table would do, row by row, before anything is done: added, changed, the same, or a problem.
import { LONGEST_READOUT } from "../firmware/version.ts";
import type { PlainDate } from "../quantities/date.ts";
import type { Meaning } from "./columns.ts";
import { type DateOrder, type DecimalSign, readDate, withPoint } from "./signs.ts";
import type { Table } from "./table.ts";

export type ImportSettings = {
  readonly meanings: readonly Meaning[];
  readonly decimal: DecimalSign;
  readonly dates: DateOrder;
  /** The day readings without a date were taken. */
  readonly today: PlainDate;
};

/** What the club has now, names folded to lower case. */
export type KnownClub = {
  readonly units: ReadonlyMap<string, KnownRow>;
  /** Models by "maker model" and, where only one has the name, by name alone. */
  readonly models: ReadonlyMap<string, { readonly id: string; readonly revisions: readonly string[] }>;
};

export type KnownRow = Readonly<Record<Exclude<Field, "tag" | "maker" | "model">, string>> & {
  readonly model: string;
  /** The newest reading of the first component. */
  readonly newest: string;
  /** All its readings, each as text and day; see `readingKey`. */
  readonly readings: ReadonlySet<string>;
};

export const readingKey = (raw: string, on: string): string => `${raw}\n${on}`;

export type Field = "tag" | "maker" | "model" | "hardware" | "region" | "serial" | "place" | "group" | "note";

export type RowProblem =
  | { readonly kind: "no-tag" }
  | { readonly kind: "tag-too-long"; readonly limit: number }
  | { readonly kind: "tag-twice"; readonly firstLine: number }
  | { readonly kind: "no-model" }
  | { readonly kind: "unknown-revision"; readonly revision: string }
  | { readonly kind: "not-a-date"; readonly text: string }
  | { readonly kind: "date-ahead"; readonly date: PlainDate }
  | { readonly kind: "reading-too-long"; readonly limit: number };

export type PlannedRow = {
  readonly line: number;
  readonly values: Readonly<Record<Field, string>>;
  readonly reading?: { readonly raw: string; readonly on: PlainDate };
  readonly act: "add" | "change" | "same" | "problem";
  /** Which fields a change touches. */
  readonly changes: readonly Field[];
  /** Absent: the model is not known yet and would be made. */
  readonly model?: string;
  readonly problems: readonly RowProblem[];
};

export type Plan = {
  readonly rows: readonly PlannedRow[];
  /** Models to be made, as maker and name. */
  readonly newModels: readonly { readonly maker: string; readonly name: string }[];
};

export const LONGEST_TAG = 40;
const FIELDS: readonly Field[] = [
  "tag",
  "maker",
  "model",
  "hardware",
  "region",
  "serial",
  "place",
  "group",
  "note",
];

export const folded = (text: string): string => text.normalize("NFKC").trim().toLowerCase();
export const modelKey = (maker: string, name: string): string => `${folded(maker)}\n${folded(name)}`;

/**
 * Plans each row. A tag that is known is a change of the fields the sheet fills (an empty cell changes nothing), or
 * the same. The same table planned again after it was brought in is all the same.
 */
export function planImport(table: Table, settings: ImportSettings, club: KnownClub): Plan {
  const firstLine = new Map<string, number>();
  const newModels = new Map<string, { maker: string; name: string }>();
  const rows = table.rows.map(({ line, cells }) => {
    const values = valuesOf(cells, settings);
    const problems = problemsOf(values, cells, settings);
    const tag = folded(values.tag);
    const first = firstLine.get(tag);
    if (tag !== "" && first !== undefined) problems.push({ kind: "tag-twice", firstLine: first });
    else firstLine.set(tag, line);
    const known = club.units.get(tag);
    const model = modelOf(values, club);
    if (!model && !known && values.model === "") problems.push({ kind: "no-model" });
    if (!model && values.model !== "") {
      newModels.set(modelKey(values.maker, values.model), { maker: values.maker, name: values.model });
    }
    const revision = values.hardware;
    if (model && revision !== "" && !model.revisions.some((r) => folded(r) === folded(revision))) {
      problems.push({ kind: "unknown-revision", revision });
    }
    const reading = readingOf(cells, settings);
    const changes = known ? changesOf(values, known, model?.id) : [];
    const told = reading && (!known || isNews(reading, known, settings)) ? reading : undefined;
    const act =
      problems.length > 0 ? "problem" : !known ? "add" : changes.length > 0 || told ? "change" : "same";
    return {
      line,
      values,
      act,
      changes,
      problems,
      ...(told && { reading: told }),
      ...(model && { model: model.id }),
    } as const;
  });
  return { rows, newModels: [...newModels.values()] };
}

function cellOf(cells: readonly string[], meaning: Meaning, settings: ImportSettings): string {
  const column = settings.meanings.indexOf(meaning);
  return column < 0 ? "" : (cells[column] ?? "").trim();
}

function valuesOf(cells: readonly string[], settings: ImportSettings): Record<Field, string> {
  return Object.fromEntries(FIELDS.map((field) => [field, cellOf(cells, field, settings)])) as Record<
    Field,
    string
  >;
}

function readingOf(cells: readonly string[], settings: ImportSettings): PlannedRow["reading"] {
  const raw = withPoint(cellOf(cells, "reading", settings), settings.decimal);
  if (raw === "") return undefined;
  return { raw, on: readDate(cellOf(cells, "readOn", settings), settings.dates) ?? settings.today };
}

/** With dates, a reading is news if we have none of that text and day; without, if it is not what we have last. */
function isNews(reading: { raw: string; on: PlainDate }, known: KnownRow, settings: ImportSettings): boolean {
  if (!settings.meanings.includes("readOn")) return reading.raw !== known.newest;
  return !known.readings.has(readingKey(reading.raw, reading.on));
}

function problemsOf(
  values: Record<Field, string>,
  cells: readonly string[],
  settings: ImportSettings,
): RowProblem[] {
  const problems: RowProblem[] = [];
  if (values.tag === "") problems.push({ kind: "no-tag" });
  if (values.tag.length > LONGEST_TAG) problems.push({ kind: "tag-too-long", limit: LONGEST_TAG });
  const dateText = cellOf(cells, "readOn", settings);
  const date = readDate(dateText, settings.dates);
  if (dateText !== "" && !date) problems.push({ kind: "not-a-date", text: dateText });
  if (date && date > settings.today) problems.push({ kind: "date-ahead", date });
  if (cellOf(cells, "reading", settings).length > LONGEST_READOUT) {
    problems.push({ kind: "reading-too-long", limit: LONGEST_READOUT });
  }
  return problems;
}

const modelOf = (values: Record<Field, string>, club: KnownClub) =>
  values.model === "" ? undefined : club.models.get(modelKey(values.maker, values.model));

function changesOf(values: Record<Field, string>, known: KnownRow, model: string | undefined): Field[] {
  const changes = FIELDS.filter((field) => {
    if (field === "tag" || field === "maker" || values[field] === "") return false;
    if (field === "model") return model !== known.model;
    if (field === "serial" || field === "note") return values[field] !== known[field];
    return folded(values[field]) !== folded(known[field]);
  });
  return changes;
}
