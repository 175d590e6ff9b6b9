// A statement with the shape of its rows: wherever it is not a club that waits, each row is held against it.
import type pg from "pg";
import { z } from "zod";
import type { Tx } from "./pool.ts";

/** Rows as the database gives them are handed on untouched: a shape here only looks, and changes nothing. */
export type RowShape = z.ZodType<pg.QueryResultRow>;

/** Shapes that many statements have. */
export const idRow = z.object({ id: z.string() });
export const nameRow = z.object({ name: z.string() });
export const countRow = z.object({ n: z.number() });

/** The browser tests serve what is shipped, and have its rows looked at all the same. */
const isChecked = process.env.NODE_ENV !== "production" || process.env.MOSSY_CHECK_ROWS === "yes";

/** Runs a statement. In tests and development it throws where a row is not what the shape says. */
export async function ask<Shape extends RowShape>(
  tx: Pick<Tx, "query">,
  shape: Shape,
  text: string,
  values?: unknown[],
): Promise<pg.QueryResult<z.output<Shape>>> {
  const result = await tx.query<z.output<Shape>>(text, values);
  if (isChecked) mustFit(shape, result.rows, text);
  return result;
}

/** Throws where a row does not fit: the statement or the shape is wrong, which is a defect of ours. */
export function mustFit(shape: z.ZodType, rows: readonly unknown[], text: string): void {
  for (const row of rows) {
    const { error } = shape.safeParse(row);
    if (!error) continue;
    const said = error.issues.map(({ path, message }) => `${path.join(".")}: ${message}`).join("; ");
    throw new TypeError(`a row is not what its shape says (${said}): ${text.trim().slice(0, 200)}`);
  }
}

/**
 * A statement's rows as one JSON text: for many or wide rows several times as quick to read as field by field. The statement
 * casts ids to text, as they are everywhere else; dates are text already.
 */
export async function askAtOnce<Shape extends RowShape>(
  tx: Pick<Tx, "query">,
  shape: Shape,
  text: string,
  values: unknown[],
): Promise<z.output<Shape>[]> {
  const { rows } = await tx.query<{ rows: z.output<Shape>[] }>(
    `select coalesce(json_agg(q), '[]') rows from (${text}) q`,
    values,
  );
  const found = rows[0]?.rows ?? [];
  if (isChecked) mustFit(shape, found, text);
  return found;
}
