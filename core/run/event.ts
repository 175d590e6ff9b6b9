// What happens in a run at the bench, as it is sent and kept: a run is the fold of its events, nothing else is stored.
import { z } from "zod";
import { id } from "../quantities/id.ts";

/** What must hold before a step that flashes or erases. */
export const GATES = ["power", "backup", "file", "hardware", "chain"] as const;
export type Gate = (typeof GATES)[number];

/** Gates that nobody may pass by: a wrong file or the wrong hardware destroys a radio. */
export const FIRM_GATES: readonly Gate[] = ["file", "hardware"];

const text = z.string().trim().min(1).max(500);
const happening = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("started") }),
  /** What the step asks for was done and seen. */
  z.object({ kind: z.literal("seen") }),
  /** Something else was seen. */
  z.object({ kind: z.literal("odd"), symptom: text }),
  /** What was odd is no more: why it was, and what helped. */
  z.object({ kind: z.literal("cured"), cause: text, cure: text }),
  z.object({ kind: z.literal("went-back"), to: z.number().int().min(0).max(2000) }),
  z.object({ kind: z.literal("overrode"), gate: z.enum(GATES), reason: text }),
  /** How far machine work is, from 0 to 1. */
  z.object({ kind: z.literal("progress"), part: z.number().min(0).max(1) }),
  z.object({ kind: z.literal("machine-failed"), symptom: text }),
  z.object({ kind: z.literal("reading"), component: id, raw: z.string().min(1).max(200) }),
  z.object({
    kind: z.literal("file-kept"),
    sha256: z.string().regex(/^[0-9a-f]{64}$/),
    role: z.enum(["backup", "restore"]),
  }),
  z.object({ kind: z.literal("paused") }),
  z.object({ kind: z.literal("resumed") }),
  z.object({ kind: z.literal("stopped"), reason: text }),
  z.object({ kind: z.literal("finished") }),
]);

/**
 * `id` is made by who sends it: sent twice, it is done once. `number` is the place in the run that the sender takes it to have, counted
 * from 1: a later one was sent in ignorance of what happened meanwhile. `at` is an instant, `by` a person.
 */
export const runEvent = z.intersection(
  z.object({
    id: z.string().min(8).max(64),
    number: z.number().int().min(1).max(100_000),
    at: z.iso.datetime(),
    by: id,
  }),
  happening,
);
export type RunEvent = z.output<typeof runEvent>;
export type EventKind = RunEvent["kind"];
