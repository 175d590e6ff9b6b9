// What bringing in a table would do, radio by radio, before anything is done: added, changed, the same, or a problem.
import { onceEach } from "../quantities/index.ts";
import { FIRST_COMPONENT, type KnownModel, ModelNames, type NewModel } from "./models.ts";
import { folded, modelKey } from "./names.ts";
import { saysNothing, USUAL_NOTHING } from "./nothing.ts";
import { isName, peopleFinder, personKey, spelt } from "./people.ts";
import type { KnownClub, KnownRow, NearAnswers, Plan, PlannedRow, RowProblem } from "./plan-types.ts";
import { FIELDS, type Field, type ImportSettings, radiosOf, type ToldReading } from "./radios.ts";
import type { Table } from "./table.ts";

/** Without a day: of one that nobody knows. */
export const readingKey = (raw: string, on: string | undefined): string => `${raw}\n${on ?? ""}`;

/**
 * Plans each radio of the sheet. A tag that is known is a change of the fields the sheet fills (an empty cell changes
 * nothing), or the same. The same table planned again after it was brought in is all the same.
 */
export function planImport(
  table: Table,
  settings: ImportSettings,
  club: KnownClub,
  near: NearAnswers = new Map(),
): Plan {
  const models = new ModelNames(club.models);
  const called = peopleFinder(club.people);
  const strangers: string[] = [];
  const planned = radiosOf(table, settings).map((radio): PlannedRow => {
    const { lines, values } = radio;
    const problems: RowProblem[] = [...radio.problems];
    const known = club.units.get(folded(values.tag));
    const now = known ? undefined : club.renamed.get(folded(values.tag));
    if (now !== undefined) problems.push({ kind: "renamed", now });
    const answer = near.get(modelKey(values.maker, values.model));
    const named = models.byId(answer) ?? models.named(values, known);
    if (values.model === "" && !known && now === undefined) problems.push({ kind: "no-model" });
    if (named === "several") problems.push({ kind: "which-model", makers: models.makersOf(values.model) });
    const model = named === "several" ? undefined : named;
    if (named === undefined && values.model !== "" && answer !== "new" && now === undefined) {
      const slips = models.near(values);
      if (slips.length > 0)
        problems.push({ kind: "nearly-model", name: values.model, near: slips.map((m) => m.id) });
    }
    const lending = lendingOf(radio.holder, known, called, settings.makePeople === true);
    if (lending.stranger) strangers.push(spelt(radio.holder));
    problems.push(...lending.problems);
    const of = values.model === "" ? models.byId(known?.model) : model;
    const revision = values.hardware;
    if (of && revision !== "" && !of.revisions.some((r) => folded(r) === folded(revision))) {
      problems.push({ kind: "unknown-revision", revision });
    }
    const told = calledAs(radio.readings, of);
    problems.push(...told.problems);
    const changes = known ? changesOf(values, known, model?.id) : [];
    // Of another model, it has been read in none of its components.
    const asNew = !known || changes.includes("model");
    const readings = told.readings.filter((reading) => asNew || isNews(reading, known, settings));
    const act =
      problems.length > 0
        ? "problem"
        : !known
          ? "add"
          : changes.length > 0 || readings.length > 0 || lending.to
            ? "change"
            : "same";
    return {
      line: lines[0] ?? 0,
      lines,
      values,
      act,
      changes,
      was: Object.fromEntries(
        changes.map((field) => [field, known ? stoodIn(field, known, models) : ""] as const),
      ),
      problems,
      readings,
      ...(known && { unit: known.id }),
      ...(model && { model: model.id }),
      ...(lending.to && { lendTo: lending.to }),
    };
  });
  const rows = speltOnce(planned);
  const newcomers = rows.flatMap(({ act, lendTo }) =>
    act !== "problem" && lendTo && lendTo.id === undefined ? [lendTo.name] : [],
  );
  return {
    rows,
    newModels: newModelsOf(rows),
    newPeople: onceEach(newcomers, personKey),
    strangers: onceEach(strangers, personKey),
  };
}

/** To whom a radio goes by the sheet, if it is not with them already. Who has it is not taken from them by a sheet. */
function lendingOf(
  name: string,
  known: KnownRow | undefined,
  called: ReturnType<typeof peopleFinder>,
  makePeople: boolean,
): { to?: NonNullable<PlannedRow["lendTo"]>; problems: RowProblem[]; stranger?: boolean } {
  if (name === "") return { problems: [] };
  const found = called(name);
  if (known?.holder !== undefined)
    return folded(known.holder) === folded(name) ||
      (found.length === 1 && folded(found[0]?.name ?? "") === folded(known.holder))
      ? { problems: [] }
      : { problems: [{ kind: "with-other", holder: known.holder }] };
  const [one, ...others] = found;
  if (one && others.length > 0)
    return { problems: [{ kind: "which-person", name, people: found.map((person) => person.name) }] };
  if (one) return { to: one, problems: [] };
  const stranger = isName(name);
  if (makePeople && stranger) return { to: { name: spelt(name) }, problems: [], stranger };
  return { problems: [{ kind: "unknown-person", name }], stranger };
}

/**
 * The readings with their components called as the model calls them. A model yet to be made takes every name; one that
 * is known may have no such component. Told twice is told once, unless it is told otherwise.
 */
function calledAs(
  readings: readonly ToldReading[],
  model: KnownModel | undefined,
): { readings: ToldReading[]; problems: RowProblem[] } {
  const by = new Map<string, ToldReading>();
  const problems: RowProblem[] = [];
  for (const reading of readings) {
    const said = reading.component || (model?.components[0] ?? FIRST_COMPONENT);
    const key = folded(said);
    const component = model ? model.components.find((name) => folded(name) === key) : said;
    const had = by.get(key);
    if (component === undefined) problems.push({ kind: "unknown-component", component: said });
    else if (had && had.raw !== reading.raw) problems.push({ kind: "two-versions", component });
    else if (!had) by.set(key, { ...reading, component });
  }
  return { readings: [...by.values()], problems };
}

/** What only parts the words of a name; other signs may tell two models apart: a 5 and a 5+. */
const closed = (name: string): string => folded(name).replace(/[\s\-_./]/g, "");

/** Two spellings of one new name (by case, or by what parts its words) are one model: called as it is spelt first. */
function speltOnce(rows: readonly PlannedRow[]): PlannedRow[] {
  const first = new Map<string, Pick<PlannedRow["values"], "maker" | "model">>();
  return rows.map((row) => {
    const { maker, model } = row.values;
    if (row.model !== undefined || model === "") return row;
    const key = `${closed(maker)}\n${closed(model)}`;
    const as = first.get(key) ?? { maker, model };
    first.set(key, as);
    return { ...row, values: { ...row.values, ...as } };
  });
}

/** A model named only by radios with problems is not made. Its first component is "main" where that is told, or nothing else. */
function newModelsOf(rows: readonly PlannedRow[]): NewModel[] {
  type Made = Pick<NewModel, "maker" | "name"> & { revisions: string[]; components: string[] };
  const made = new Map<string, Made>();
  const add = (names: string[], name: string) => {
    if (name !== "" && !names.some((one) => folded(one) === folded(name))) names.push(name);
  };
  for (const { act, values, model, readings } of rows) {
    if (act === "problem" || act === "same" || model !== undefined || values.model === "") continue;
    const key = modelKey(values.maker, values.model);
    const own = made.get(key) ?? {
      maker: values.maker,
      name: values.model,
      revisions: [],
      components: [],
    };
    made.set(key, own);
    add(own.revisions, values.hardware);
    for (const { component } of readings) add(own.components, component);
  }
  const isFirst = (name: string) => folded(name) === FIRST_COMPONENT;
  return [...made.values()].map(({ components, ...of }) => ({
    ...of,
    components:
      components.length === 0
        ? [FIRST_COMPONENT]
        : [...components.filter(isFirst), ...components.filter((name) => !isFirst(name))],
  }));
}

/** A reading is news if we have none of that text and day; where the sheet does not say the day, it must not be what we have last either. */
function isNews(reading: ToldReading, known: KnownRow, settings: ImportSettings): boolean {
  const had = known.read.get(folded(reading.component));
  if (had?.all.has(readingKey(reading.raw, reading.on))) return false;
  const saysDay = settings.meanings.includes("readOn") && reading.on !== undefined;
  return saysDay || reading.raw !== had?.newest;
}

/** The names that are nearly a model's, each once with the models it may be; asked of the person. */
export function nearlyModels(
  rows: readonly PlannedRow[],
): { key: string; maker: string; name: string; near: readonly string[] }[] {
  const found = new Map<string, { key: string; maker: string; name: string; near: readonly string[] }>();
  for (const { values, problems } of rows)
    for (const problem of problems)
      if (problem.kind === "nearly-model") {
        const key = modelKey(values.maker, values.model);
        found.set(key, { key, maker: values.maker, name: values.model, near: problem.near });
      }
  return [...found.values()];
}

/** What of a sheet is not used: by column, how many cells; and the cells beyond the last head. */
export function unusedCells(
  table: Table,
  settings: Pick<ImportSettings, "meanings" | "nothing">,
): {
  readonly columns: readonly { readonly column: number; readonly cells: number }[];
  readonly beyond: number;
} {
  const counts = new Map<number, number>();
  let beyond = 0;
  for (const { cells } of table.rows)
    for (const [i, cell] of cells.entries()) {
      if (cell === "" || saysNothing(cell, settings.nothing ?? USUAL_NOTHING)) continue;
      if (i >= table.head.length) beyond++;
      else if ((settings.meanings[i] ?? "ignore") === "ignore") counts.set(i, (counts.get(i) ?? 0) + 1);
    }
  return {
    columns: [...counts].map(([column, cells]) => ({ column, cells })).sort((a, b) => a.column - b.column),
    beyond,
  };
}

const stoodIn = (field: Field, known: KnownRow, models: ModelNames): string =>
  field === "model"
    ? (models.byId(known.model)?.name ?? "")
    : field === "tag" || field === "maker"
      ? ""
      : known[field];

function changesOf(values: PlannedRow["values"], known: KnownRow, model: string | undefined): Field[] {
  return FIELDS.filter((field) => {
    if (field === "tag" || field === "maker" || values[field] === "") return false;
    if (field === "model") return model !== known.model;
    if (field === "serial" || field === "note") return values[field] !== known[field];
    return folded(values[field]) !== folded(known[field]);
  });
}
