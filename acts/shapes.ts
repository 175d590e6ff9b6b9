// Bounds of what acts take: every text and every list has one.
import { z } from "zod";
import { isPlainDate } from "#core/quantities/index.ts";

export { id } from "#core/quantities/index.ts";

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

/** A day and a time of it in the club's own time, as a form has them. */
export const localTime = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, "A day and a time, such as 2027-05-02T19:40.")
  .refine((text) => isPlainDate(text.slice(0, 10)) && text.slice(11) < "24:00" && text.slice(14) < "60", {
    error: "A day and a time, such as 2027-05-02T19:40.",
  });
