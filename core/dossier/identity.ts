// What a model is known by, and how its parts' versions are read.
import { z } from "zod";
import { sourceShape } from "../quantities/source.ts";
import { layoutShape } from "./layout.ts";

const words = z.string().trim().min(1).max(120);

export const identityShape = z.object({
  /** Other names it is sold under. */
  soldAs: z.array(words).max(20).default([]),
  /** What to pick in a tool where its own name is not listed. */
  pickInTool: z.string().trim().max(200).default(""),
  /** Plugs at the radio. */
  plugs: z.array(words).max(10).default([]),
  /** Texts on its label. */
  labels: z.array(words).max(20).default([]),
  /** Texts its screen shows, at power-on or in the menu. */
  screens: z.array(words).max(20).default([]),
  layout: layoutShape.optional(),
  /** Where it has Bluetooth built in: the name it shows, and whether a reset leaves it on; absent: nobody knows. */
  bluetooth: z
    .strictObject({
      shows: z.string().trim().max(80).default(""),
      afterReset: z.enum(["on", "off"]).optional(),
    })
    .optional(),
  source: sourceShape.optional(),
});
export type Identity = z.infer<typeof identityShape>;

export const SHOWN_WHERE = ["menu", "power-on", "keys", "tool"] as const;

export const partReadingShape = z.object({
  /** Where the version shows; absent: nobody has written it down. */
  where: z.enum(SHOWN_WHERE).optional(),
  how: z.string().trim().max(500).default(""),
  /** The text as it looks. */
  sample: z.string().trim().max(200).default(""),
  source: sourceShape.optional(),
});
export type PartReading = z.infer<typeof partReadingShape>;
