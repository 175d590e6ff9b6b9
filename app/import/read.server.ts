// Takes what was pasted or uploaded, with what the person has said of it so far, and plans it. Saves only when told to.

import { redirect } from "react-router";
import { z } from "zod";
import { importUnits } from "#acts/unit/import-units.ts";
import { rememberSheet } from "#acts/unit/remember-sheet.ts";
import { BODIES } from "#core/dossier/index.ts";
import {
  columnsAsBefore,
  corrected,
  DELIMITERS,
  decodeTable,
  type Encoding,
  folded,
  guessColumns,
  headKey,
  type ImportSettings,
  isReading,
  type KnownClub,
  MAY_REPEAT,
  type Meaning,
  newsAmong,
  type Plan,
  planImport,
  readNothing,
  readTable,
  type Table,
  toMeaning,
  USUAL_NOTHING,
  unusedCells,
} from "#core/import/index.ts";
import {
  DATE_ORDERS,
  findDecimalSign,
  isPlainDate,
  type PlainDate,
  possibleDateOrders,
} from "#core/quantities/index.ts";
import type { Tx } from "#db/pool.ts";
import { knownClub, sheetHabits } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { answersIn, cellsOf, correctionsIn, nearOf } from "./answers.server.ts";
import type { Preview, Reply } from "./sheet-preview.ts";
import { sayMeaning, sayTrouble } from "./words.ts";

const kindShape = z.enum(BODIES).catch("handheld");
const SHOWN = 150;

export async function readImport(tx: Tx, who: SignedIn, form: FormData): Promise<Reply | Response> {
  const source = await sourceOf(form);
  if ("trouble" in source) return source;
  const said = (name: string) => String(form.get(name) ?? "");
  const again = form.get("intent") !== "open";
  const table = readTable(source.text, again ? DELIMITERS.find((d) => d === said("delimiter")) : undefined);
  if (!table.ok) return { trouble: sayTrouble(table.problem), text: source.text };
  const news = newsAmong(table.value, correctionsIn(form));
  if (news.length > 0) {
    const text = corrected(table.value, news);
    const mended = readTable(text, table.value.delimiter);
    if (!mended.ok) return { trouble: sayTrouble(mended.problem), text };
    return planSheet(tx, who, form, { ...source, text }, mended.value);
  }
  return planSheet(tx, who, form, source, table.value);
}

async function planSheet(
  tx: Tx,
  who: SignedIn,
  form: FormData,
  source: Source,
  sheet: Table,
): Promise<Reply | Response> {
  const said = (name: string) => String(form.get(name) ?? "");
  const again = form.get("intent") !== "open";
  const { head, rows } = sheet;
  const habits = await sheetHabits(tx, head.map(headKey));
  const sameShape = again && said("columns") === String(head.length);
  const { meanings: given, club } = await meaningsOf(tx, sheet, habits.heads, (i) =>
    sameShape ? (toMeaning(said(`column-${i}`)) ?? "ignore") : undefined,
  );
  const { settings, orders } = settingsOf(form, again, rows, {
    given,
    nothing: habits.nothing,
    today: who.today,
  });
  const answers = answersIn(form);
  const plan = planImport(sheet, settings, club, answers);
  const counts = countsOf(plan);
  const saving = form.get("intent") === "save";
  const trouble = troubleOf(settings, said("undated"), who.today);
  const nothing = [...(settings.nothing ?? [])];
  if (again) {
    const heads = head.map((name, i) => ({
      head: headKey(name).slice(0, 200),
      meaning: given[i] ?? "ignore",
    }));
    await performForm(rememberSheet, who, form, { heads, nothing });
  }
  let refused: string | undefined;
  if (saving && !trouble && (counts.problem === 0 || form.get("leaveOut") === "on")) {
    const done = await performForm(
      importUnits,
      who,
      form,
      acceptedIn(form, source, sheet, settings, answers, plan),
    );
    if (done.ok && counts.problem === 0) return redirect("/cabinet");
    if (done.ok)
      return { left: plan.rows.filter(({ act }) => act === "problem"), brought: counts.add + counts.change };
    refused =
      done.problem.kind === "problems"
        ? "Somebody has changed something meanwhile: look at the rows again."
        : NOT_WHOLE;
  }
  const preview: Preview = {
    ...source,
    ...previewOf(sheet, settings, orders, plan, club, answers),
    undated: said("undated"),
    ...(refused
      ? { trouble: refused }
      : saving && (trouble || counts.problem > 0)
        ? { trouble: trouble ?? "Some rows have problems. Remedy them in the sheet, or leave them out." }
        : trouble && { trouble }),
  };
  return { preview };
}

/** What is shown of a sheet before it is brought in. */
const previewOf = (
  sheet: Table,
  settings: ImportSettings,
  orders: ReturnType<typeof possibleDateOrders>,
  plan: Plan,
  club: KnownClub,
  answers: ReturnType<typeof answersIn>,
) => ({
  delimiter: sheet.delimiter,
  decimal: settings.decimal,
  dates: settings.dates,
  datesAsk: orders.length > 1 && settings.meanings.includes("readOn"),
  withoutDay: withoutDay(
    settings.undated ? planImport(sheet, { ...settings, undated: undefined }, club, answers) : plan,
  ),
  nothing: (settings.nothing ?? []).join(", "),
  above: sheet.above,
  head: sheet.head,
  sample: sheet.head.map((_, i) => sheet.rows.find((r) => r.cells[i])?.cells[i]?.slice(0, 40) ?? ""),
  meanings: settings.meanings,
  unused: unusedCells(sheet, settings),
  components: componentsIn(club.models),
  shown: shownOf(plan),
  counts: countsOf(plan),
  newModels: plan.newModels,
  strangers: plan.strangers,
  makes: settings.makePeople === true,
  cells: cellsOf(plan, sheet),
  near: nearOf(plan, club, answers),
});

/** How the sheet is read: as the form says, else as its cells look; with the orders of dates that its days allow. */
function settingsOf(
  form: FormData,
  again: boolean,
  rows: Table["rows"],
  known: {
    readonly given: readonly Meaning[];
    readonly nothing?: ImportSettings["nothing"];
    readonly today: PlainDate;
  },
) {
  const said = (name: string) => String(form.get(name) ?? "");
  const { given, today } = known;
  const cells = (is: (meaning: Meaning) => boolean) =>
    given.flatMap((meaning, i) => (is(meaning) ? rows.map((r) => r.cells[i] ?? "") : []));
  const orders = possibleDateOrders(cells((meaning) => meaning === "readOn"));
  const sign = said("decimal");
  const settings: ImportSettings = {
    meanings: given,
    decimal: again && (sign === "." || sign === ",") ? sign : findDecimalSign(cells(isReading)),
    dates: (again && DATE_ORDERS.find((o) => o === said("dates"))) || orders[0] || "ymd",
    today,
    undated: dayIn(said("undated"), today),
    makePeople: form.get("makePeople") === "on",
    nothing: form.has("nothing") ? readNothing(said("nothing")) : (known.nothing ?? USUAL_NOTHING),
  };
  return { settings, orders };
}

/** What is handed to the act once the rows are accepted. */
const acceptedIn = (
  form: FormData,
  source: Source,
  sheet: Table,
  settings: ImportSettings,
  answers: ReturnType<typeof answersIn>,
  plan: ReturnType<typeof planImport>,
) => ({
  text: source.text,
  file: source.file,
  delimiter: sheet.delimiter,
  columns: [...settings.meanings],
  decimal: settings.decimal,
  dates: settings.dates,
  ...(settings.undated && { undated: settings.undated }),
  nothing: [...(settings.nothing ?? [])],
  answers: [...answers].map(([key, answer]) => ({ key, answer })),
  kinds: plan.newModels.map((_, i) => kindShape.parse(form.get(`kind-${i}`))),
  makePeople: settings.makePeople === true,
});

/** What each column means, as it was said, else as it was before, else as it is guessed; and the club, as far as the sheet names it. */
async function meaningsOf(
  tx: Tx,
  { head, rows }: Table,
  before: ReadonlyMap<string, Meaning>,
  saidOf: (column: number) => Meaning | undefined,
): Promise<{ meanings: Meaning[]; club: KnownClub }> {
  const guess = (components: readonly string[]) =>
    head.map(
      (_, i) => saidOf(i) ?? columnsAsBefore(guessColumns(head, components), head, before)[i] ?? "ignore",
    );
  const column = guess([]).indexOf("tag");
  const tags = new Set(rows.map(({ cells }) => folded((cells[column] ?? "").replace(/^'(?=[=+\-@])/, ""))));
  const club = await knownClub(tx, tags);
  return { meanings: guess(componentsIn(club.models)), club };
}

const dayIn = (text: string, today: PlainDate): PlainDate | undefined =>
  isPlainDate(text) && text <= today ? text : undefined;

function troubleOf({ meanings }: ImportSettings, undated: string, today: PlainDate): string | undefined {
  const twice = meanings.find((m, i) => !MAY_REPEAT.has(m) && meanings.indexOf(m) !== i);
  if (twice) return `Two columns are matched to “${sayMeaning(twice)}”; choose one.`;
  if (!meanings.includes("tag")) return "Choose the column that holds the tag.";
  if (undated !== "" && dayIn(undated, today) === undefined)
    return "The day of readings without one must be a date that is not ahead, or nothing.";
  return undefined;
}

function countsOf(plan: Plan): Preview["counts"] {
  const counts = { add: 0, change: 0, same: 0, problem: 0, readings: 0 };
  for (const row of plan.rows) {
    counts[row.act]++;
    if (row.act !== "problem") counts.readings += row.readings.length;
  }
  return counts;
}

/** How many readings would be news and have no day of their own in the sheet. */
const withoutDay = (undated: Plan): number =>
  undated.rows.flatMap(({ readings }) => readings).filter(({ on }) => on === undefined).length;

function shownOf(plan: Plan): Plan["rows"] {
  const problems = plan.rows.filter((row) => row.act === "problem");
  const others = plan.rows.filter((row) => row.act !== "problem");
  return [...problems.slice(0, SHOWN), ...others.slice(0, SHOWN)].sort((a, b) => a.line - b.line);
}

/** Each name once, however the models write it. */
const componentsIn = (models: KnownClub["models"]): string[] => {
  const names = models.flatMap((model) => model.components);
  return [...new Map(names.map((name) => [folded(name), name])).values()].sort((a, b) => a.localeCompare(b));
};

type Source = { readonly text: string; readonly file: string; readonly encoding: Encoding | "pasted" };

async function sourceOf(form: FormData): Promise<Source | { trouble: string }> {
  const file = form.get("file");
  if (file instanceof File && file.size > 0) {
    const decoded = decodeTable(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) return { trouble: sayTrouble(decoded.problem) };
    return { text: decoded.value.text, file: file.name.slice(0, 200), encoding: decoded.value.encoding };
  }
  const text = String(form.get("text") ?? "");
  const decoded = decodeTable(new TextEncoder().encode(text));
  if (!decoded.ok) return { trouble: sayTrouble(decoded.problem) };
  const encoding = (["utf-8", "utf-8 with mark", "utf-16", "latin-1"] as const).find(
    (e) => e === form.get("encoding"),
  );
  return {
    text,
    file: String(form.get("name") || "pasted rows").slice(0, 200),
    encoding: encoding ?? "pasted",
  };
}
