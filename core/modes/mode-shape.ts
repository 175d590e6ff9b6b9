// The shapes of a mode and of a programmed channel.
import { z } from "zod";
import { ERASES } from "../release/index.ts";
import { rangeShape } from "../version/index.ts";
import { bandShape, hertz } from "./band-shape.ts";
import { MOST_BANDS, MOST_FIXED, OUTSIDE } from "./words.ts";

const bands = z.array(bandShape).max(MOST_BANDS, "At most 40 bands.").readonly();
const text = z.string().trim();

/** A channel that a mode fixes. */
export const fixedShape = z
  .object({
    frequency: hertz,
    /** The most it sends there, in watts. */
    watts: z.number().positive().max(10_000).optional(),
    receiveOnly: z.literal(true).optional(),
  })
  .readonly();

export const modeShape = z.object({
  name: text.min(1, "A mode has a name.").max(60),
  transmit: bands,
  receive: bands,
  /** The most it sends, in watts. */
  watts: z.number().positive().max(10_000).optional(),
  /** The widths it can send, in hertz. */
  bandwidths: z.array(z.number().int().positive().max(10_000_000)).max(8).readonly().default([]),
  /** Where it is given, it transmits on these channels and on nothing else. */
  fixed: z.array(fixedShape).max(MOST_FIXED, "At most 200 channels.").readonly().optional(),
  outside: z.enum(OUTSIDE).default("refuses"),
  /** What switching to it erases. */
  erases: z.enum(ERASES).default("nothing"),
  /** How it is set in a tool, where it is. */
  setting: text.max(200).optional(),
  /** How it looks, where that can be told by looking: what else tells it apart. */
  sign: text.max(200).optional(),
  firmware: z.object({ component: z.string(), range: rangeShape }).optional(),
  hardwareRevisions: z.array(z.string()).min(1).optional(),
});
export type Mode = Readonly<z.output<typeof modeShape>>;

/** A programmed channel; frequencies and width in hertz. */
export const channelShape = z
  .object({
    name: z.string().trim().max(60),
    receive: hertz,
    /** Absent: it only receives. */
    transmit: hertz.optional(),
    bandwidth: z.number().int().positive().max(10_000_000).optional(),
  })
  .readonly();
export type Channel = z.output<typeof channelShape>;
