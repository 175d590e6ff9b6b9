// Text to rows of cells: which delimiter parts them, whether quotes close, how wide it is.
import Papa from "papaparse";
import { bad, good, type Result } from "../quantities/result.ts";

export const DELIMITERS = [",", ";", "\t", "|"] as const;
export type Delimiter = (typeof DELIMITERS)[number];

export type Table = {
  readonly delimiter: Delimiter;
  readonly head: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
};

export type TableProblem =
  | { readonly kind: "no-rows" }
  | { readonly kind: "open-quote"; readonly row: number }
  | { readonly kind: "too-many-columns"; readonly columns: number; readonly limit: number }
  | { readonly kind: "too-many-rows"; readonly rows: number; readonly limit: number };

export const MOST_COLUMNS = 300;
export const MOST_ROWS = 20_000;

/**
 * Parses a table with a head line. Line ends may be CR LF, LF or bare CR. Empty lines are passed over; `line` counts
 * the rows as a spreadsheet does, the head being 1.
 * Problems: `no-rows`, `open-quote` (a quote that never closes), `too-many-columns`, `too-many-rows`.
 */
export function readTable(text: string, wanted?: Delimiter): Result<Table, TableProblem> {
  const clean = text.replace(/^\ufeff/, "").replace(/\r\n?/g, "\n");
  const delimiter = wanted ?? guessDelimiter(clean);
  const parsed = Papa.parse<string[]>(clean, { delimiter, newline: "\n" });
  const open = parsed.errors.find((e) => e.type === "Quotes");
  if (open) return bad({ kind: "open-quote", row: (open.row ?? 0) + 1 });
  const filled = parsed.data
    .map((cells, i) => ({ line: i + 1, cells: cells.map((cell) => cell.trim()) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ""));
  const [head, ...rows] = filled;
  if (!head || rows.length === 0) return bad({ kind: "no-rows" });
  const columns = Math.max(...filled.map(({ cells }) => cells.length));
  if (columns > MOST_COLUMNS) return bad({ kind: "too-many-columns", columns, limit: MOST_COLUMNS });
  if (rows.length > MOST_ROWS) return bad({ kind: "too-many-rows", rows: rows.length, limit: MOST_ROWS });
  return good({ delimiter, head: head.cells, rows });
}

/** The delimiter under which most of the first lines have the same number of cells, the more cells the better. */
export function guessDelimiter(text: string): Delimiter {
  let best: { delimiter: Delimiter; score: number } = { delimiter: ",", score: 0 };
  for (const delimiter of DELIMITERS) {
    const { data } = Papa.parse<string[]>(text, { delimiter, newline: "\n", preview: 40 });
    const widths = data.filter((cells) => cells.length > 1 || cells[0] !== "").map((cells) => cells.length);
    const head = widths[0] ?? 1;
    const same = widths.filter((width) => width === head).length / Math.max(1, widths.length);
    const score = head < 2 ? 0 : same * Math.min(head, 12);
    if (score > best.score) best = { delimiter, score };
  }
  return best.delimiter;
}
