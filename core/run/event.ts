// What happens in a run at the bench, as it is sent and kept: a run is the fold of its events, nothing else is stored.
import { z } from "zod";

/** What must hold before a step that flashes or erases. */
export const GATES = ["power", "backup", "file", "hardware", "chain", "base", "same"] as const;
export type Gate = (typeof GATES)[number];

/** Gates that nobody may pass by: a wrong file or the wrong hardware destroys a radio. */
export const FIRM_GATES: readonly Gate[] = ["file", "hardware"];

const sha256 = z.string().regex(/^[0-9a-f]{64}$/);
const text = z
  .string()
  .trim()
  .min(1, "Nothing was typed: say it in a few words.")
  .max(500, "At most 500 signs.");
export const happening = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("started") }),
  /** What the step asks for was done and seen. */
  z.object({ kind: z.literal("seen") }),
  /** Something else was seen. */
  z.object({ kind: z.literal("odd"), symptom: text }),
  /** What was odd is no more: why it was, and what helped. */
  z.object({ kind: z.literal("cured"), cause: text, cure: text }),
  z.object({ kind: z.literal("went-back"), to: z.number().int().min(0).max(2000) }),
  /** A gate holds: what was looked at. Whether that is enough, the gate itself says. */
  z.object({
    kind: z.literal("held"),
    gate: z.enum(GATES),
    /** Of the battery, in percent. */
    charge: z.number().min(0).max(100).optional(),
    /** It runs from a supply. */
    supply: z.boolean().optional(),
    /** Of the file that was looked at. */
    sha256: sha256.optional(),
    /** The hardware revision that it was seen to have. */
    revision: z.string().max(200).optional(),
  }),
  z.object({ kind: z.literal("overrode"), gate: z.enum(GATES), reason: text }),
  /** How far machine work is, from 0 to 1; with 0 it begins. */
  z.object({ kind: z.literal("progress"), part: z.number().min(0).max(1) }),
  z.object({ kind: z.literal("machine-failed"), symptom: text }),
  /** What a component, by its name, was seen to run. */
  z.object({ kind: z.literal("reading"), component: z.string().min(1).max(80), raw: text.max(200) }),
  z.object({
    kind: z.literal("file-kept"),
    sha256,
    /** Read again: after a write, to compare. */
    role: z.enum(["backup", "read-again"]),
  }),
  /** Whether it transmitted where it was asked to. */
  z.object({ kind: z.literal("probed"), transmits: z.boolean() }),
  /** What a meter showed of its power, in watts; `meter`: by its tag, where it is one of the kit. */
  z.object({
    kind: z.literal("measured"),
    watts: z.number().positive().max(10_000),
    meter: z.string().trim().max(120).optional(),
    /** It was asked about, being far more than the radio is rated for, and is so. */
    sure: z.literal(true).optional(),
  }),
  /** What was done at a step for which nothing is written. */
  z.object({
    kind: z.literal("noted"),
    text: z.string().trim().min(1, "Nothing was typed: say what was done.").max(2000, "At most 2,000 signs."),
  }),
  z.object({ kind: z.literal("paused") }),
  z.object({ kind: z.literal("resumed") }),
  z.object({ kind: z.literal("stopped"), reason: text }),
  z.object({ kind: z.literal("finished") }),
]);

export type Happening = z.output<typeof happening>;

/**
 * As it is sent. `id` is made by who sends it: sent twice, it is done once. `number` is the place in the run that the sender takes it to
 * have, counted from 1: a later one was sent in ignorance of what happened meanwhile.
 */
export const sentEvent = z.object({
  id: z.string().min(8).max(64),
  number: z.number().int().min(1).max(100_000),
  what: happening,
});
export type SentEvent = z.output<typeof sentEvent>;

/** As it is kept: at which instant, and by whom. */
export type RunEvent = SentEvent & { readonly at: string; readonly by: string };
