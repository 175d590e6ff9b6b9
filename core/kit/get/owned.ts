// What the club has is not bought again: which of the things on offer are owned already.
import type { Adapter, Chip, Kit, Lead, Offer } from "../shapes.ts";

const chipKey = (chip: Chip | undefined) => (chip ? `${chip.grade} ${chip.family.toLowerCase()}` : "");
type LeadLike = Pick<Lead, "kind" | "radioEnd" | "computerEnd" | "chip" | "carriesData">;
type AdapterLike = Pick<Adapter, "kind" | "ends" | "chip" | "carriesData">;
const leadKey = (l: LeadLike) =>
  JSON.stringify([l.kind, l.radioEnd, l.computerEnd ?? "", chipKey(l.chip), l.carriesData]);
const adapterKey = (a: AdapterLike) =>
  JSON.stringify([a.kind, [...a.ends].sort(), chipKey(a.chip), a.carriesData]);

/**
 * The tag of a thing of the club's that is just what an offer gives (kind, plugs, chip) and can be used, whoever has it now. What is
 * broken or lost is no reason not to buy another. Where one of a kind is owned, a second is not asked for.
 */
export function ownedAlike(offer: Offer, kit: Pick<Kit, "leads" | "adapters">): string | undefined {
  const usable = ({ condition }: Lead | Adapter) => condition !== "broken" && condition !== "lost";
  if (offer.gives === "lead") {
    const key = leadKey(offer.lead);
    return kit.leads.find((one) => usable(one) && leadKey(one) === key)?.tag;
  }
  const key = adapterKey(offer.adapter);
  return kit.adapters.find((one) => usable(one) && adapterKey(one) === key)?.tag;
}

/** The offers of a kit that the club does not own. */
export const notOwned = (kit: Kit): Offer[] =>
  kit.offers.filter((offer) => ownedAlike(offer, kit) === undefined);
