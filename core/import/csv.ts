// A table for spreadsheets, as one file.
import Papa from "papaparse";
import { textCell } from "./text-cell.ts";

/**
 * Rows as CSV (RFC 4180), with a mark that says UTF-8, and with what would be taken for a formula marked as text. Named fields are written
 * also where no row is; an empty text stays an empty cell, which says nothing.
 */
export const csvOf = (rows: object[], fields?: string[]): string =>
  `\ufeff${Papa.unparse({ fields: fields ?? Object.keys(rows[0] ?? {}), data: rows.map(safely) }, { newline: "\r\n" })}`;

const safely = (row: object): object =>
  Object.fromEntries(
    Object.entries(row).map(([name, value]) => [
      name,
      typeof value === "string" && value !== "" ? textCell(value) : value,
    ]),
  );
