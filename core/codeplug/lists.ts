// Lists that a radio refers to by position: talkgroups, contacts, scan lists. What a number means must stay what it meant.

/** A member of a list: `key` is its content (a number, an address), by which two are the same; `name` is what it is called. */
export type Member = { readonly key: string; readonly name: string };

/** A list as it stands in a radio, from position 1 on; undefined: that position is empty. */
export type PlacedList = readonly (Member | undefined)[];

export type MergedList = {
  readonly list: PlacedList;
  /** Positions of those that are not in the other list any more: they stay, so that no reference slips. */
  readonly gone: readonly number[];
  /** Positions of those that came in. */
  readonly added: readonly number[];
  /** Positions of those that are called something else now. */
  readonly renamed: readonly number[];
  /** References that would have come to mean something else, had the other list been laid over this one: the position, what it meant, what it would mean. */
  readonly broken: readonly {
    readonly position: number;
    readonly meant: string;
    readonly would: string | undefined;
  }[];
};

/**
 * What comes in is merged into what is there: who is there keeps their position, who is new goes into the first free one behind the last, who is
 * gone stays and is marked. Every reference by position means what it meant. A key that comes twice counts once, by its last name.
 */
export function mergeList(present: PlacedList, incoming: readonly Member[]): MergedList {
  const wanted = new Map(incoming.map((member) => [member.key, member]));
  const have = new Set(present.flatMap((member) => (member ? [member.key] : [])));
  const renamed: number[] = [];
  const gone: number[] = [];
  const list = present.map((member, i) => {
    if (!member) return undefined;
    const now = wanted.get(member.key);
    if (!now) gone.push(i + 1);
    else if (now.name !== member.name) renamed.push(i + 1);
    return now ? { key: member.key, name: now.name } : member;
  });
  const last = list.findLastIndex((member) => member !== undefined);
  const fresh = [...wanted.values()].filter(({ key }) => !have.has(key));
  const merged = [...list.slice(0, last + 1), ...fresh];
  const rest = list.slice(merged.length);
  const laidOver = [...wanted.values()];
  return {
    list: [...merged, ...rest],
    gone,
    renamed,
    added: fresh.map((_, i) => last + 2 + i),
    broken: present.flatMap((member, i) =>
      member && laidOver[i]?.key !== member.key
        ? [{ position: i + 1, meant: member.name, would: laidOver[i]?.name }]
        : [],
    ),
  };
}

export type Placing = {
  /** Where each comes, from position 1; in the order in which they came. */
  readonly positions: readonly number[];
  /** They could not begin where it was asked for: it is occupied, or too short there. */
  readonly shifted: boolean;
};

/**
 * Where so many go that are to stand in a row, from a position on: never over what is there. The first free run that is long enough, from there
 * on; behind everything, where none is. `most`: the last position there is; undefined is answered where nothing is left.
 */
export function importInto(
  occupied: ReadonlySet<number>,
  count: number,
  at: number,
  most: number,
): Placing | undefined {
  if (count < 1 || at < 1) return undefined;
  for (let from = at; from + count - 1 <= most; from++) {
    let free = 0;
    while (free < count && !occupied.has(from + free)) free++;
    if (free === count)
      return { positions: Array.from({ length: count }, (_, i) => from + i), shifted: from !== at };
    from += free;
  }
  return undefined;
}

export type ListDifference = {
  readonly position: number;
  /** What stood there, and what does; absent: it is empty. */
  readonly before?: string;
  readonly after?: string;
};

/** Positions at which two lists are not the same: another member, or another name of it. */
export function compareLists(
  before: readonly (Member | null | undefined)[],
  after: readonly (Member | null | undefined)[],
): ListDifference[] {
  return Array.from({ length: Math.max(before.length, after.length) }, (_, i): ListDifference[] => {
    const [a, b] = [before[i] ?? undefined, after[i] ?? undefined];
    if (a?.key === b?.key && a?.name === b?.name) return [];
    return [{ position: i + 1, ...(a && { before: a.name }), ...(b && { after: b.name }) }];
  }).flat();
}
