// Texts in cells of a table, so that a spreadsheet takes none for a formula and our own reader finds each as it was.

/** What a spreadsheet would take for a formula, or a reader of tables would cut off. */
const RISKY = /^[=@+\-\s]|\s$|^$/;
/** A mark that was put before such a text. */
const MARKED = /^'(?:[=@+\-'\s]|$)|^'[\s\S]*\s'+$/;

/** A text as a cell has it: marked with ' before it where it is risky, and behind it where it ends with a space. */
export function textCell(text: string): string {
  if (!RISKY.test(text) && !MARKED.test(text)) return text;
  return `'${text}${/\s'*$/.test(text) ? "'" : ""}`;
}

/** The text that a cell holds. What somebody else wrote with a ' before it keeps that, unless it could only be our mark. */
export function textOfCell(cell: string): string {
  if (!MARKED.test(cell)) return cell;
  const rest = cell.slice(1);
  return /\s'+$/.test(rest) ? rest.slice(0, -1) : rest;
}
