// The fewest cuts that part every two members of a set: each cut has some of them on one side and the rest on the other.

export type Cut = {
  /** Those on one side of it. */
  readonly members: readonly string[];
  /** One that is taken only where nothing else parts what it parts. */
  readonly outside: boolean;
};

/** So many members a mask has room for. */
const MOST = 30;
/** Up to so many members the answer is exact, whatever it takes; beyond that so many steps are tried, some tens of milliseconds. */
const EXACT = 12;
const MOST_STEPS = 2000;

type Masked = { readonly place: number; readonly mask: number; readonly outside: boolean };

/**
 * Places of the cuts to take: the least number of those outside, then the least number at all. Every two members must be parted by some cut.
 * By more and more allowed, refining the parts; a part of more than 2^n members cannot be parted by n cuts, and what was found to lead nowhere
 * is not tried again. Exact up to twelve members. Beyond that, where so many steps do not lead to the end, what parts the most is taken first, and
 * what then parts nothing any more is left out.
 */
export function fewestCuts(members: readonly string[], cuts: readonly Cut[]): readonly number[] {
  if (members.length < 2) return [];
  if (members.length > MOST) return greedily(members, cuts);
  const whole = 2 ** members.length - 1;
  const seen = new Map<number, Masked>();
  for (const [place, cut] of cuts.entries()) {
    const one = members.reduce((mask, id, i) => (cut.members.includes(id) ? mask | (1 << i) : mask), 0);
    // A cut and its other side part the same.
    const mask = one & 1 ? one : whole & ~one;
    const before = seen.get(mask);
    if (mask === whole || (before && (!before.outside || cut.outside))) continue;
    seen.set(mask, { place, mask, outside: cut.outside });
  }
  const all = [...seen.values()];
  const inside = all.filter(({ outside }) => !outside);
  const parts = inside.reduce((now, { mask }) => refined(now, mask), [whole]);
  const steps = { left: members.length <= EXACT ? Number.POSITIVE_INFINITY : MOST_STEPS };
  const outside = search(
    parts.filter((part) => count(part) > 1),
    all.filter((cut) => cut.outside),
    Number.POSITIVE_INFINITY,
    steps,
  );
  const found = outside && search([whole], all, outside.length, steps);
  return found ? found.map(({ place }) => place) : greedily(members, cuts);
}

/** The fewest cuts that part all of these, with at most `dear` of those outside; undefined if the steps do not suffice. */
function search(
  start: readonly number[],
  cuts: readonly Masked[],
  dear: number,
  steps: { left: number },
): readonly Masked[] | undefined {
  const nowhere = new Set<string>();
  const bits = new Map<number, readonly Masked[]>();
  /** Of two members, as a mask of both: what parts them. */
  const between = (pair: number): readonly Masked[] => {
    const known = bits.get(pair);
    if (known) return known;
    const found = cuts.filter(({ mask }) => (mask & pair) !== 0 && (mask & pair) !== pair);
    bits.set(pair, found);
    return found;
  };
  const from = (parts: readonly number[], allowed: number, left: number): readonly Masked[] | undefined => {
    if (parts.length === 0) return [];
    if (steps.left <= 0 || parts.some((part) => count(part) > 2 ** allowed)) return undefined;
    steps.left--;
    const key = `${allowed} ${left} ${parts.join(" ")}`;
    if (nowhere.has(key)) return undefined;
    // The two that the fewest cuts part are taken care of first.
    let least: readonly Masked[] | undefined;
    for (const part of parts)
      for (let a = part; a !== 0; a &= a - 1)
        for (let b = a & (a - 1); b !== 0; b &= b - 1) {
          const found = between((a & -a) | (b & -b));
          if (!least || found.length < least.length) least = found;
        }
    const tries = (least ?? [])
      .filter((cut) => !cut.outside || left > 0)
      .map((cut) => {
        const after = refined(parts, cut.mask);
        return { cut, after, largest: after.reduce((most, part) => Math.max(most, count(part)), 0) };
      })
      .filter(({ largest }) => largest <= 2 ** (allowed - 1))
      .sort((a, b) => a.largest - b.largest || a.after.length - b.after.length || a.cut.place - b.cut.place);
    for (const { cut, after } of tries) {
      const rest = from(after, allowed - 1, cut.outside ? left - 1 : left);
      if (rest) return [cut, ...rest];
    }
    nowhere.add(key);
    return undefined;
  };
  for (let allowed = 0; allowed <= cuts.length; allowed++) {
    const found = from(start, allowed, dear);
    if (found) return found;
    if (steps.left <= 0) return undefined;
  }
  return [];
}

/** The parts that are left to part when a cut goes through all of them, in order; a part of one member needs no more. */
const refined = (parts: readonly number[], mask: number): number[] =>
  parts
    .flatMap((part) => [part & mask, part & ~mask])
    .filter((part) => count(part) > 1)
    .sort((a, b) => a - b);

/** How many bits of a mask are set. */
function count(mask: number): number {
  let left = mask - ((mask >> 1) & 0x55555555);
  left = (left & 0x33333333) + ((left >> 2) & 0x33333333);
  return (((left + (left >> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

function greedily(members: readonly string[], cuts: readonly Cut[]): readonly number[] {
  const taken: number[] = [];
  let parts: readonly (readonly string[])[] = [members];
  const split = (part: readonly string[], cut: Cut) => {
    const inside = part.filter((id) => cut.members.includes(id));
    return [inside, part.filter((id) => !cut.members.includes(id))];
  };
  // What lies inside is exhausted before anything outside is taken.
  for (const outside of [false, true]) {
    for (;;) {
      let best: { readonly place: number; readonly gain: number } = { place: -1, gain: 0 };
      for (const [place, cut] of cuts.entries()) {
        if (cut.outside !== outside) continue;
        const gain = parts.reduce((sum, part) => {
          const [one = [], other = []] = split(part, cut);
          return sum + one.length * other.length;
        }, 0);
        if (gain > best.gain) best = { place, gain };
      }
      const cut = cuts[best.place];
      if (!cut) break;
      taken.push(best.place);
      parts = parts.flatMap((part) => split(part, cut)).filter((part) => part.length > 1);
    }
  }
  return needed(members, cuts, taken);
}

/** Without those that the others make needless, those outside first. */
function needed(
  members: readonly string[],
  cuts: readonly Cut[],
  taken: readonly number[],
): readonly number[] {
  const sides = (places: readonly number[]): number =>
    new Set(
      members.map((id) => places.map((place) => (cuts[place]?.members.includes(id) ? "1" : "0")).join("")),
    ).size;
  const whole = sides(taken);
  const isOutside = (place: number) => Number(cuts[place]?.outside === true);
  let left = [...taken];
  for (const place of [...taken].sort((a, b) => isOutside(b) - isOutside(a))) {
    const without = left.filter((one) => one !== place);
    if (sides(without) === whole) left = without;
  }
  return left;
}
