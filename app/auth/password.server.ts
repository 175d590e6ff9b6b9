// Password hashing with argon2id, and tokens for sessions. Kept apart so that the demo loader uses the same.
import { createHash, randomBytes } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { turnsOf } from "./turns.server.ts";

// OWASP's least recommended cost for argon2id: 19 MiB, two passes, one lane.
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Two at once keep two cores busy for a twentieth of a second; twenty wait for a second at most. */
const inTurn = turnsOf(2, 20);

/** Rejects with `TooBusy` where too many are being hashed. */
export const hashPassword = (password: string): Promise<string> => inTurn(() => hash(password, COST));

/** Rejects with `TooBusy`, too. */
export const isPassword = (stored: string, password: string): Promise<boolean> =>
  inTurn(() => verify(stored, password));

/** So that an unknown account takes as long to answer as a known one. */
let decoy: Promise<string> | undefined;
export async function pretendToCheck(password: string): Promise<false> {
  decoy ??= hash("no such account", COST);
  await isPassword(await decoy, password);
  return false;
}

export const newToken = (): string => randomBytes(32).toString("base64url");

/** Only this is kept in the database: a stolen copy opens no session. */
export const tokenHash = (token: string): Buffer => createHash("sha256").update(token).digest();
