// Written apart from the search: the best route by trying all states, with plain comparisons of plain lists.
// Versions here are two small numbers, "1.4", or names without order.
export type PlainRange = { readonly least?: string; readonly most?: string };
export type PlainRelease = {
  readonly id: string;
  readonly component: string;
  readonly version: string;
  readonly track: "factory" | "beta" | "community";
  readonly fits: boolean;
  readonly withdrawn: boolean;
  readonly from?: PlainRange;
  readonly fromTracks?: readonly string[];
  readonly requires: readonly { readonly component: string; readonly range: PlainRange }[];
  readonly floor?: string;
  readonly erases: boolean;
  readonly risk: number;
  readonly minutes: number;
};
export type PlainCase = {
  readonly releases: readonly PlainRelease[];
  /** Version by component; absent: unread. */
  readonly state: Readonly<Record<string, string>>;
  /** Release id by component. */
  readonly goal: Readonly<Record<string, string>>;
};

type At = Readonly<Record<string, string>>;
type Way = { readonly numbers: readonly number[]; readonly ids: readonly string[] };

const numbers = (version: string) =>
  /^\d+\.\d+$/.test(version) ? version.split(".").map(Number) : undefined;

function order(a: string, b: string): number | undefined {
  if (a === b) return 0;
  const [x, y] = [numbers(a), numbers(b)];
  if (!x || !y) return undefined;
  return (x[0] ?? 0) - (y[0] ?? 0) || (x[1] ?? 0) - (y[1] ?? 0);
}

function inside(version: string | undefined, range: PlainRange): boolean {
  if (version === undefined) return false;
  const low = range.least === undefined ? 0 : order(version, range.least);
  const high = range.most === undefined ? 0 : order(version, range.most);
  return low !== undefined && high !== undefined && low >= 0 && high <= 0;
}

function can(problem: PlainCase, at: At, release: PlainRelease, tier: Tier): boolean {
  const now = at[release.component];
  if (now === release.version || !release.fits) return false;
  const isGoal = problem.goal[release.component] === release.id;
  if (release.withdrawn && !isGoal && !tier.withdrawn) return false;
  const first = problem.state[release.component];
  if (problem.goal[release.component] === undefined && !tier.lowering && first !== undefined) {
    const against = order(release.version, first);
    if (against === undefined || against < 0) return false;
  }
  if (release.from && !inside(now, release.from)) return false;
  const running = problem.releases.find((r) => r.component === release.component && r.version === now);
  if (release.fromTracks && !release.fromTracks.includes(running?.track ?? "none")) return false;
  if (running?.floor !== undefined && (order(release.version, running.floor) ?? 0) < 0) return false;
  return release.requires.every(({ component, range }) => inside(at[component], range));
}

type Tier = { readonly withdrawn: boolean; readonly lowering: boolean };

function less(a: Way, b: Way): boolean {
  for (const [i, n] of a.numbers.entries()) if (n !== b.numbers[i]) return n < (b.numbers[i] ?? 0);
  for (const [i, id] of a.ids.entries()) if (id !== b.ids[i]) return id < (b.ids[i] ?? "");
  return false;
}

const nameOf = (at: At) => JSON.stringify(Object.entries(at).sort());

function bestIn(problem: PlainCase, tier: Tier): readonly string[] | undefined {
  const ways = new Map<string, { at: At; way: Way }>();
  ways.set(nameOf(problem.state), { at: problem.state, way: { numbers: [0, 0, 0, 0], ids: [] } });
  for (let changed = true; changed; ) {
    changed = false;
    for (const { at, way } of [...ways.values()]) {
      for (const release of problem.releases) {
        if (!can(problem, at, release, tier)) continue;
        const [erasing = 0, installs = 0, risk = 0, minutes = 0] = way.numbers;
        const next = { ...at, [release.component]: release.version };
        const longer: Way = {
          numbers: [
            erasing + (release.erases ? 1 : 0),
            installs + 1,
            risk + release.risk,
            minutes + release.minutes,
          ],
          ids: [...way.ids, release.id],
        };
        const known = ways.get(nameOf(next));
        if (known && !less(longer, known.way)) continue;
        ways.set(nameOf(next), { at: next, way: longer });
        changed = true;
      }
    }
  }
  let best: Way | undefined;
  for (const { at, way } of ways.values()) {
    const there = Object.entries(problem.goal).every(
      ([component, id]) => at[component] === problem.releases.find((r) => r.id === id)?.version,
    );
    if (there && (!best || less(way, best))) best = way;
  }
  return best?.ids;
}

/** The release ids of the best route in order, or undefined if there is none. */
export function oracleRoute(problem: PlainCase): readonly string[] | undefined {
  for (const withdrawnLowering of [
    [false, false],
    [true, false],
    [false, true],
    [true, true],
  ] as const) {
    const [withdrawn, lowering] = withdrawnLowering;
    const found = bestIn(problem, { withdrawn, lowering });
    if (found) return found;
  }
  return undefined;
}

/** Whether a list of installs can be done one after the other, under the widest rules, and ends at the goal. */
export function isWay(problem: PlainCase, ids: readonly string[]): boolean {
  let at: At = problem.state;
  for (const id of ids) {
    const release = problem.releases.find((r) => r.id === id);
    if (!release || !can(problem, at, release, { withdrawn: true, lowering: true })) return false;
    at = { ...at, [release.component]: release.version };
  }
  return Object.entries(problem.goal).every(
    ([component, id]) => at[component] === problem.releases.find((r) => r.id === id)?.version,
  );
}
