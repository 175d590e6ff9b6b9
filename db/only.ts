// The one row that a statement must find: a missing one is a defect of ours, never an empty word.

/** The first of the rows; throws where there is none. */
export function only<Row>(rows: readonly Row[]): Row {
  const [row] = rows;
  if (row === undefined) throw new TypeError("a statement found no row where there must be one");
  return row;
}
