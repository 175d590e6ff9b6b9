// The club's rule for a group of units: which release is the target, and when. Zod is the one source of the shape.
import { z } from "zod";
import { transmitPolicy } from "../modes/standing.ts";
import { type PlainDate, plainDate } from "../quantities/date.ts";

const fallbackRule = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("newest") }),
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

/** The policy as it is on a day: of a pin that has ended nothing remains. The same object for the same answer. */
export function policyOn(policy: Policy, on: PlainDate): Policy {
  const { rule } = policy;
  return rule.kind === "pinned" && rule.until !== undefined && rule.until < on ? withoutPin(policy) : policy;
}

/** The policy without its pin: what follows once that has ended. */
export function withoutPin(policy: Policy): Policy {
  const { rule } = policy;
  if (rule.kind !== "pinned") return policy;
  let unpinned = unpinnedOf.get(policy);
  if (!unpinned) {
    unpinned = { ...policy, rule: rule.otherwise };
    unpinnedOf.set(policy, unpinned);
  }
  return unpinned;
}
const unpinnedOf = new WeakMap<Policy, Policy>();

/** What units without a group follow: the newest factory release, readings good for a year. */
export const PLAIN_POLICY: Policy = {
  rule: { kind: "newest" },
  tracks: [],
  safetyBreaksHold: true,
  recheckAfterDays: 365,
};
