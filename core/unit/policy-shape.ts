// The shape of a club's rule for a group of units. Zod is the one source of it.
import { z } from "zod";
import { transmitPolicy } from "../modes/index.ts";
import { plainDate } from "../quantities/index.ts";

const fallbackRule = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("newest") }),
  /** A release counts once a newer one is out that could be put on as well. */
  z.object({ kind: z.literal("newest-but-one") }),
  z.object({ kind: z.literal("settled"), days: z.number().int().min(0).max(3650) }),
  z.object({
    kind: z.literal("fixes"),
    tags: z.array(z.string().min(1).max(100)).max(100),
    atLeast: z.enum(["fix", "safety"]).optional(),
  }),
]);

export const policyRule = z.discriminatedUnion("kind", [
  ...fallbackRule.options,
  z.object({
    kind: z.literal("pinned"),
    /** Release ids, at most one for each component; a component without one follows `otherwise`. */
    releases: z.array(z.string().max(20)).min(1).max(500),
    /** The last day of the pin; without it the pin holds until it is taken off. */
    until: plainDate.optional(),
    otherwise: fallbackRule,
  }),
]);

export type RuleKind = PolicyRule["kind"];
export const RULE_KINDS = policyRule.options.map(({ shape }) => shape.kind.value);

export const holdShape = z.object({ until: plainDate, why: z.string().min(1).max(300) });

export const policyShape = z.object({
  rule: policyRule,
  /** Tracks admitted beside factory, which always is. */
  tracks: z.array(z.enum(["beta", "community"])).max(10),
  hold: holdShape.optional(),
  safetyBreaksHold: z.boolean(),
  recheckAfterDays: z.number().int().min(1).max(3650),
  /** That their power is measured every so many days, and after a flash; absent: nobody asks for it. */
  measure: z
    .object({ everyDays: z.number().int().min(1).max(3650).optional(), afterFlash: z.boolean() })
    .optional(),
  /** `plan`: its radios carry the club's plan of channels; absent: each its own. */
  codeplug: z.enum(["plan"]).optional(),
  /** Where its radios may transmit; absent: nothing is said. */
  transmit: transmitPolicy.optional(),
});

export type FallbackRule = z.infer<typeof fallbackRule>;
export type PolicyRule = z.infer<typeof policyRule>;
export type Policy = z.infer<typeof policyShape>;
export type Hold = z.infer<typeof holdShape>;
