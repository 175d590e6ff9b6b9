// Hashing a password is meant to be hard work: so few at once, a short line of those who wait, and no more than that. Otherwise whoever sends
// a hundred sign-ins holds up every other page.
export class TooBusy extends Error {
  override readonly name = "TooBusy";
}

export const SAYS_BUSY = "Many people are signing in just now. Try again in a moment.";

/** Does work for at most `most` at once; `waiting` others wait for their turn, and who comes after those is refused with `TooBusy`. */
export function turnsOf(
  most: number,
  waiting: number,
): <Value>(work: () => Promise<Value>) => Promise<Value> {
  let running = 0;
  const line: (() => void)[] = [];
  return async (work) => {
    if (running >= most) {
      if (line.length >= waiting) throw new TooBusy(SAYS_BUSY);
      // Whoever leaves hands its place on, so that nobody comes in between.
      await new Promise<void>((resolve) => line.push(resolve));
    } else running++;
    try {
      return await work();
    } finally {
      const next = line.shift();
      if (next) next();
      else running--;
    }
  };
}

/** What `work` answers, or `undefined` where too many wait already. */
export async function unlessBusy<Value>(
  work: Promise<Value>,
): Promise<{ readonly value: Value } | undefined> {
  try {
    return { value: await work };
  } catch (error) {
    if (error instanceof TooBusy) return undefined;
    throw error;
  }
}
