// Counts of tries to sign in, kept in PostgreSQL, so that a restart forgets none.
import { RateLimiterPostgres } from "rate-limiter-flexible";
import { pool } from "../pool.ts";

export const WINDOW_SECONDS = 15 * 60;

export type Limiter = RateLimiterPostgres;
type Limiters = { readonly account: Limiter; readonly address: Limiter; readonly own: Limiter };
let made: { readonly of: unknown; readonly limiters: Limiters } | undefined;

export function limiters(): Limiters {
  const limiter = (keyPrefix: string, points: number) =>
    new RateLimiterPostgres({
      storeClient: pool(),
      tableName: "sign_in_attempt",
      tableCreated: true,
      keyPrefix,
      points,
      duration: WINDOW_SECONDS,
    });
  // A server that was stopped and begun again in one process has a new pool.
  if (made?.of !== pool())
    made = {
      of: pool(),
      limiters: {
        account: limiter("account", 8),
        address: limiter("address", 40),
        own: limiter("own", 8),
      },
    };
  return made.limiters;
}
