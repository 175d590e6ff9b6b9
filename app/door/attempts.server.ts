// Limits sign-in attempts per account and per address; the counts live in PostgreSQL, so a restart forgets none.
import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import { pool } from "#db/pool.ts";

const WINDOW_SECONDS = 15 * 60;

let limiters: { of: unknown; account: RateLimiterPostgres; address: RateLimiterPostgres } | undefined;

function made() {
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
  if (limiters?.of !== pool())
    limiters = { of: pool(), account: limiter("account", 8), address: limiter("address", 40) };
  return limiters;
}

/** Counts one attempt. Answers the minutes to wait if there were too many, else undefined. */
export async function countAttempt(email: string, address: string): Promise<number | undefined> {
  const { account, address: byAddress } = made();
  try {
    await byAddress.consume(address);
    await account.consume(email.toLowerCase());
    return undefined;
  } catch (refused) {
    if (refused instanceof RateLimiterRes) return Math.max(1, Math.ceil(refused.msBeforeNext / 60_000));
    throw refused;
  }
}

/** A right password clears the account's count; the address keeps its own. */
export const forgetAttempts = (email: string) => made().account.delete(email.toLowerCase());
