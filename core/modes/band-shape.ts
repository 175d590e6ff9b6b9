// The shape of a stretch of the air.
import { z } from "zod";

/** A frequency in hertz, whole. */
export const hertz = z.number().int().min(0).max(300_000_000_000);

export const bandShape = z
  .object({ from: hertz, to: hertz })
  .refine(({ from, to }) => from < to, "A band ends above where it begins.");
export type Band = Readonly<z.output<typeof bandShape>>;
