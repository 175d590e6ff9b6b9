// What to get: the purchase that frees the most, exact, as an integer programme; and the curve of what is freed against money. The solver is handed in and runs in a worker.

import { bad, good, type Result } from "../../quantities/index.ts";
import type { Urgency } from "../../release/index.ts";
import { cheapest, type Group, maximum, type Programme, type Solve } from "../../solve/index.ts";
import { minimalSets } from "../chain/chain.ts";

/** How much a freed unit weighs, by the urgency of what it needs. */
export const FREED_WEIGHT: Record<Urgency, number> = { safety: 4, fix: 2, routine: 1 };

/** A unit that no chain reaches, with the sets of offers of which one would be enough. */
export type Demand = {
  readonly unit: string;
  readonly weight: number;
  readonly sets: readonly (readonly string[])[];
};

/** Prices by offer, in the smallest coin. */
export type Prices = ReadonlyMap<string, number>;

export type Purchase = {
  readonly offers: readonly string[];
  readonly money: number;
  readonly weight: number;
  readonly units: readonly string[];
};

export type GetProblem = { readonly kind: "unsolved" };

/**
 * The heaviest set of units that a budget frees, and of the purchases that free so much the cheapest. `budget` undefined:
 * no limit. Problem: `unsolved`, where the solver gave up.
 */
export function bestPurchase(
  demand: readonly Demand[],
  prices: Prices,
  budget: number | undefined,
  solve: Solve,
): Result<Purchase, GetProblem> {
  const programme = prepare(demand, prices);
  if (programme.groups.length === 0) return good(NOTHING);
  const limit = limitOf(programme, budget);
  if (limit !== undefined && limit < 0) return good(NOTHING);
  const most = solve(maximum(programme, limit));
  if (!most.optimal) return bad({ kind: "unsolved" });
  const weight = Math.round(programme.groups.reduce((sum, g, i) => sum + g.weight * most.value(`y${i}`), 0));
  const least = solve(cheapest(programme, weight));
  if (!least.optimal) return bad({ kind: "unsolved" });
  const offers = programme.offers.filter((_, i) => least.value(`x${i}`) > 0.5);
  return good(withoutUseless(purchaseOf(offers, demand, prices), demand, prices));
}

const NOTHING: Purchase = { offers: [], money: 0, weight: 0, units: [] };

/** A budget as the programme takes it: whole coins, no more than everything costs; what is no sum of money buys nothing. */
function limitOf({ costs }: Programme, budget: number | undefined): number | undefined {
  if (budget === undefined || budget === Number.POSITIVE_INFINITY) return undefined;
  if (!(budget >= 0)) return -1;
  const all = costs.reduce((total, price) => total + price, 0);
  return Math.min(Math.floor(budget), all);
}

/** What costs nothing is free for the solver to take along: only what frees something is kept. */
function withoutUseless(purchase: Purchase, demand: readonly Demand[], prices: Prices): Purchase {
  let kept = purchase;
  for (const offer of purchase.offers) {
    const less = purchaseOf(
      kept.offers.filter((one) => one !== offer),
      demand,
      prices,
    );
    if (less.weight >= kept.weight) kept = less;
  }
  return kept;
}

/** A radio of which one set is empty needs nothing bought: no purchase frees it, and none is worth more for it. */
const isFree = ({ sets }: Demand): boolean => sets.some((set) => set.length === 0);

/** What a choice of offers frees. */
export function purchaseOf(offers: readonly string[], demand: readonly Demand[], prices: Prices): Purchase {
  const chosen = new Set(offers);
  const freed = demand.filter(
    (w) => !isFree(w) && w.sets.some((set) => set.every((offer) => chosen.has(offer))),
  );
  return {
    offers: [...offers].sort(),
    money: offers.reduce((sum, offer) => sum + (prices.get(offer) ?? 0), 0),
    weight: freed.reduce((sum, w) => sum + w.weight, 0),
    units: freed.map((w) => w.unit),
  };
}

/**
 * Every purchase that is worth its money: none frees as much for less. From nothing up to the cheapest that frees all that
 * can be freed; `onPoint` hears of each as it is settled, and ends the search by answering false.
 */
export function wholeCurve(
  demand: readonly Demand[],
  prices: Prices,
  solve: Solve,
  onPoint: (purchase: Purchase) => boolean = () => true,
): Result<readonly Purchase[], GetProblem> {
  const programme = prepare(demand, prices);
  const all = programme.groups.reduce((sum, g) => sum + g.weight, 0);
  const points: Purchase[] = [];
  let last = NOTHING;
  while (last.weight < all) {
    // The cheapest that frees more. It may free more than was asked for; the next step asks for more still, and if that
    // costs no more, this one was not worth its money.
    const found = solve(cheapest(programme, last.weight + 1));
    if (!found.optimal) return bad({ kind: "unsolved" });
    const chosen = programme.offers.filter((_, i) => found.value(`x${i}`) > 0.5);
    const next = withoutUseless(purchaseOf(chosen, demand, prices), demand, prices);
    // A solver that answers less than it was asked for would be asked for ever.
    if (next.weight <= last.weight) return bad({ kind: "unsolved" });
    if (next.money > last.money) {
      points.push(last);
      if (!onPoint(last)) return good(points);
    }
    last = next;
  }
  points.push(last);
  onPoint(last);
  return good(points);
}

/** Units with the same sets are one group with their weight together. */
function prepare(demand: readonly Demand[], prices: Prices): Programme {
  const offers: string[] = [];
  const place = new Map<string, number>();
  const groups = new Map<string, Group>();
  for (const { weight, sets } of demand.filter((one) => !isFree(one))) {
    const minimal = minimalSets(sets.filter((set) => set.every((offer) => prices.has(offer))));
    if (minimal.length === 0) continue;
    const numbered = minimal.map((set) =>
      set.map((offer) => {
        let at = place.get(offer);
        if (at === undefined) {
          at = offers.push(offer) - 1;
          place.set(offer, at);
        }
        return at;
      }),
    );
    const key = JSON.stringify(numbered);
    const known = groups.get(key);
    if (known) known.weight += weight;
    else groups.set(key, { weight, sets: numbered });
  }
  return { offers, costs: offers.map((offer) => prices.get(offer) ?? 0), groups: [...groups.values()] };
}
