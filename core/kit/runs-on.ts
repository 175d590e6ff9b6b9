// Where a tool runs: the shape of it, which is read where it is stored.
import { z } from "zod";
import { rangeShape } from "../version/index.ts";
import { type RunsOn, SYSTEMS } from "./shapes.ts";

export const runsOnShape: z.ZodType<RunsOn> = z.object({
  system: z.enum(SYSTEMS),
  versions: rangeShape.optional(),
  bits: z.union([z.literal(32), z.literal(64)]).optional(),
});
