// What bringing in a table would do, row by row, before anything is done: added, changed, the same, or a problem.
import { FIELD_LIMITS, isTagUsable } from "../club/unit-fields.ts";
import { LONGEST_READOUT } from "../firmware/version.ts";
import type { PlainDate } from "../quantities/date.ts";
import { groupBy } from "../quantities/group.ts";
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

export type KnownModel = {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly revisions: readonly string[];
};

/** What the club has now; units by their folded tags. */
export type KnownClub = {
  readonly units: ReadonlyMap<string, KnownRow>;
  readonly models: readonly KnownModel[];
};

export type KnownRow = Readonly<Record<Exclude<Field, "tag" | "maker" | "model">, string>> & {
  readonly id: string;
  readonly model: string;
  /** The newest reading of the first component. */
  readonly newest: string;
  /** All its readings, each as text and day; see `readingKey`. */
  readonly readings: ReadonlySet<string>;
};

export const readingKey = (raw: string, on: string): string => `${raw}\n${on}`;

export type Field = keyof typeof FIELD_LIMITS;

export type RowProblem =
  | { readonly kind: "no-tag" }
  | { readonly kind: "too-long"; readonly field: Field; readonly limit: number }
  | { readonly kind: "tag-unusable" }
  | { readonly kind: "tag-twice"; readonly firstLine: number }
  | { readonly kind: "no-model" }
  | { readonly kind: "which-model"; readonly makers: readonly string[] }
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
  /** The radio of ours that has this tag. */
  readonly unit?: string;
  /** The model that the row names, if it is known; one that is not would be made. */
  readonly model?: string;
  readonly problems: readonly RowProblem[];
};

export type Plan = {
  readonly rows: readonly PlannedRow[];
  /** Models to be made for the rows without problems. */
  readonly newModels: readonly NewModel[];
};

/** With the hardware revisions that its rows name. */
export type NewModel = Omit<KnownModel, "id">;

const FIELDS = Object.keys(FIELD_LIMITS) as Field[];

export const folded = (text: string): string => text.normalize("NFKC").trim().toLowerCase();
export const modelKey = (maker: string, name: string): string => `${folded(maker)}\n${folded(name)}`;

/**
 * Plans each row. A tag that is known is a change of the fields the sheet fills (an empty cell changes nothing), or
 * the same. The same table planned again after it was brought in is all the same.
 */
export function planImport(table: Table, settings: ImportSettings, club: KnownClub): Plan {
  const firstLine = new Map<string, number>();
  const models = new ModelNames(club.models);
  const rows = table.rows.map(({ line, cells }): PlannedRow => {
    const values = valuesOf(cells, settings);
    const problems = problemsOf(values, cells, settings);
    const tag = folded(values.tag);
    const first = firstLine.get(tag);
    if (tag !== "" && first !== undefined) problems.push({ kind: "tag-twice", firstLine: first });
    else firstLine.set(tag, line);
    const known = club.units.get(tag);
    const named = models.named(values, known);
    if (values.model === "" && !known) problems.push({ kind: "no-model" });
    if (named === "several") problems.push({ kind: "which-model", makers: models.makersOf(values.model) });
    const model = named === "several" ? undefined : named;
    const revisions = (values.model === "" ? models.byId(known?.model) : model)?.revisions;
    const revision = values.hardware;
    if (revisions && revision !== "" && !revisions.some((r) => folded(r) === folded(revision))) {
      problems.push({ kind: "unknown-revision", revision });
    }
    const reading = readingOf(cells, settings);
    const changes = known ? changesOf(values, known, model?.id) : [];
    // Of another model, it has been read in none of its parts.
    const asNew = !known || changes.includes("model");
    const told = reading && (asNew || isNews(reading, known, settings)) ? reading : undefined;
    const act =
      problems.length > 0 ? "problem" : !known ? "add" : changes.length > 0 || told ? "change" : "same";
    return {
      line,
      values,
      act,
      changes,
      problems,
      ...(told && { reading: told }),
      ...(known && { unit: known.id }),
      ...(model && { model: model.id }),
    };
  });
  return { rows, newModels: newModelsOf(rows) };
}

/** A model named only by rows with problems is not made. */
function newModelsOf(rows: readonly PlannedRow[]): NewModel[] {
  const made = new Map<string, { maker: string; name: string; revisions: string[] }>();
  for (const { act, values, model } of rows) {
    if (act === "problem" || act === "same" || model !== undefined || values.model === "") continue;
    const key = modelKey(values.maker, values.model);
    const own = made.get(key) ?? { maker: values.maker, name: values.model, revisions: [] };
    made.set(key, own);
    const { hardware } = values;
    if (hardware !== "" && !own.revisions.some((r) => folded(r) === folded(hardware)))
      own.revisions.push(hardware);
  }
  return [...made.values()];
}

/** The club's models by maker and name; by name alone where no other has it, or where the radio is one of those already. */
class ModelNames {
  readonly #byKey: ReadonlyMap<string, KnownModel>;
  readonly #byName: ReadonlyMap<string, readonly KnownModel[]>;
  readonly #byId: ReadonlyMap<string, KnownModel>;

  constructor(models: readonly KnownModel[]) {
    this.#byKey = new Map(models.map((model) => [modelKey(model.maker, model.name), model]));
    this.#byName = groupBy(models, (model) => folded(model.name));
    this.#byId = new Map(models.map((model) => [model.id, model]));
  }

  byId(id: string | undefined): KnownModel | undefined {
    return id === undefined ? undefined : this.#byId.get(id);
  }

  named(
    { maker, model }: Pick<PlannedRow["values"], "maker" | "model">,
    known: KnownRow | undefined,
  ): KnownModel | "several" | undefined {
    if (model === "") return undefined;
    const just = this.#byKey.get(modelKey(maker, model));
    if (just || maker !== "") return just;
    const all = this.#byName.get(folded(model)) ?? [];
    return all.find((one) => one.id === known?.model) ?? (all.length > 1 ? "several" : all[0]);
  }

  makersOf(model: string): string[] {
    return (this.#byName.get(folded(model)) ?? []).map((one) => one.maker);
  }
}

function cellOf(cells: readonly string[], meaning: Meaning, settings: ImportSettings): string {
  const column = settings.meanings.indexOf(meaning);
  const text = column < 0 ? "" : (cells[column] ?? "").trim();
  // What goes out of here, and out of some spreadsheets, marks as text what would be taken for a formula.
  return /^'[=+\-@]/.test(text) ? text.slice(1) : text;
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
  if (!isTagUsable(values.tag)) problems.push({ kind: "tag-unusable" });
  for (const field of FIELDS) {
    const limit = FIELD_LIMITS[field];
    if (values[field].length > limit) problems.push({ kind: "too-long", field, limit });
  }
  const dateText = cellOf(cells, "readOn", settings);
  const date = readDate(dateText, settings.dates);
  if (dateText !== "" && !date) problems.push({ kind: "not-a-date", text: dateText });
  if (date && date > settings.today) problems.push({ kind: "date-ahead", date });
  if (cellOf(cells, "reading", settings).length > LONGEST_READOUT) {
    problems.push({ kind: "reading-too-long", limit: LONGEST_READOUT });
  }
  return problems;
}

function changesOf(values: Record<Field, string>, known: KnownRow, model: string | undefined): Field[] {
  const changes = FIELDS.filter((field) => {
    if (field === "tag" || field === "maker" || values[field] === "") return false;
    if (field === "model") return model !== known.model;
    if (field === "serial" || field === "note") return values[field] !== known[field];
    return folded(values[field]) !== folded(known[field]);
  });
  return changes;
}
