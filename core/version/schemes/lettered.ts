// Scheme "lettered": one or two letters, then numbers parted by points: B12, B7.1, AC3.
import { compareNumbers, compareText, firstOf, type Order, orderOf, wholeNumber } from "../digits.ts";

export type LetteredKey = { readonly letters: string; readonly numbers: readonly string[] };

const SHAPE = /^([a-z]{1,2})(\d+(?:\.\d+)*)$/;

/** A readout of letters followed by numbers; undefined for anything else. */
export function readLettered(cleaned: string): LetteredKey | undefined {
  const parts = SHAPE.exec(cleaned);
  if (!parts) return undefined;
  return { letters: parts[1] ?? "", numbers: (parts[2] ?? "").split(".").map(wholeNumber) };
}

/** Letters first (shorter first, then alphabet), then number by number. */
export const compareLettered = (a: LetteredKey, b: LetteredKey): Order =>
  firstOf(
    orderOf(a.letters.length - b.letters.length),
    compareText(a.letters, b.letters),
    compareNumbers(a.numbers, b.numbers),
  );
