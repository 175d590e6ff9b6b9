// A spectrum out of a meter's table: which column is the frequency, which the level, and in which unit.
import type { Line } from "../measure/index.ts";
import { bad, findDecimalSign, good, type Result } from "../quantities/index.ts";
import { type FrequencyUnit, frequencyIn, numberIn, unitOfColumn } from "./numbers.ts";
import { readTable, type TableProblem } from "./table.ts";

export type SpectrumColumns = {
  readonly frequency: number;
  readonly level: number;
  readonly unit: FrequencyUnit;
};

export type ReadSpectrum = {
  readonly head: readonly string[];
  readonly columns: SpectrumColumns;
  /** In hertz and dBm, as they stand. */
  readonly points: readonly Line[];
  /** Cells that are no number, with the row as a spreadsheet counts. */
  readonly odd: readonly { readonly row: number; readonly cell: string }[];
};

export type SpectrumProblem =
  | TableProblem
  /** No column that could be it. */
  | { readonly kind: "no-frequency" }
  | { readonly kind: "no-level" }
  /** Not a single row with both. */
  | { readonly kind: "no-points" };

/**
 * Reads a table of frequencies and levels. What a person said of its columns counts; the rest is guessed, from heads first, then from what
 * stands in them: frequencies rise from row to row. Problems: those of `readTable`; `no-frequency`, `no-level`, `no-points`.
 */
export function readSpectrum(
  text: string,
  asked: Partial<SpectrumColumns> = {},
): Result<ReadSpectrum, SpectrumProblem> {
  const table = readTable(text);
  if (!table.ok) return table;
  const sign = findDecimalSign(table.value.rows.slice(0, 200).flatMap(({ cells }) => cells));
  const isBare = table.value.head.every((cell) => cell === "" || numberIn(cell, sign) !== undefined);
  const head = isBare ? table.value.head.map((_, i) => `column ${i + 1}`) : table.value.head;
  const rows = isBare
    ? [{ line: (table.value.rows[0]?.line ?? 2) - 1, cells: table.value.head }, ...table.value.rows]
    : table.value.rows;
  const numbers = head.map((_, i) => rows.map(({ cells }) => numberIn(cells[i] ?? "", sign)));
  const isNumeric = numbers.map(
    (column) => column.filter((one) => one !== undefined).length >= rows.length / 2,
  );
  const named = (words: RegExp, not = -1) =>
    head.findIndex((name, i) => i !== not && isNumeric[i] && words.test(name));
  const rising = numbers.findIndex(
    (column, i) =>
      isNumeric[i] && column.every((one, r) => r === 0 || one === undefined || one > (column[r - 1] ?? -1)),
  );
  const byHead = named(/freq|hz/i);
  const frequency = asked.frequency ?? (byHead >= 0 ? byHead : rising);
  if (frequency < 0 || frequency >= head.length) return bad({ kind: "no-frequency" });
  const byName = named(/db|level|ampl|power|trace/i, frequency);
  const level = asked.level ?? (byName >= 0 ? byName : isNumeric.findIndex((is, i) => is && i !== frequency));
  if (level < 0 || level >= head.length || level === frequency) return bad({ kind: "no-level" });
  const known = (numbers[frequency] ?? []).filter((one) => one !== undefined);
  const unit = asked.unit ?? unitOfColumn(head[frequency] ?? "", known);
  const points: Line[] = [];
  const odd: { row: number; cell: string }[] = [];
  for (const { line, cells } of rows) {
    const at = frequencyIn(cells[frequency] ?? "", unit, sign);
    const dbm = numberIn(cells[level] ?? "", sign);
    if (at !== undefined && dbm !== undefined) points.push({ frequency: at, dbm });
    else odd.push({ row: line, cell: (at === undefined ? cells[frequency] : cells[level]) ?? "" });
  }
  if (points.length === 0) return bad({ kind: "no-points" });
  return good({ head, columns: { frequency, level, unit }, points, odd });
}
