// The shape of a range of versions.
import { z } from "zod";

const bound = z.string().trim().min(1).max(200);

/** One stretch; absent ends are open. Both of a kind never stand together. */
export const stretchShape = z.object({
  atLeast: bound.optional(),
  above: bound.optional(),
  atMost: bound.optional(),
  below: bound.optional(),
});
export type Stretch = z.infer<typeof stretchShape>;

/** A version lies in a range if it lies in any of its stretches. */
export const rangeShape = z.array(stretchShape).min(1).max(20);
export type Range = z.infer<typeof rangeShape>;
