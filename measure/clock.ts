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

/** What bounds are told in, so that they mean the same on any machine: fixed work of the same kind, done in the same run. Some 10 ms where they were set. */
const TEXTS = Array.from({ length: 25_000 }, (_, i) => `text ${(i * 7919) % 25_000} of many`);
const sorting = (): Promise<number> => best(20, () => [...TEXTS].sort());

/** The same as it takes just now, beside whatever else the machine does: what was timed once, and not at its best, is held against it. */
export async function sortingNow(): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 9; i++) times.push(await best(1, () => [...TEXTS].sort()));
  return median(times);
}

/** At most so many times as long as sorting 25,000 texts. */
export const sorts = async (what: string, time: number, most: number): Promise<Measured> => {
  const base = await sorting();
  return {
    what,
    value: `${(time / base).toPrecision(2)} (${ms(time)} against ${ms(base)})`,
    asked: `at most ${most} times sorting 25,000 texts`,
    ok: time / base <= most,
  };
};

export function median(times: readonly number[]): number {
  const inOrder = [...times].sort((a, b) => a - b);
  return inOrder[Math.floor(inOrder.length / 2)] ?? Number.NaN;
}
