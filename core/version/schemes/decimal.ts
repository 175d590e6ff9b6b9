// Scheme "decimal": the whole version is one decimal fraction, so 1.3 = 1.30 > 1.26; then a letter.
import { compareText, compareWhole, firstOf, type Order, wholeNumber } from "../digits.ts";

export type DecimalKey = { readonly whole: string; readonly fraction: string; readonly letter: string };

const SHAPE = /^(\d+)\.(\d+)([a-z]?)$/;

/** A readout that is a decimal number, perhaps with a letter: "1.10b"; undefined for anything else. */
export function readDecimal(cleaned: string): DecimalKey | undefined {
  const parts = SHAPE.exec(cleaned);
  if (!parts) return undefined;
  return {
    whole: wholeNumber(parts[1] ?? ""),
    fraction: withoutTrailingZeros(parts[2] ?? ""),
    letter: parts[3] ?? "",
  };
}

function withoutTrailingZeros(digits: string): string {
  let end = digits.length;
  while (end > 0 && digits[end - 1] === "0") end--;
  return digits.slice(0, end);
}

/** As decimals: 1.1 equals 1.10, and 1.9 is more than 1.14. A letter counts last. */
export const compareDecimal = (a: DecimalKey, b: DecimalKey): Order =>
  firstOf(
    compareWhole(a.whole, b.whole),
    compareText(a.fraction, b.fraction),
    compareText(a.letter, b.letter),
  );
