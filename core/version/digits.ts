// Whole numbers as digit strings, so that a version of any length is compared exactly.
export type Order = -1 | 0 | 1;

/** The sign of a difference. */
export const orderOf = (difference: number): Order => (difference < 0 ? -1 : difference > 0 ? 1 : 0);

/** By the code units of the texts, in no language: the same everywhere. */
export const compareText = (a: string, b: string): Order => (a < b ? -1 : a > b ? 1 : 0);

/** "007" and "7" are the same number: without leading zeros, shorter is less, then digit by digit. */
export const wholeNumber = (digits: string): string => digits.replace(/^0+/, "");

/** Whole numbers without leading zeros, however long. */
export const compareWhole = (a: string, b: string): Order =>
  a.length === b.length ? compareText(a, b) : orderOf(a.length - b.length);

/** Number by number; what is missing counts as 0. */
export function compareNumbers(a: readonly string[], b: readonly string[]): Order {
  const longest = Math.max(a.length, b.length);
  for (let i = 0; i < longest; i++) {
    const order = compareWhole(a[i] ?? "", b[i] ?? "");
    if (order !== 0) return order;
  }
  return 0;
}

/** The first order in the list that tells the two apart. */
export function firstOf(...orders: readonly Order[]): Order {
  for (const order of orders) if (order !== 0) return order;
  return 0;
}
