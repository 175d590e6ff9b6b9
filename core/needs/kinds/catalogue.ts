// What whoever keeps the catalogue has to find out or to say about a part, before it can be told what it should run.
import { earlierOf, kept, type PlainDate } from "../../quantities/index.ts";
import type { PreparedComponent } from "../../release/index.ts";
import { dayOf, type Fact, fitOf, type UnitFacts } from "../../unit/index.ts";
import { pastHolds } from "../holds.ts";
import { ending } from "./ending.ts";
import { defineNeed, type NeedOf, NONE, type SeenPart } from "./kind.ts";

const CAUSES = ["ahead", "unlisted", "uncounted"] as const;
export type CatalogueNeed = NeedOf<"catalogue", (typeof CAUSES)[number]>;

export const catalogue = defineNeed({
  kind: "catalogue",
  causes: CAUSES,
  followsStanding: true,
  reasons: [],
  doings: { "look-up": { due: 120 } },
  here: "look-up",
  away: "look-up",
  forHolder: "cannot-tell",
  items: { "say-how": 130, "look-up": 140 },
  itemsOf: ({ cause }) => [cause === "uncounted" ? "say-how" : "look-up"],
});

/** `also`: the reason beside that it was read. */
export function catalogueNeed(
  { unit, policy, component, reading, seen }: SeenPart,
  cause: CatalogueNeed["cause"],
  also: Fact,
): CatalogueNeed {
  const need: CatalogueNeed = {
    unit: unit.id,
    kind: "catalogue",
    component,
    cause,
    urgency: "routine",
    dueFrom: dayOf(reading, unit),
    targets: NONE,
    because: [seen, also],
  };
  return pastHolds(need, unit, policy);
}

/** We know of no release for it: that ends with the first that fits, on the day `listed`. */
export const unlistedNeed = (part: SeenPart, listed: PlainDate | undefined): CatalogueNeed | undefined =>
  ending(catalogueNeed(part, "unlisted", { kind: "none-known" }), listed);

/** The day from which a release that fits, or may fit, is known; undefined while there is none. The same for units of one kind. */
export function firstListed(prepared: PreparedComponent, unit: UnitFacts): PlainDate | undefined {
  const byFit = kept(listedFirst, prepared, () => new Map<string, PlainDate | "none">());
  const { hardwareRevision, region } = unit;
  const fit =
    hardwareRevision === undefined && region === undefined
      ? ""
      : `${hardwareRevision ?? ""}\n${region ?? ""}`;
  let first = byFit.get(fit);
  if (first === undefined) {
    first = "none";
    for (const release of prepared.releases) {
      if (fitOf(release, unit) === "does-not-fit") continue;
      first = first === "none" ? release.releasedOn : earlierOf(first, release.releasedOn);
    }
    byFit.set(fit, first);
  }
  return first === "none" ? undefined : first;
}
const listedFirst = new WeakMap<PreparedComponent, Map<string, PlainDate | "none">>();
