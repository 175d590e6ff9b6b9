// Rows of fields in a release's form: each fix, requirement and stretch of versions has fields of its own, named by its place
// ("fix-0-tag"), so that nothing is told in signs that one must know.
import type { Range, Stretch } from "../version/index.ts";

export type FormValues = Readonly<Record<string, unknown>>;
export type Texts = Readonly<Record<string, string>>;
/** What is wrong, by the name of the field. */
export type FieldErrors = Record<string, string>;

/** So many rows of a kind are read; more than any shape of ours takes, so that what is too many is answered and not lost. */
const MOST_ROWS = 250;

/** "fix-0-tag": the name of a field in a row. */
export const cell = (rows: string, at: number, part: string): string => `${rows}-${at}-${part}`;

/** The text of a field, without what surrounds it; of what is none, nothing. */
export const textOf = (values: FormValues, name: string): string => {
  const value = values[name];
  return typeof value === "string" ? value.trim() : "";
};

/** Rows of which a field says something: `says` is asked of the name behind the row's place. In their order. */
function placesWhere(values: FormValues, rows: string, says: (part: string) => boolean): number[] {
  const found = new Set<number>();
  for (const name of Object.keys(values)) {
    if (!name.startsWith(`${rows}-`)) continue;
    const [, at, part = ""] = /^(\d{1,3})-(.+)$/.exec(name.slice(rows.length + 1)) ?? [];
    if (at !== undefined && Number(at) < MOST_ROWS && says(part) && textOf(values, name) !== "")
      found.add(Number(at));
  }
  return [...found].sort((a, b) => a - b);
}

/** The places of the rows of which something is said in one of `parts`, in their order. */
export const placesOf = (values: FormValues, rows: string, parts: readonly string[]): number[] =>
  placesWhere(values, rows, (part) => parts.includes(part));

/** A text a row, as those of names are. */
export const readList = (values: FormValues, rows: string): string[] =>
  placesOf(values, rows, ["name"]).map((at) => textOf(values, cell(rows, at, "name")));

export const listValues = (rows: string, names: readonly string[]): Texts =>
  Object.fromEntries(names.map((name, at) => [cell(rows, at, "name"), name]));

/** Marks of which several can be set: "way-cable". */
export const readMarks = <Word extends string>(
  values: FormValues,
  marks: string,
  words: readonly Word[],
): Word[] => words.filter((word) => values[`${marks}-${word}`] === "on");

export const markValues = (marks: string, words: readonly string[], set: readonly string[]): Texts =>
  Object.fromEntries(words.map((word) => [`${marks}-${word}`, set.includes(word) ? "on" : ""]));

/** What of a fix says something; how urgent it is always stands there. */
export const FIX_SAYS = ["tag", "words"] as const;
const ENDS = ["low", "high"] as const;
/** As many as a range has at most. */
const MOST_STRETCHES = 20;

/** A sign in front of a version: the picker beside it says the same. */
const SIGNED = /^[<>=]/;

/**
 * Reads the stretches of versions under a name ("from-0-low", "from-0-lowSign", …): each with one end or two. Nothing said: undefined.
 * Wrong: a sign typed before a version, a version too long.
 */
export function readRange(values: FormValues, name: string, errors: FieldErrors): Range | undefined {
  const range: Stretch[] = [];
  for (const at of placesOf(values, name, ENDS).slice(0, MOST_STRETCHES)) {
    const [low, high] = ENDS.map((end) => textOf(values, cell(name, at, end)));
    for (const [end, typed = ""] of [["low", low] as const, ["high", high] as const]) {
      if (SIGNED.test(typed))
        errors[cell(name, at, end)] = "The version alone: its sign is picked beside it.";
      else if (typed.length > 200) errors[cell(name, at, end)] = "At most 200 signs.";
    }
    const lowSign = textOf(values, cell(name, at, "lowSign")) === "above" ? "above" : "atLeast";
    const highSign = textOf(values, cell(name, at, "highSign")) === "below" ? "below" : "atMost";
    range.push({ ...(low && { [lowSign]: low }), ...(high && { [highSign]: high }) });
  }
  return range.length > 0 ? range : undefined;
}

export function rangeValues(name: string, range: Range | undefined): Texts {
  const texts: Record<string, string> = {};
  for (const [at, { atLeast, above, atMost, below }] of (range ?? []).entries()) {
    const [low, high] = [atLeast ?? above, atMost ?? below];
    if (low !== undefined) texts[cell(name, at, "low")] = low;
    if (high !== undefined) texts[cell(name, at, "high")] = high;
    texts[cell(name, at, "lowSign")] = above !== undefined ? "above" : "atLeast";
    texts[cell(name, at, "highSign")] = below !== undefined ? "below" : "atMost";
  }
  return texts;
}

/** How many rows of a kind the form has to show so that all that is said stands in one. */
export const rowsSaid = (values: FormValues, rows: string, parts: readonly string[]): number =>
  (placesOf(values, rows, parts).at(-1) ?? -1) + 1;

export const stretchesSaid = (values: FormValues, name: string): number => rowsSaid(values, name, ENDS);

/** The place of a requirement's range among the rows of requirements: "requires-2". */
export const requirement = (at: number): string => `requires-${at}`;

/** The rows of requirements of which something is said: a part, or a version. */
export const requirementsSaid = (values: FormValues): number[] =>
  placesWhere(values, "requires", (part) => part === "part" || /^\d{1,3}-(low|high)$/.test(part));

/** So many empty rows stand open behind those that say something, and so many more are folded. */
export const SPARE_ROWS = { fix: 2, requires: 1, name: 3 } as const;
export const FOLDED_ROWS = 8;

/** What stands in the choices of rows that say nothing yet, so that they are no change of anybody's. */
export function withEmptyRows(values: Texts): Texts {
  const empty: Record<string, string> = {};
  const range = (name: string) => {
    for (let at = stretchesSaid(values, name), to = Math.max(1, at); at <= to; at++) {
      empty[cell(name, at, "lowSign")] = "atLeast";
      empty[cell(name, at, "highSign")] = "atMost";
    }
  };
  const fixes = rowsSaid(values, "fix", FIX_SAYS);
  for (let at = fixes; at < fixes + SPARE_ROWS.fix + FOLDED_ROWS; at++)
    empty[cell("fix", at, "urgency")] = "fix";
  const requires = (requirementsSaid(values).at(-1) ?? -1) + 1;
  for (let at = 0; at < requires + SPARE_ROWS.requires + FOLDED_ROWS; at++) range(requirement(at));
  range("from");
  range("tool");
  return { ...empty, ...values };
}
