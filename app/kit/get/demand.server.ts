// Who waits for kit, which purchases would free each of them, and what a choice of offers comes to.

import { type Demand, demandSets, FREED_WEIGHT, toolingOfRoute } from "#core/kit/index.ts";
import { targetOn } from "#core/needs/index.ts";
import { listed } from "#core/quantities/index.ts";
import { URGENCIES } from "#core/release/index.ts";
import { wayOf } from "#core/route/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { type OfferRow, offerRows } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituations, openNeeds, wallUnits } from "#db/unit/index.ts";
import type { SignedIn } from "../../context.ts";
import { kitNames } from "../../shared/tools/shown-chains.ts";
import { sayChange } from "../../ui/words/kit/kit.ts";

export type Waiting = Demand & {
  readonly tag: string;
  readonly model: string;
  readonly urgency: (typeof URGENCIES)[number];
  /** Where no money is needed: what is to be done. */
  readonly todo: string;
};

export type WaitingList = {
  readonly waiting: readonly Waiting[];
  readonly offers: readonly Pick<OfferRow, "id" | "name" | "seller" | "price">[];
  readonly currency: string;
};

export async function loadWaiting(tx: Tx, who: SignedIn): Promise<WaitingList> {
  const needs = (await openNeeds(tx, who.today)).filter((need) => need.action === "kit");
  const ids = [...new Set(needs.map((need) => need.unit_id))];
  const { all, kit } = await loadSituations(tx, { of: "units", ids }, who.today);
  const rows = new Map((await wallUnits(tx)).map((row) => [row.id, row]));
  const names = kitNames(kit, who.locale);
  const waiting = all.flatMap((situation): Waiting[] => {
    const { unit, catalogue, policy } = situation;
    const row = rows.get(unit.id);
    if (!row) return [];
    const own = needs.filter((need) => need.unit_id === unit.id);
    const goal = new Map(
      own.flatMap((need) => {
        const release = targetOn(need, who.today) ?? need.targets.at(-1)?.release;
        return release === undefined ? [] : [[need.component_id, release] as const];
      }),
    );
    const { result } = wayOf(unit, catalogue, policyOn(policy, who.today), goal);
    const tooling = toolingOfRoute(result, situation);
    if (!("steps" in tooling)) return [];
    const urgency = URGENCIES[Math.max(0, ...own.map((need) => need.urgency))] ?? "routine";
    const first = tooling.steps.find((step) => !step.ready)?.chains.near[0];
    return [
      {
        unit: unit.id,
        tag: row.tag,
        model: row.model,
        urgency,
        weight: FREED_WEIGHT[urgency],
        sets: demandSets(tooling, kit.prepared),
        todo: first ? listed(first.changes.map((change) => sayChange(change, names))) : "",
      },
    ];
  });
  const offers = (await offerRows(tx)).map(({ id, name, seller, price }) => ({ id, name, seller, price }));
  return { waiting, offers, currency: kit.currency };
}
