// The club's rule for a group of units: which release is the target, and when.
import type { PlainDate } from "../quantities/index.ts";
import type { FallbackRule, Hold, Policy, PolicyRule, RuleKind } from "./policy-shape.ts";

export type { FallbackRule, Hold, Policy, PolicyRule, RuleKind };

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
