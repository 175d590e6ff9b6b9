// The import's findings and problems in words.

import {
  type COLUMN_MEANINGS,
  componentOf,
  type DecodeProblem,
  type Delimiter,
  type Encoding,
  type Meaning,
  type RowProblem,
  type TableProblem,
} from "#core/import/index.ts";
import { type DateOrder, listed } from "#core/quantities/index.ts";

export const DELIMITER_WORD: Record<Delimiter, string> = {
  ",": "comma",
  ";": "semicolon",
  "\t": "tab",
  "|": "bar",
};
export const ENCODING_WORD: Record<Encoding | "pasted", string> = {
  "utf-8": "UTF-8",
  "utf-8 with mark": "UTF-8 with mark",
  "utf-16": "UTF-16",
  "latin-1": "Latin-1",
  pasted: "pasted text",
};
export const ORDER_WORD: Record<DateOrder, string> = {
  ymd: "year, month, day",
  dmy: "day, month, year",
  mdy: "month, day, year",
};
const MEANING_WORD: Record<(typeof COLUMN_MEANINGS)[number], string> = {
  ignore: "leave out",
  tag: "tag",
  maker: "maker",
  model: "model",
  hardware: "hardware revision",
  region: "region",
  serial: "serial number",
  place: "place",
  group: "group",
  note: "note",
  noteToo: "keep it in the note",
  holder: "who has it",
  reading: "version read",
  component: "part that was read",
  readOn: "day it was read",
};

export function sayMeaning(meaning: Meaning): string {
  const component = componentOf(meaning);
  return component === undefined
    ? MEANING_WORD[meaning as keyof typeof MEANING_WORD]
    : `version of ${component}`;
}

export function sayTrouble(problem: DecodeProblem | TableProblem): string {
  switch (problem.kind) {
    case "empty-file":
      return "There is nothing in it. Paste the rows, or choose a file.";
    case "binary":
      return "That is not a table of text. Save the sheet as CSV or TSV and bring that.";
    case "file-too-large":
      return `That is ${Math.round(problem.bytes / 1024 / 1024)} MB; the most is ${problem.limit / 1024 / 1024} MB. Bring it in parts.`;
    case "no-rows":
      return "There is a head line but no rows, or only one line. The first line must name the columns.";
    case "open-quote":
      return `A quote that opens in row ${problem.row} never closes.`;
    case "too-many-columns":
      return `It has ${problem.columns} columns; the most is ${problem.limit}.`;
    case "too-many-rows":
      return `It has ${problem.rows} rows; the most is ${problem.limit}. Bring it in parts.`;
  }
}

export function sayRowProblem(problem: RowProblem): string {
  switch (problem.kind) {
    case "no-tag":
      return "no tag";
    case "too-long":
      return `the ${sayMeaning(problem.field)} is longer than ${problem.limit} characters`;
    case "tag-unusable":
      return "a tag has no / \\ ? # or %, is not only dots, and is not “new”";
    case "tag-twice":
      return `the same tag stands in row ${problem.firstLine}`;
    case "says-other":
      return `row ${problem.line} gives another ${sayMeaning(problem.field)} for it`;
    case "unknown-component":
      return `the model has no part called ${problem.component}`;
    case "two-versions":
      return `two versions of ${problem.component}`;
    case "renamed":
      return `is called ${problem.now} now: write that; a new radio with this tag is added on its own page`;
    case "nearly-model":
      return `${problem.name} is nearly the name of a model we have: say above which is meant`;
    case "unknown-person":
      return `nobody in the club is called ${problem.name.slice(0, 40)}`;
    case "which-person":
      return `${problem.name.slice(0, 40)} may be ${listed(problem.people)}`;
    case "with-other":
      return `${problem.holder} has it; take it back first`;
    case "no-model":
      return "a new radio needs a model";
    case "which-model":
      return `several makers have a model of this name (${listed(problem.makers.map((m) => m || "no maker"))}); say whose`;
    case "unknown-revision":
      return `the model has no hardware revision ${problem.revision}`;
    case "not-a-date":
      return `“${problem.text.slice(0, 30)}” is no date in this order`;
    case "date-ahead":
      return `${problem.date} lies ahead`;
    case "reading-too-long":
      return `the version is longer than ${problem.limit} characters`;
  }
}
