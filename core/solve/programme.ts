// Whole-number programmes as texts in the LP format, for a solver that is handed in.

export type Solution = { readonly optimal: boolean; readonly value: (variable: string) => number };
/** Solves a programme in the LP format to proven optimality. */
export type Solve = (programme: string) => Solution;

/** Things that are freed together: one of the sets must be bought whole; `sets` are places in `offers`. */
export type Group = { weight: number; readonly sets: readonly (readonly number[])[] };
/** What can be bought, what each costs, and what it frees. */
export type Programme = {
  readonly offers: readonly string[];
  readonly costs: readonly number[];
  readonly groups: readonly Group[];
};

/** A sum, broken into lines: the format has a limit to their length. */
const sum = (terms: readonly string[]): string => (terms.length === 0 ? "0 x0" : terms.join(" +\n "));
const cost = ({ costs }: Programme) => sum(costs.map((price, i) => `${price} x${i}`));
const freed = ({ groups }: Programme) => sum(groups.map((g, i) => `${g.weight} y${i}`));

/** The programme that frees the most, for so much money at most; undefined: for any. */
export const maximum = (p: Programme, budget: number | undefined): string =>
  `Maximize\n obj: ${freed(p)}\nSubject To\n${rulesOf(p)}${budget === undefined ? "" : ` money: ${cost(p)} <= ${budget}\n`}${kindsOf(p)}`;

/** The programme that frees so much for the least. */
export const cheapest = (p: Programme, weight: number): string =>
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
