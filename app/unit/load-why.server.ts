// Why a radio has one of its needs: the facts behind it as sentences, each with the address of its record.
import { releasesIn } from "#core/needs/index.ts";
import type { Tx } from "#db/pool.ts";
import { needsOfUnit, releaseNames, unitByTag } from "#db/unit/index.ts";
import { notFound, type SignedIn } from "../context.ts";
import { namesOf, recordsOf, shownFacts, type WhyAnswer } from "../ui/why.tsx";

/** `asked` names the need: its `kind`, its `component` by name, and the day it is `due`. Throws 404 for an unknown tag. */
export async function whyOf(
  tx: Tx,
  who: SignedIn,
  tag: string,
  asked: Pick<URLSearchParams, "get">,
): Promise<WhyAnswer> {
  const unit = await unitByTag(tx, tag);
  if (!unit) throw notFound(`A radio with the tag ${tag.slice(0, 40)}`);
  const need = (await needsOfUnit(tx, unit.id, who.today)).find(
    (n) =>
      n.kind === asked.get("kind") &&
      n.component === asked.get("component") &&
      n.due_from === asked.get("due"),
  );
  if (!need) return {};
  const names = namesOf(await releaseNames(tx, releasesIn(need.because)), who.locale, who.today);
  return { why: shownFacts(need.because, names, recordsOf(unit, `/units/${encodeURIComponent(unit.tag)}`)) };
}
