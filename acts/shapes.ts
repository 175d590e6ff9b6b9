// Bounds of what acts take: every text and every list has one.
import { z } from "zod";

export { id } from "#core/quantities/id.ts";

/** Radios that one act may be about at most. */
export const MOST_UNITS = 2000;
export const MOST_WHY = 300;

/** A reason that others can read. */
export const why = z
  .string()
  .trim()
  .min(1, "Say why, so that others know.")
  .max(MOST_WHY, `At most ${MOST_WHY} signs.`);

/** The sum of a file's bytes. */
export const sha256 = z.string().regex(/^[0-9a-f]{64}$/, "64 signs, 0 to 9 and a to f.");
