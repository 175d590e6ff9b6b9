// What a group is, as its acts take it: its name, and the rule its radios follow.
import { z } from "zod";
import { FIELD_LIMITS, policyShape } from "#core/unit/index.ts";

export const groupFields = z.object({
  name: z.string().trim().min(1).max(FIELD_LIMITS.group),
  purpose: z.string().trim().max(200),
  policy: policyShape,
});
