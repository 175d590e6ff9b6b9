// What a hold would do, said before anybody sets it.
import { z } from "zod";
import { MOST_UNITS } from "#acts/shapes.ts";
import { holdEffect } from "#core/needs/index.ts";
import { listed, plainDate } from "#core/quantities/index.ts";
import { someTags } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituations } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { counted } from "../ui/words/count.ts";
import { sayDate } from "../ui/words/time.ts";

const asked = z.object({
  units: z
    .array(z.string().regex(/^\d{1,18}$/))
    .min(1)
    .max(MOST_UNITS),
  until: plainDate,
});

/** So many radios are named. */
const NAMED = 12;

/** In a few sentences; undefined if no radio or no day to come was told. Nothing is saved. */
export async function weighHold(
  tx: Tx,
  who: SignedIn,
  told: { readonly units: readonly string[]; readonly until: unknown },
): Promise<string | undefined> {
  const read = asked.safeParse(told);
  if (!read.success || read.data.until < who.today) return undefined;
  const { units, until } = read.data;
  const { all } = await loadSituations(tx, { of: "units", ids: [...new Set(units)] }, who.today);
  if (all.length === 0) return undefined;
  const effect = holdEffect(all, { until, why: "asked" });
  const day = (on: typeof until) => sayDate(on, who.locale, who.today);
  const names = async (ids: readonly string[]) => {
    const { tags, count } = await someTags(tx, ids);
    return count > NAMED ? counted(count, "radio") : listed(tags);
  };
  const { freed, changed, newlyDue, later, firstOn } = effect;
  const touched = freed.length + changed.length + newlyDue.length + later.length;
  const says: string[] = [];
  if (freed.length > 0) says.push(`${await names(freed)} would be left alone until ${day(until)}.`);
  if (changed.length > 0)
    says.push(`${await names(changed)} would still need something: not all of it waits.`);
  if (newlyDue.length > 0)
    says.push(`${await names(newlyDue)} would become due: the hold ends earlier than now.`);
  if (later.length > 0 && firstOn)
    says.push(
      `Of ${await names(later)} nothing is put off today; the first day that differs is ${day(firstOn)}.`,
    );
  const rest = all.length - touched;
  if (rest > 0)
    says.push(
      `For ${rest === 1 && all.length === 1 ? "it" : counted(rest, "radio")} nothing would change, as far as is known: nothing falls into that time, or it breaks the hold.`,
    );
  return `${says.join(" ")} Nothing is saved yet.`;
}
