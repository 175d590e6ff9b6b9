// Versions of systems, drivers and tools, which count number by number, against ranges.

import { kept, Memo } from "../../quantities/index.ts";
import { boundsOf, liesIn, type Range, versionReader } from "../../version/index.ts";

const reader = versionReader({ numbering: { kind: "dotted" } });
const MOST_REMEMBERED = 500;
const remembered = new WeakMap<Range, Memo<string, boolean>>();

/** True if a version lies in a range; no range takes every version, and what is no version lies in none. */
export function inRange(version: string, range: Range | undefined): boolean {
  if (!range) return true;
  const known = kept(remembered, range, () => new Memo<string, boolean>(MOST_REMEMBERED));
  return known.get(version, () => {
    const read = reader.read(version);
    return read.ok && liesIn(range, read.value, reader);
  });
}

/**
 * A version that lies in all of some ranges and in none of others, of those that the bounds name or lie just past one;
 * undefined if none does. A range of `undefined` is every version.
 */
export function someVersionIn(
  ranges: readonly (Range | undefined)[],
  avoided: readonly (Range | undefined)[] = [],
): string | undefined {
  const bounds = [...ranges, ...avoided].flatMap((range) => (range ? boundsOf(range) : []));
  const tries = ["1", ...bounds, ...bounds.map((bound) => `${bound}.1`), "0"];
  return tries.find(
    (version) =>
      ranges.every((range) => inRange(version, range)) && !avoided.some((range) => inRange(version, range)),
  );
}
