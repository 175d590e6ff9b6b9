// Scheme "dated": a real calendar date in the model's pattern, then perhaps a build number or a letter.
import { dateOf } from "../../quantities/index.ts";
import { compareText, compareWhole, type Order, wholeNumber } from "../digits.ts";

export const DATE_PATTERNS = ["yyyymmdd", "yymmdd", "ddmmyyyy", "ddmmyy"] as const;
export type DatePattern = (typeof DATE_PATTERNS)[number];

export type DatedKey = {
  readonly date: string;
  readonly build: { readonly as: "none" | "number" | "letter"; readonly text: string };
};

const PART = "[./-]?";
const BUILD = "(?:[ ._-]?(?:(\\d+)|([a-z])))?$";
/** After a year of two digits, digits that follow at once would be the rest of the year. */
const PARTED_BUILD = "(?:[ ._-](\\d+)|[ ._-]?([a-z]))?$";
const SHAPES: Record<DatePattern, RegExp> = {
  yyyymmdd: new RegExp(`^(\\d{4})${PART}(\\d{2})${PART}(\\d{2})${BUILD}`),
  yymmdd: new RegExp(`^(\\d{2})${PART}(\\d{2})${PART}(\\d{2})${PARTED_BUILD}`),
  ddmmyyyy: new RegExp(`^(\\d{2})${PART}(\\d{2})${PART}(\\d{4})${BUILD}`),
  ddmmyy: new RegExp(`^(\\d{2})${PART}(\\d{2})${PART}(\\d{2})${PARTED_BUILD}`),
};

/** A readout that is a date in the given pattern; undefined for anything else, also for days that do not exist. */
export function readDated(cleaned: string, pattern: DatePattern): DatedKey | undefined {
  const parts = SHAPES[pattern].exec(cleaned);
  if (!parts) return undefined;
  const yearFirst = pattern.startsWith("y");
  const year = Number(yearFirst ? parts[1] : parts[3]);
  const date = dateOf(
    pattern.includes("yyyy") ? year : 2000 + year,
    Number(parts[2]),
    Number(yearFirst ? parts[3] : parts[1]),
  );
  if (!date) return undefined;
  if (parts[4] !== undefined) return { date, build: { as: "number", text: wholeNumber(parts[4]) } };
  if (parts[5] !== undefined) return { date, build: { as: "letter", text: parts[5] } };
  return { date, build: { as: "none", text: "" } };
}

/** Date, then build. A date alone comes before its builds; a numbered and a lettered build cannot be ordered. */
export function compareDated(a: DatedKey, b: DatedKey): Order | undefined {
  const byDate = compareText(a.date, b.date);
  if (byDate !== 0) return byDate;
  if (a.build.as === b.build.as) {
    return a.build.as === "number"
      ? compareWhole(a.build.text, b.build.text)
      : compareText(a.build.text, b.build.text);
  }
  if (a.build.as === "none") return -1;
  if (b.build.as === "none") return 1;
  return undefined;
}
