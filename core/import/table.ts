// Text to rows of cells: which delimiter parts them, whether quotes close, how wide it is.
import Papa from "papaparse";
import { bad, good, Memo, type Result } from "../quantities/index.ts";
import { textOfCell } from "./text-cell.ts";

export const DELIMITERS = [",", ";", "\t", "|"] as const;
export type Delimiter = (typeof DELIMITERS)[number];

export type Table = {
  readonly delimiter: Delimiter;
  readonly head: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
  /** What stands above the head: titles, dates, who made it. */
  readonly above: readonly string[];
};

export type TableProblem =
  | { readonly kind: "no-rows" }
  | { readonly kind: "open-quote"; readonly row: number }
  | { readonly kind: "too-many-columns"; readonly columns: number; readonly limit: number }
  | { readonly kind: "too-many-rows"; readonly rows: number; readonly limit: number };

export const MOST_COLUMNS = 300;
export const MOST_ROWS = 20_000;

type Line = { readonly line: number; readonly cells: readonly string[] };

/**
 * Parses a table with a head line, which is the first that is as wide as the rows below; what stands above it is told apart, a
 * line `sep=;` is taken at its word. Line ends may be CR LF, LF or bare CR. Empty lines are passed over; `line` counts the rows as a
 * spreadsheet does. A quote inside a cell is a sign like any other.
 * Problems: `no-rows`, `open-quote` (a quote that never closes), `too-many-columns`, `too-many-rows`.
 */
export function readTable(text: string, wanted?: Delimiter): Result<Table, TableProblem> {
  const clean = text.replace(/^\ufeff/, "").replace(/\r\n?/g, "\n");
  const known = tables.peek(keyOf(clean, wanted));
  if (known) return known;
  const read = parsedTable(clean, wanted);
  // It comes back with the delimiter that was found.
  if (read.ok && wanted === undefined) tables.set(keyOf(clean, read.value.delimiter), read);
  return tables.set(keyOf(clean, wanted), read);
}

/** The tables read last: a sheet is looked at several times before it is saved, and is read once. */
const tables = new Memo<string, Result<Table, TableProblem>>(6);
const keyOf = (text: string, delimiter: Delimiter | undefined) => `${delimiter ?? ""}\n${text}`;

function parsedTable(clean: string, wanted: Delimiter | undefined): Result<Table, TableProblem> {
  const told = /^sep=(.)[^\n]*\n/i.exec(clean);
  const body = told ? clean.slice(told[0].length) : clean;
  const delimiter = wanted ?? DELIMITERS.find((d) => d === told?.[1]) ?? guessDelimiter(body);
  const parsed = linesOf(body, delimiter, told ? 2 : 1);
  if (!parsed.ok) return parsed;
  const filled = parsed.value;
  if (filled.length > MOST_ROWS + 20)
    return bad({ kind: "too-many-rows", rows: filled.length - 1, limit: MOST_ROWS });
  const at = headAt(filled);
  const head = filled[at];
  const rows = filled.slice(at + 1);
  if (!head || rows.length === 0) return bad({ kind: "no-rows" });
  const columns = filled.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  if (columns > MOST_COLUMNS) return bad({ kind: "too-many-columns", columns, limit: MOST_COLUMNS });
  if (rows.length > MOST_ROWS) return bad({ kind: "too-many-rows", rows: rows.length, limit: MOST_ROWS });
  const above = filled.slice(0, at).map(({ cells }) => cells.filter((cell) => cell !== "").join(" "));
  return good({ delimiter, head: head.cells, rows, above });
}

/** The lines that hold something. Where a quote is left open, it may stand inside a cell: then quotes mean nothing. */
function linesOf(text: string, delimiter: Delimiter, first: number): Result<Line[], TableProblem> {
  const parse = (quoteChar?: string) =>
    Papa.parse<string[]>(text, { delimiter, newline: "\n", ...(quoteChar !== undefined && { quoteChar }) });
  const quoted = parse();
  const open = quoted.errors.find((error) => error.code === "MissingQuotes");
  // A sign that no text holds: the byte zero is refused before.
  const plain = open ? parse("\0") : quoted;
  if (open && !agree(plain.data)) return bad({ kind: "open-quote", row: (open.row ?? 0) + first });
  return good(
    plain.data
      .map((cells, i) => ({ line: i + first, cells: cells.map((cell) => textOfCell(cell.trim())) }))
      .filter(({ cells }) => cells.some((cell) => cell !== "")),
  );
}

const filledIn = (cells: readonly string[]): number => cells.filter((cell) => cell !== "").length;

/** The width that most rows have, and how many have it. */
function usualWidth(rows: readonly (readonly string[])[]): {
  readonly width: number;
  readonly share: number;
} {
  const counts = new Map<number, number>();
  let some = 0;
  for (const cells of rows) {
    if (cells.every((cell) => cell.trim() === "")) continue;
    some++;
    counts.set(cells.length, (counts.get(cells.length) ?? 0) + 1);
  }
  const [width = 1, count = 0] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [];
  return { width, share: some === 0 ? 0 : count / some };
}

const agree = (rows: readonly (readonly string[])[]): boolean => {
  const { width, share } = usualWidth(rows);
  return width > 1 && share > 0.9;
};

/** The first line that is as wide as most and mostly filled; the first of all where none is. */
function headAt(lines: readonly Line[]): number {
  const { width } = usualWidth(lines.map((one) => one.cells));
  if (width < 2) return 0;
  const at = lines.findIndex(
    ({ cells }) => cells.length >= width && filledIn(cells) >= Math.max(2, width / 2),
  );
  return Math.max(0, at);
}

/** So many lines tell the delimiter. */
const LOOKED_AT = 200;

/** The delimiter under which the rows agree best on how many cells they have, quotes respected; of equals the one that parts more. */
export function guessDelimiter(text: string): Delimiter {
  let best: { delimiter: Delimiter; share: number; width: number } = { delimiter: ",", share: 0, width: 0 };
  for (const delimiter of DELIMITERS) {
    const { data } = Papa.parse<string[]>(text, { delimiter, newline: "\n", preview: LOOKED_AT });
    const { width, share } = usualWidth(data);
    if (width < 2) continue;
    if (share > best.share || (share === best.share && width > best.width))
      best = { delimiter, share, width };
  }
  return best.delimiter;
}
