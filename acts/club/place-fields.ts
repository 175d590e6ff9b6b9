// What a place is, as its form and its acts take it: the one shape, with its bounds.
import { z } from "zod";
import { FIELD_LIMITS } from "#core/unit/index.ts";

export const PLACE_KINDS = ["shelf", "hut", "vehicle", "room"] as const;

/** The kind of place that a stored or typed word names; what is none is a shelf. */
export const readKind = (text: string) => PLACE_KINDS.find((kind) => kind === text) ?? "shelf";

export const placeShape = z.object({
  name: z.string({ error: "A place has a name." }).trim().min(1).max(FIELD_LIMITS.place),
  kind: z.enum(PLACE_KINDS),
  note: z.string().trim().max(200).default(""),
});
