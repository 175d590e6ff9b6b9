// A sheet with some of its cells corrected, as a text that reads back as the same sheet but for those.
import Papa from "papaparse";
import type { Table } from "./table.ts";
import { textCell } from "./text-cell.ts";

/** `line` as the table counts, `column` from 0. */
export type CellCorrection = { readonly line: number; readonly column: number; readonly text: string };

/** Those of the corrections that change something. */
export const newsAmong = (table: Table, corrections: readonly CellCorrection[]): CellCorrection[] => {
  const rows = new Map(table.rows.map(({ line, cells }) => [line, cells]));
  return corrections.filter(({ line, column, text }) => {
    const cells = rows.get(line);
    return cells !== undefined && column < table.head.length && (cells[column] ?? "") !== text.trim();
  });
};

/** Each row stays in its line; what a delimiter, a quote or a spreadsheet would take for its own is written so that it is none. */
export function corrected(table: Table, corrections: readonly CellCorrection[]): string {
  const first = table.rows[0]?.line ?? 2;
  const top = [...table.above.map((line) => [line]), table.head.map(textCell)];
  const lines: (readonly string[])[] = [
    ...Array.from({ length: Math.max(0, first - 1 - top.length) }, () => []),
    ...top,
  ];
  for (const { line, cells } of table.rows) {
    const own = [...cells];
    for (const one of corrections)
      if (one.line === line) {
        while (own.length <= one.column) own.push("");
        own[one.column] = one.text.trim();
      }
    while (lines.length < line - 1) lines.push([]);
    // A row that is emptied is an empty line.
    lines.push(own.map((cell) => (cell === "" ? "" : textCell(cell))));
  }
  return Papa.unparse(lines as string[][], { delimiter: table.delimiter, newline: "\n" });
}
