// When PostgreSQL cannot be reached, pages answer 503 with a sentence and try again by themselves.
import { isAway } from "#db/errors.ts";

/** Turns "the database is away" into the answer 503, which the pages for trouble know; other failures stay. */
export async function orAway<Value>(asking: Promise<Value>): Promise<Value> {
  try {
    return await asking;
  } catch (error) {
    if (isAway(error)) throw Response.json({ away: true }, { status: 503, headers: { "Retry-After": "3" } });
    throw error;
  }
}

export const isAwayAnswer = (error: unknown): boolean =>
  isAway(error) || (error instanceof Response && error.status === 503);
