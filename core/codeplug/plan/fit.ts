// The blocks of a plan put into as many places as a model has: in order, each in one piece, and as much weight as can be.

export type FitBlock = {
  /** Members that the model can take, in their order: the earlier goes before the later one. */
  readonly count: number;
  /** What each of them weighs, 1 to 9. */
  readonly priority: number;
  /** It stands from this position on, counted from 1; absent: behind the block before it. */
  readonly at?: number;
};

export type Fitted = {
  /** Where the block begins, and how many of its members are in. */
  readonly from: number;
  readonly kept: number;
};

/**
 * How many members of each block are taken, and where the block begins. The greatest sum of weights that any choice has, with blocks in order, in
 * one piece and at their fixed positions; among those the one that keeps more of the earlier blocks. By dynamic programming from the last block to
 * the first, over the position that is free next.
 */
export function fitBlocks(blocks: readonly FitBlock[], capacity: number): Fitted[] {
  const places = Math.max(0, capacity);
  // From block i on, with position p free next: the greatest weight, and how many of the block it takes.
  const weight = blocks.map(() => new Float64Array(places + 2));
  const taken = blocks.map(() => new Int32Array(places + 2));
  const after = (i: number, p: number): number => (i < blocks.length ? (weight[i]?.[p] ?? 0) : 0);
  for (let i = blocks.length - 1; i >= 0; i--) {
    const block = blocks[i];
    if (!block) continue;
    for (let p = places + 1; p >= 1; p--) {
      const from = block.at === undefined ? p : Math.max(block.at, 1);
      // Nothing of it: what comes after it begins where it would have.
      let [best, most] = [after(i + 1, p), 0];
      if (from >= p) {
        const room = Math.min(block.count, places - from + 1);
        for (let kept = 1; kept <= room; kept++) {
          const sum = kept * block.priority + after(i + 1, from + kept);
          if (sum >= best) [best, most] = [sum, kept];
        }
      }
      const [sums, counts] = [weight[i], taken[i]];
      if (sums) sums[p] = best;
      if (counts) counts[p] = most;
    }
  }
  let p = 1;
  return blocks.map((block, i) => {
    const kept = taken[i]?.[p] ?? 0;
    const from = block.at === undefined || kept === 0 ? p : block.at;
    if (kept > 0) p = from + kept;
    return { from, kept };
  });
}
