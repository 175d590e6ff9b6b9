// What to get, against trying every choice of offers.
import fc from "fast-check";
import loadHighs from "highs";
import { beforeAll, describe, expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { type Solve, solverOf } from "../../solve/index.ts";
import { bestPurchase, type Demand, FREED_WEIGHT, purchaseOf, wholeCurve } from "./get.ts";

let solve: Solve;
beforeAll(async () => {
  solve = solverOf(await loadHighs());
});

const OFFERS = ["a", "b", "c", "d", "e", "f", "g"];
const demands = fc.record({
  prices: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: OFFERS.length, maxLength: OFFERS.length }),
  demand: fc.array(
    fc.record({
      weight: fc.constantFrom(1, 2, 4),
      sets: fc.array(fc.subarray(OFFERS, { minLength: 0, maxLength: 3 }), { maxLength: 3 }),
    }),
    { maxLength: 8 },
  ),
  budget: fc.integer({ min: 0, max: 50 }),
});
type Case = typeof demands extends fc.Arbitrary<infer C> ? C : never;

/** Written apart: every choice of offers, its money and the weight it frees. */
function everyChoice({ prices, demand }: Case): { money: number; weight: number }[] {
  return Array.from({ length: 2 ** OFFERS.length }, (_, bits) => {
    const has = (offer: string) => Math.floor(bits / 2 ** OFFERS.indexOf(offer)) % 2 === 1;
    let money = 0;
    OFFERS.forEach((offer, i) => {
      if (has(offer)) money += prices[i] ?? 0;
    });
    let weight = 0;
    // A radio that needs nothing bought is freed by no purchase.
    for (const w of demand)
      if (w.sets.every((set) => set.length > 0) && w.sets.some((set) => set.every(has))) weight += w.weight;
    return { money, weight };
  });
}

const posed = (c: Case) => ({
  prices: new Map(OFFERS.map((offer, i) => [offer, c.prices[i] ?? 1])),
  demand: c.demand.map((w, i): Demand => ({ unit: `u${i}`, ...w })),
});

describe("what to get", () => {
  it("is the best of every choice, and the cheapest of those, on small cases", () => {
    fc.assert(
      fc.property(demands, (c) => {
        const { prices, demand } = posed(c);
        const all = everyChoice(c).filter((choice) => choice.money <= c.budget);
        const weight = Math.max(...all.map((choice) => choice.weight));
        const money = Math.min(
          ...all.filter((choice) => choice.weight === weight).map((choice) => choice.money),
        );
        const best = bestPurchase(demand, prices, c.budget, solve);
        expect(best).toMatchObject({ ok: true, value: { weight, money } });
        if (best.ok) expect(purchaseOf(best.value.offers, demand, prices)).toEqual(best.value);
      }),
      { numRuns: cases(200) },
    );
  }, 120_000);

  it("along the whole curve is every choice that none beats for less", () => {
    fc.assert(
      fc.property(demands, (c) => {
        const { prices, demand } = posed(c);
        const all = everyChoice(c);
        const worth = all.filter(
          (one) =>
            !all.some(
              (o) =>
                (o.money < one.money && o.weight >= one.weight) ||
                (o.money <= one.money && o.weight > one.weight),
            ),
        );
        const expected = [...new Map(worth.map((w) => [w.money, w.weight]))].sort((x, y) => x[0] - y[0]);
        const curve = wholeCurve(demand, prices, solve);
        if (!curve.ok) throw new Error("unsolved");
        expect(curve.value.map((p) => [p.money, p.weight])).toEqual(expected);
      }),
      { numRuns: cases(30) },
    );
  }, 120_000);

  it("nothing is wanted, nothing is offered, or nothing on offer would help: nothing is bought", () => {
    const nothing = { ok: true, value: { offers: [], money: 0, weight: 0, units: [] } };
    expect(bestPurchase([], new Map([["a", 1]]), undefined, solve)).toEqual(nothing);
    expect(bestPurchase([{ unit: "u", weight: 4, sets: [] }], new Map(), 10, solve)).toEqual(nothing);
    expect(
      bestPurchase([{ unit: "u", weight: 4, sets: [["gone"]] }], new Map([["a", 1]]), 10, solve),
    ).toEqual(nothing);
  });

  it("the search for the curve ends when it is told to", () => {
    const demand = OFFERS.map((offer, i) => ({ unit: offer, weight: i + 1, sets: [[offer]] }));
    const prices = new Map(OFFERS.map((offer, i) => [offer, i + 1]));
    let heard = 0;
    const curve = wholeCurve(demand, prices, solve, () => ++heard < 3);
    expect(heard).toBe(3);
    expect(curve.ok && curve.value).toHaveLength(3);
  });
});

describe("odd money", () => {
  const demand: Demand[] = [
    { unit: "u", weight: 4, sets: [["a"]] },
    { unit: "v", weight: 2, sets: [["b"], ["c"]] },
  ];
  const prices = new Map([
    ["a", 1200],
    ["b", 0],
    ["c", 0],
    ["d", 0],
  ]);
  it("what costs nothing is got where it frees something, once, and begins the curve", () => {
    const best = bestPurchase(demand, prices, 0, solve);
    expect(best.ok && best.value).toMatchObject({ money: 0, weight: 2, units: ["v"] });
    expect(best.ok && best.value.offers).toHaveLength(1);
    const curve = wholeCurve(demand, prices, solve);
    expect(curve.ok && curve.value.map((p) => [p.money, p.weight, p.offers.length])).toEqual([
      [0, 2, 1],
      [1200, 6, 2],
    ]);
  });
  it.each([
    [-1, 0],
    [Number.NaN, 0],
    [1199.99, 2],
    [1200.5, 6],
    [1e21, 6],
    [Number.POSITIVE_INFINITY, 6],
    [undefined, 6],
  ])("a budget of %s frees %s", (budget, weight) => {
    expect(bestPurchase(demand, prices, budget, solve)).toMatchObject({ ok: true, value: { weight } });
  });
});

it("a radio waiting for a safety fix weighs as much as two that wait for another fix, or four of routine", () => {
  expect(FREED_WEIGHT).toEqual({ safety: 4, fix: 2, routine: 1 });
});
