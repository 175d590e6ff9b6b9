// The shape in which a simulated radio is stored between two looks at it.
import { z } from "zod";
import { signsShape } from "#core/dossier/index.ts";
import { ERASES } from "#core/release/index.ts";
import { FAULTS, type Radio } from "./state.ts";

const content = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("own") }),
  z.object({ kind: z.literal("blank") }),
  z.object({ kind: z.literal("file"), sha256: z.string() }),
]);
const version = z.string().max(200);
export const radioShape: z.ZodType<Radio> = z.object({
  seed: z.number().int(),
  on: z.boolean(),
  place: z.enum(["normal", "update", "service", "dead"]),
  runs: z.record(z.string().max(80), version),
  charge: z.number().min(0).max(100),
  content,
  wide: z.boolean(),
  mode: z.string().optional(),
  followed: z.record(z.string(), z.number().int().min(0)),
  signs: signsShape,
  faults: z
    .array(z.object({ kind: z.enum(FAULTS), at: z.number().min(0).max(1).optional() }))
    .max(FAULTS.length),
  work: z
    .object({
      errand: z.discriminatedUnion("kind", [
        z.object({ kind: z.literal("read") }),
        z.object({ kind: z.literal("write"), content }),
        z.object({
          kind: z.literal("flash"),
          component: z.string(),
          version,
          erases: z.enum(ERASES),
        }),
      ]),
      begun: z.number(),
      lasts: z.number(),
      stops: z.object({ at: z.number(), fault: z.enum(FAULTS) }).optional(),
    })
    .optional(),
  fresh: z.boolean(),
}) as z.ZodType<Radio>;
