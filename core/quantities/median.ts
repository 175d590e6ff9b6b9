// The middle of some numbers; of an even count the mean of the two in the middle; of none it is 0.
export function median(values: readonly number[]): number {
  const inOrder = [...values].sort((a, b) => a - b);
  const half = Math.floor(inOrder.length / 2);
  const upper = inOrder[half] ?? 0;
  return inOrder.length % 2 === 1 ? upper : ((inOrder[half - 1] ?? 0) + upper) / 2;
}
