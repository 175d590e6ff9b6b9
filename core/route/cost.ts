// A route’s cost as one whole number that compares like the list of its parts: installs that erase, installs, summed risk, minutes. Exact up to 1,000 installs of 1,000 minutes.
import type { Conditions } from "../release/index.ts";

const MINUTES = 2 ** 20;
const RISK = 2 ** 13;
const INSTALLS = 2 ** 10;

/** The cost of one install as one whole number that sums in the order of docs/rules.md: erasing, then installs, then risk, then minutes. */
export const costOf = (conditions: Conditions): number =>
  (((conditions.erases === "nothing" ? 0 : 1) * INSTALLS + 1) * RISK + conditions.risk) * MINUTES +
  conditions.minutes;

/** The greatest cost of as many installs, and as many that erase, as `cost` has: only risk and minutes are more. */
export const atMostAsMany = (cost: number): number => {
  const install = RISK * MINUTES;
  return (Math.floor(cost / install) + 1) * install - 1;
};

export type Cost = {
  readonly erasing: number;
  readonly installs: number;
  readonly risk: number;
  readonly minutes: number;
};

/** The parts of a summed cost. */
export function partsOf(cost: number): Cost {
  const minutes = cost % MINUTES;
  const above = Math.floor(cost / MINUTES);
  const risk = above % RISK;
  const counts = Math.floor(above / RISK);
  return { erasing: Math.floor(counts / INSTALLS), installs: counts % INSTALLS, risk, minutes };
}
