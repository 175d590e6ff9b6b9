// Words that say in a cell that there is nothing to say.
import { folded } from "./names.ts";

/** What sheets write for nothing, until the club says otherwise. */
export const USUAL_NOTHING: readonly string[] = [
  "?",
  "??",
  "-",
  "--",
  "–",
  "n/a",
  "na",
  "none",
  "unknown",
  "nil",
  "tbd",
];

/** The most words of a club's own list, and the longest of them. */
export const MOST_NOTHING = 40;
export const LONGEST_NOTHING = 40;

/** The words of a list as it is typed: parted by commas, semicolons or lines, each once. */
export const readNothing = (text: string): string[] =>
  [...new Set(text.split(/[,;\n]/).map((word) => word.trim().slice(0, LONGEST_NOTHING)))]
    .filter((word) => word !== "")
    .slice(0, MOST_NOTHING);

/** Whether a cell says nothing, by the words of a list. */
export const saysNothing = (cell: string, words: readonly string[]): boolean => {
  const said = folded(cell);
  return words.some((word) => folded(word) === said);
};
