// The search for what to get, off the page's own thread: it can take its time, tells how far it is, and can be ended.
import loadHighs from "highs";
import runtime from "highs/runtime?url";
import { bestPurchase, type Demand, type Purchase, wholeCurve } from "#core/kit/index.ts";
import { solverOf } from "#core/solve/index.ts";

export type GetOrder = {
  readonly demand: readonly Demand[];
  readonly prices: readonly (readonly [string, number])[];
  /** In the smallest coin; absent: no limit. */
  readonly budget?: number;
};

export type GetAnswer =
  | { readonly kind: "best"; readonly purchase: Purchase }
  | { readonly kind: "point"; readonly purchase: Purchase }
  | { readonly kind: "done" }
  | { readonly kind: "failed" };

const say = (answer: GetAnswer) => self.postMessage(answer);

self.onmessage = async ({ data }: MessageEvent<GetOrder>) => {
  try {
    const solve = solverOf(await loadHighs({ locateFile: () => runtime }));
    const prices = new Map(data.prices);
    const best = bestPurchase(data.demand, prices, data.budget, solve);
    if (!best.ok) return say({ kind: "failed" });
    say({ kind: "best", purchase: best.value });
    const curve = wholeCurve(data.demand, prices, solve, (purchase) => {
      say({ kind: "point", purchase });
      return true;
    });
    say({ kind: curve.ok ? "done" : "failed" });
  } catch {
    say({ kind: "failed" });
  }
};
