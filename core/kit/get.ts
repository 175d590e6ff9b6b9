// What to get: the purchase that frees the most, exactly, as an integer programme; and all of the curve of what is freed
// against money. The solver is handed in: it is a large program of its own, and runs in a worker.
import type { Urgency } from "../firmware/catalogue.ts";
import { bad, good, type Result } from "../quantities/result.ts";
import { minimalSets } from "./chain.ts";

/** How much a freed unit weighs, by the urgency of what it needs. */
export const FREED_WEIGHT: Record<Urgency, number> = { safety: 4, fix: 2, routine: 1 };

/** A unit that no chain reaches, with the sets of offers of which one would be enough. */
export type Wanting = {
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

export type Solution = { readonly optimal: boolean; readonly value: (variable: string) => number };
/** Solves a programme in the LP format to proven optimality. */
export type Solve = (programme: string) => Solution;

export type GetProblem = { readonly kind: "unsolved" };

/**
 * The heaviest set of units that a budget frees, and of the purchases that free so much the cheapest. `budget` undefined:
 * no limit. Problem: `unsolved`, where the solver gave up.
 */
export function bestPurchase(
  wanting: readonly Wanting[],
  prices: Prices,
  budget: number | undefined,
  solve: Solve,
): Result<Purchase, GetProblem> {
  const programme = prepare(wanting, prices);
  if (programme.groups.length === 0) return good(NOTHING);
  const limit = limitOf(programme, budget);
  if (limit !== undefined && limit < 0) return good(NOTHING);
  const most = solve(maximum(programme, limit));
  if (!most.optimal) return bad({ kind: "unsolved" });
  const weight = Math.round(programme.groups.reduce((sum, g, i) => sum + g.weight * most.value(`y${i}`), 0));
  const least = solve(cheapest(programme, weight));
  if (!least.optimal) return bad({ kind: "unsolved" });
  const offers = programme.offers.filter((_, i) => least.value(`x${i}`) > 0.5);
  return good(withoutUseless(purchaseOf(offers, wanting, prices), wanting, prices));
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
function withoutUseless(purchase: Purchase, wanting: readonly Wanting[], prices: Prices): Purchase {
  let kept = purchase;
  for (const offer of purchase.offers) {
    const less = purchaseOf(
      kept.offers.filter((one) => one !== offer),
      wanting,
      prices,
    );
    if (less.weight >= kept.weight) kept = less;
  }
  return kept;
}

/** What a choice of offers frees. */
export function purchaseOf(offers: readonly string[], wanting: readonly Wanting[], prices: Prices): Purchase {
  const chosen = new Set(offers);
  const freed = wanting.filter((w) => w.sets.some((set) => set.every((offer) => chosen.has(offer))));
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
  wanting: readonly Wanting[],
  prices: Prices,
  solve: Solve,
  onPoint: (purchase: Purchase) => boolean = () => true,
): Result<readonly Purchase[], GetProblem> {
  const programme = prepare(wanting, prices);
  const all = programme.groups.reduce((sum, g) => sum + g.weight, 0);
  const points: Purchase[] = [];
  let last = NOTHING;
  while (last.weight < all) {
    // The cheapest that frees more. It may free more than was asked for; the next step asks for more still, and if that
    // costs no more, this one was not worth its money.
    const found = solve(cheapest(programme, last.weight + 1));
    if (!found.optimal) return bad({ kind: "unsolved" });
    const chosen = programme.offers.filter((_, i) => found.value(`x${i}`) > 0.5);
    const next = withoutUseless(purchaseOf(chosen, wanting, prices), wanting, prices);
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

type Group = { weight: number; readonly sets: readonly (readonly number[])[] };
type Programme = {
  readonly offers: readonly string[];
  readonly costs: readonly number[];
  readonly groups: readonly Group[];
};

/** Units with the same sets are one group with their weight together; what can be had for nothing is none of our business. */
function prepare(wanting: readonly Wanting[], prices: Prices): Programme {
  const offers: string[] = [];
  const place = new Map<string, number>();
  const groups = new Map<string, Group>();
  for (const { weight, sets } of wanting) {
    const minimal = minimalSets(sets.filter((set) => set.every((offer) => prices.has(offer))));
    if (minimal.length === 0 || minimal.some((set) => set.length === 0)) continue;
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

/** A sum, broken into lines: the format has a limit to their length. */
const sum = (terms: readonly string[]): string => (terms.length === 0 ? "0 x0" : terms.join(" +\n "));
const cost = ({ costs }: Programme) => sum(costs.map((price, i) => `${price} x${i}`));
const freed = ({ groups }: Programme) => sum(groups.map((g, i) => `${g.weight} y${i}`));

const maximum = (p: Programme, budget: number | undefined): string =>
  `Maximize\n obj: ${freed(p)}\nSubject To\n${rulesOf(p)}${budget === undefined ? "" : ` money: ${cost(p)} <= ${budget}\n`}${kindsOf(p)}`;

const cheapest = (p: Programme, weight: number): string =>
  `Minimize\n obj: ${cost(p)}\nSubject To\n${rulesOf(p)} enough: ${freed(p)} >= ${weight}\n${kindsOf(p)}`;

/** A group is freed if one of its sets is bought, and a set is bought if all in it are. */
function rulesOf({ groups }: Programme): string {
  const lines: string[] = [];
  for (const [g, { sets }] of groups.entries()) {
    const terms: string[] = [];
    for (const [s, set] of sets.entries()) {
      if (set.length === 1) terms.push(`x${set[0]}`);
      else {
        terms.push(`z${g}_${s}`);
        for (const [k, offer] of set.entries()) lines.push(` c${g}_${s}_${k}: z${g}_${s} - x${offer} <= 0`);
      }
    }
    lines.push(` f${g}: y${g} ${terms.map((term) => `- ${term}`).join(" ")} <= 0`);
  }
  return `${lines.join("\n")}\n`;
}

/** What is bought is whole; what follows from it needs bounds only. */
function kindsOf({ offers, groups }: Programme): string {
  const bounds = groups.flatMap(({ sets }, g) => [
    ` y${g} <= 1`,
    ...sets.flatMap((set, s) => (set.length === 1 ? [] : [` z${g}_${s} <= 1`])),
  ]);
  return `Bounds\n${bounds.join("\n")}\nBinary\n ${offers.map((_, i) => `x${i}`).join("\n ")}\nEnd\n`;
}
