// Puts several radios on hold at once.
import { z } from "zod";
import { plainDate } from "#core/firmware/policy.ts";
import { tell } from "#db/log.ts";
import { recompute } from "#db/needs.ts";
import type { Tx } from "#db/pool.ts";
import { setHold } from "#db/units.ts";
import type { SignedIn } from "../context.ts";
import { counted } from "../ui/words/count.ts";
import { type HoldAnswer, keptOf } from "./hold-answer.ts";

const shape = z.object({
  units: z
    .array(z.string().regex(/^\d{1,18}$/))
    .min(1, "Pick at least one radio.")
    .max(2000, "Pick at most 2,000 radios at a time."),
  until: z.string().pipe(plainDate),
  why: z.string().trim().min(1, "Say why, so that others know.").max(300),
});

export async function holdSeveral(tx: Tx, who: SignedIn, form: FormData): Promise<HoldAnswer> {
  const refused = (says: string): HoldAnswer => ({ ok: false, says, kept: keptOf(form) });
  const parsed = shape.safeParse({
    units: [...new Set(form.getAll("unit"))],
    until: form.get("until"),
    why: form.get("why"),
  });
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    return refused(
      issue?.path[0] === "until"
        ? "Say until which day, such as 2027-05-02."
        : (issue?.message ?? "Something is missing."),
    );
  }
  const { units, until, why } = parsed.data;
  if (until < who.today) return refused("That day has passed already.");
  const held = await setHold(tx, units, { until, why });
  for (const unit of held) await tell(tx, { kind: "hold-set", until, why }, { unit });
  if (held.length > 0) await recompute(tx, { of: "units", ids: held });
  const says =
    held.length > 0
      ? `${counted(held.length, "radio")} on hold.`
      : "Nothing was changed: they are on hold like that already, or not in the cabinet any more.";
  return { ok: true, says, receipt: crypto.randomUUID() };
}
