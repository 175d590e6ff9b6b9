// When the database cannot be reached, or does not answer in time.
/** The database cannot be reached just now; pages say so and recover by themselves. */
export class DatabaseAway extends Error {
  override readonly name = "DatabaseAway";
}

const AWAY_CODES = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "ETIMEDOUT",
  "57P01",
  "57P02",
  "57P03",
  // Too slow to answer: a statement, or a transaction that stood still.
  "57014",
  "25P03",
  "08006",
  "08003",
]);

export function isAway(error: unknown): boolean {
  if (error instanceof DatabaseAway) return true;
  if (!(error instanceof Error)) return false;
  if ("code" in error && typeof error.code === "string" && AWAY_CODES.has(error.code)) return true;
  return /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Query read timeout/.test(
    error.message,
  );
}

/** True if the statement failed because a unique index already holds the value. */
export const isDuplicate = (error: unknown, index?: string): boolean =>
  error instanceof Error &&
  "code" in error &&
  error.code === "23505" &&
  (index === undefined || ("constraint" in error && error.constraint === index));
