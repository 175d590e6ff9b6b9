// When PostgreSQL cannot be reached, pages answer 503 with a sentence and try again by themselves.
import type { MiddlewareFunction } from "react-router";
import { isAway } from "#db/pool.ts";

export const answerWhenAway: MiddlewareFunction<Response> = async (_args, next) => {
  try {
    return await next();
  } catch (error) {
    if (isAway(error)) throw awayResponse();
    throw error;
  }
};

export const awayResponse = () =>
  Response.json({ away: true }, { status: 503, headers: { "Retry-After": "3" } });
