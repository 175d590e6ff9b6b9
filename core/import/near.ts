// Names that are nearly the same: a slip of the hand, or two things? That is asked.
import { folded } from "./names.ts";

/** A name without what is written differently by everybody: case, blanks, signs between letters and digits. */
const bare = (name: string): string => folded(name).replace(/[^\p{L}\p{N}]/gu, "");

/** How many signs have to be put in, taken out, changed or swapped with their neighbour to make one of the other; `most + 1` for more. */
export function distance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min((last[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (last[j - 1] ?? 0) + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, (before[j - 2] ?? 0) + 1);
      row.push(least);
    }
    before = last;
    last = row;
  }
  return Math.min(last[b.length] ?? 0, most + 1);
}

/** Whether one name may be a slip of the other. Names that differ in their digits are two on purpose: there are a 3 and a 4 of most things. */
export function isNearly(one: string, other: string): boolean {
  const [a, b] = [bare(one), bare(other)];
  if (a === b) return true;
  if (a.replace(/\D/g, "") !== b.replace(/\D/g, "")) return false;
  const most = Math.min(a.length, b.length) < 5 ? 1 : 2;
  return distance(a, b, most) <= most;
}
