// Ranges of versions, as conditions of releases name them: ">= 1.06", "1.06 to 1.12", "< 1.14 or = 2.0".
import { bad, good, type Result } from "../quantities/index.ts";
import type { Range, Stretch } from "./range-shape.ts";
import { orderVersions, type Version, type VersionReader } from "./version.ts";

export type { Range, Stretch };

export type RangeProblem = { readonly kind: "range-unreadable"; readonly part: string };

const SIGNS = { ">=": "atLeast", "<=": "atMost", ">": "above", "<": "below" } as const;

/**
 * Reads a range as people write it. Stretches are parted by "or"; in a stretch, comparisons are parted by commas or "and";
 * "1.06 to 1.12" includes both ends, a version alone (or with "=") means just that one. "1.06 or newer", "before 2.0" and the
 * like say the same as the signs.
 * Problem: `range-unreadable` with the part that is none.
 */
export function parseRange(text: string): Result<Range, RangeProblem> {
  if (text.length > LONGEST_RANGE) return bad({ kind: "range-unreadable", part: text.slice(0, 60) });
  const range: Stretch[] = [];
  // Blanks become one first: looked for in long stretches of them, the words between would take for ever.
  for (const alternative of inSigns(text.replace(/\s+/g, " ").trim()).split(/ or /i)) {
    const stretch: Stretch = {};
    for (const part of alternative.split(/,| and /i)) {
      const read = readPart(part.trim());
      if (!read || Object.keys(read).some((key) => key in stretch)) {
        return bad({ kind: "range-unreadable", part: part.trim().slice(0, 60) });
      }
      Object.assign(stretch, read);
    }
    range.push(stretch);
  }
  return good(range);
}

const OR_NEWER =
  /(^|,|\s(?:or|and)\s) ?((?:(?! or | and )[^,<>=])+?) (?:or|and) (?:newer|later|higher|above|up|upwards)(?= ?(?:,|$| or | and ))/gi;
const OR_OLDER =
  /(^|,|\s(?:or|and)\s) ?((?:(?! or | and )[^,<>=])+?) (?:or|and) (?:older|earlier|lower|below|down)(?= ?(?:,|$| or | and ))/gi;

/** "1.06 or newer" holds an "or" of its own: it is put in signs before ranges are parted by theirs. */
const inSigns = (text: string): string =>
  text
    .replaceAll("≥", ">=")
    .replaceAll("≤", "<=")
    .replace(/(\d[^\s,<>=]*) [–—-] (?=[^\s,<>=]*\d)/g, "$1 to ")
    .replace(/(?<=\d)[–—](?=\d)/g, " to ")
    .replace(OR_NEWER, "$1 >= $2")
    .replace(OR_OLDER, "$1 <= $2")
    .trim();

/** Words that people write in place of the signs, in front of a version. */
const WORDED: readonly (readonly [RegExp, keyof Stretch])[] = [
  [/^(?:at least|from|since) (.+)$/i, "atLeast"],
  [/^(?:newer than|later than|above|after) (.+)$/i, "above"],
  [/^(?:at most|up to|until) (.+)$/i, "atMost"],
  [/^(?:older than|earlier than|before|below) (.+)$/i, "below"],
];

/** No range is as long. */
const LONGEST_RANGE = 10_000;

const DANGLING = /^(or|and|to)(\s|$)|\s(or|and|to)$/i;

function readPart(part: string): Stretch | undefined {
  if (DANGLING.test(part)) return undefined;
  const between = /^(?:from )?(\S.*?)\s+to\s+(\S.*)$/i.exec(/^up to /i.test(part) ? "" : part);
  if (between?.[1] && between[2]) return { atLeast: between[1], atMost: between[2] };
  const compared = /^(>=|<=|>|<)\s*([^<>=\s][^<>=]*)$/.exec(part);
  if (compared?.[2]) return { [SIGNS[compared[1] as keyof typeof SIGNS]]: compared[2] };
  for (const [words, end] of WORDED) {
    const worded = words.exec(part)?.[1]?.trim() ?? "";
    if (worded !== "" && !/[<>=]/.test(worded)) return { [end]: worded };
  }
  const onwards = /^([^<>=]*\d[^<>=\s]*?)(?:\+| onwards?)$/i.exec(part);
  if (onwards?.[1]) return { atLeast: onwards[1] };
  const alone = /^=?\s*([^<>=\s][^<>=]*)$/.exec(part);
  return alone?.[1] ? { atLeast: alone[1], atMost: alone[1] } : undefined;
}

/** The text that reads back as the same range. */
export const rangeText = (range: Range): string =>
  range
    .map(({ atLeast, atMost, above, below }) => {
      const closed = above === undefined && below === undefined && atLeast !== undefined;
      if (closed && atLeast === atMost) return `= ${atLeast}`;
      if (closed && atMost !== undefined) return `${atLeast} to ${atMost}`;
      const parts = [
        atLeast !== undefined && `>= ${atLeast}`,
        above !== undefined && `> ${above}`,
        atMost !== undefined && `<= ${atMost}`,
        below !== undefined && `< ${below}`,
      ];
      return parts.filter(Boolean).join(", ");
    })
    .join(" or ");

/** The versions a range names, as they are written. */
export const boundsOf = (range: Range): string[] =>
  range.flatMap((stretch) => Object.values(stretch).filter((text) => text !== undefined));

/** True if the version is known to lie in the range; what cannot be ordered against a bound does not. */
export function liesIn(range: Range, version: Version, reader: VersionReader): boolean {
  const against = (text: string | undefined, wanted: (order: number) => boolean): boolean => {
    if (text === undefined) return true;
    const read = reader.read(text);
    const order = read.ok ? orderVersions(version, read.value) : undefined;
    return order !== undefined && wanted(order);
  };
  return range.some(
    ({ atLeast, above, atMost, below }) =>
      against(atLeast, (order) => order >= 0) &&
      against(above, (order) => order > 0) &&
      against(atMost, (order) => order <= 0) &&
      against(below, (order) => order < 0),
  );
}
