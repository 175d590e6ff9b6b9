// The shape of the conditions of a release. Zod is the one source of it.
import { z } from "zod";
import { rangeShape } from "../version/index.ts";
import { ERASES, TRACKS, WAYS } from "./words.ts";

export const conditionsShape = z.object({
  /** The version it must be installed over. */
  from: rangeShape.optional(),
  /** The tracks it may be installed over. */
  fromTracks: z.array(z.enum(TRACKS)).min(1).max(TRACKS.length).optional(),
  /** Versions that other components, by name, must run at that moment. */
  requires: z
    .array(z.object({ component: z.string().min(1).max(80), range: rangeShape }))
    .max(50)
    .default([]),
  /** Once it runs, the radio takes nothing older than this. */
  rollbackFloor: z.string().trim().min(1).max(200).optional(),
  erases: z.enum(ERASES).default("nothing"),
  /** Empty: any way. */
  ways: z.array(z.enum(WAYS)).max(WAYS.length).default([]),
  /** The programming software that goes with it. */
  tool: z.object({ name: z.string().trim().min(1).max(80), range: rangeShape.optional() }).optional(),
  minutes: z.number().int().min(1).max(1000).default(5),
  /** 1: hardly ever goes wrong; 5: only with a recovery at hand. */
  risk: z.number().int().min(1).max(5).default(2),
  /** What has not changed, though one might think so. */
  unchanged: z.string().trim().max(2000).default(""),
});
export type Conditions = z.infer<typeof conditionsShape>;

/** True if it says nothing special. */
export const isPlain = (conditions: Conditions): boolean =>
  JSON.stringify(conditionsShape.parse(conditions)) === PLAIN;
const PLAIN = JSON.stringify(conditionsShape.parse({}));
