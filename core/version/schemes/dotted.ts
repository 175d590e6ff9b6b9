// Scheme "dotted": 1.12, 1.12b, 2_0, 1.12-beta2. Number by number, then letter, then pre-release mark.
import {
  compareNumbers,
  compareText,
  compareWhole,
  firstOf,
  type Order,
  orderOf,
  wholeNumber,
} from "../digits.ts";

export type DottedKey = {
  readonly numbers: readonly string[];
  readonly letter: string;
  readonly mark: "alpha" | "beta" | "rc" | "";
  readonly markNumber: string;
};

const SHAPE = /^(\d+(?:[._]\d+)*)([a-z]?)(?:[-_ .](alpha|beta|rc)(\d*))?$/;
const MARKS = ["alpha", "beta", "rc", ""] as const;

/** A readout of numbers between dots, perhaps with a letter or a mark such as rc2; undefined for anything else. */
export function readDotted(cleaned: string): DottedKey | undefined {
  const parts = SHAPE.exec(cleaned);
  if (!parts) return undefined;
  const mark = MARKS.find((m) => m === parts[3]) ?? "";
  return {
    numbers: (parts[1] ?? "").split(/[._]/).map(wholeNumber),
    letter: parts[2] ?? "",
    mark,
    markNumber: wholeNumber(parts[4] ?? ""),
  };
}

/** Number by number, then letter, then mark: a release comes after its candidates. */
export function compareDotted(a: DottedKey, b: DottedKey): Order {
  return firstOf(
    compareNumbers(a.numbers, b.numbers),
    compareText(a.letter, b.letter),
    orderOf(MARKS.indexOf(a.mark) - MARKS.indexOf(b.mark)),
    compareWhole(a.markNumber, b.markNumber),
  );
}
