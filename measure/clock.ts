// Times work in one run: the best of a few tries, so that a busy machine does not decide.
export type Measured = {
  readonly what: string;
  readonly value: string;
  readonly asked: string;
  readonly ok: boolean;
};

export async function best(tries: number, work: () => Promise<unknown> | unknown): Promise<number> {
  let least = Number.POSITIVE_INFINITY;
  for (let i = 0; i < tries; i++) {
    const start = performance.now();
    await work();
    least = Math.min(least, performance.now() - start);
  }
  return least;
}

export const ms = (time: number): string =>
  time < 100 ? `${time.toFixed(1)} ms` : `${(time / 1000).toFixed(2)} s`;

export const ratio = (what: string, time: number, base: number, most: number): Measured => ({
  what,
  value: `${(time / base).toFixed(2)} (${ms(time)} against ${ms(base)})`,
  asked: `at most ${most}`,
  ok: time / base <= most,
});

export const under = (what: string, time: number, most: number): Measured => ({
  what,
  value: ms(time),
  asked: `under ${ms(most)}`,
  ok: time < most,
});

export function median(times: readonly number[]): number {
  const inOrder = [...times].sort((a, b) => a - b);
  return inOrder[Math.floor(inOrder.length / 2)] ?? Number.NaN;
}
