// A channel as a codeplug has it. The Zod shape is the one definition of it.
import { z } from "zod";
import { hertz } from "../modes/index.ts";

/** A tone that opens the squelch: CTCSS in tenths of a hertz, a DCS code in octal digits with its polarity, or none. */
export const toneShape = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("ctcss"), tenths: z.number().int().min(600).max(2600) }),
  z.object({ kind: z.literal("dcs"), code: z.string().regex(/^[0-7]{3}$/), inverted: z.boolean() }),
]);
export type Tone = Readonly<z.output<typeof toneShape>>;

const word = z.string().max(60);

export const codeplugChannel = z.object({
  /** From 1. */
  position: z.number().int().min(1).max(100_000),
  name: z.string().max(300),
  receive: hertz,
  /** Absent: it only receives. */
  transmit: hertz.optional(),
  bandwidth: hertz.optional(),
  digital: z.boolean().default(false),
  sends: toneShape.optional(),
  hears: toneShape.optional(),
  /** By its name in the radio. */
  power: word.optional(),
  scan: z.boolean().optional(),
  colour: z.number().int().min(0).max(15).optional(),
  slot: z.union([z.literal(1), z.literal(2)]).optional(),
  talkgroup: word.optional(),
  identity: word.optional(),
});
export type CodeplugChannel = Readonly<z.output<typeof codeplugChannel>>;

/** What two channels may differ in, beside where they stand. */
export const CHANNEL_FIELDS = [
  "name",
  "receive",
  "transmit",
  "bandwidth",
  "digital",
  "sends",
  "hears",
  "power",
  "scan",
  "colour",
  "slot",
  "talkgroup",
  "identity",
] as const satisfies readonly (keyof CodeplugChannel)[];
export type ChannelField = (typeof CHANNEL_FIELDS)[number];
