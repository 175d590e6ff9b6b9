// A separately written, slow answer for the tests: is a firmware need open on a day, and to which release?
// Versions are plain whole numbers here, so that order needs no code of ours.
export type OracleRelease = {
  readonly n: number;
  readonly day: number;
  readonly track: "factory" | "beta" | "community";
  readonly withdrawn?: number | undefined;
  readonly revision?: "A" | "B" | undefined;
  readonly safety: boolean;
  readonly watched: boolean;
};

export type OraclePolicy = {
  readonly rule: "newest" | "newest-but-one" | "settled" | "fixes";
  readonly days: number;
  readonly beta: boolean;
  readonly holdTo?: number | undefined;
  readonly breaks: boolean;
};

/** For a unit that runs `runs` (a factory release that was not withdrawn), revision A. */
export function openOn(
  releases: readonly OracleRelease[],
  runs: number,
  policy: OraclePolicy,
  day: number,
): number | undefined {
  const skipped = releases.filter(
    (r) =>
      r.n > runs &&
      r.withdrawn === undefined &&
      r.revision !== "B" &&
      (r.track === "factory" || (r.track === "beta" && policy.beta)),
  );
  const counts = (r: OracleRelease, d: number) =>
    d >= r.day + (policy.rule === "settled" ? policy.days : 0) && hasNext(skipped, r, policy, d);
  const demands = (r: OracleRelease) => policy.rule !== "fixes" || r.watched || r.safety;
  const heldOn = (d: number) => policy.holdTo !== undefined && d <= policy.holdTo;
  // Due since any day up to now on which something demanded counted, and no hold (or a broken one) stood in the way.
  let due = false;
  for (let d = 0; d <= day; d++) {
    const demanded = skipped.some((r) => counts(r, d) && demands(r));
    const broken = policy.breaks && skipped.some((r) => r.safety && counts(r, d));
    if (demanded && (!heldOn(d) || broken)) due = true;
  }
  if (!due) return undefined;
  return Math.max(...skipped.filter((r) => counts(r, day)).map((r) => r.n));
}

/** Where only the newest but one is wanted: whether a newer one is out. */
const hasNext = (some: readonly OracleRelease[], r: OracleRelease, policy: OraclePolicy, day: number) =>
  policy.rule !== "newest-but-one" || some.some((next) => next.n > r.n && next.day <= day);

export type PinnedPolicy = OraclePolicy & {
  readonly community: boolean;
  readonly pin?: { readonly n: number; readonly until?: number | undefined } | undefined;
};

/**
 * What a unit of revision A that runs `runs`, read on `readOn`, is told on one day, worked out for that day alone: why it has to be
 * changed, and to which release. Without holds. Undefined: nothing.
 */
export function toldOn(
  releases: readonly OracleRelease[],
  runs: number,
  readOn: number,
  policy: PinnedPolicy,
  day: number,
): { readonly cause: string; readonly target: number | undefined } | undefined {
  const pin =
    policy.pin && (policy.pin.until === undefined || day <= policy.pin.until) ? policy.pin.n : undefined;
  const admitted = (r: OracleRelease) =>
    r.track === "factory" ||
    (r.track === "beta" && policy.beta) ||
    (r.track === "community" && policy.community) ||
    r.n === pin;
  const usable = releases.filter((r) => r.withdrawn === undefined && r.revision !== "B" && admitted(r));
  const out = usable.filter((r) => r.day <= day);
  const counting = usable.filter(
    (r) => r.day + (policy.rule === "settled" ? policy.days : 0) <= day && hasNext(usable, r, policy, day),
  );
  const most = (some: readonly OracleRelease[]) =>
    some.length > 0 ? Math.max(...some.map((r) => r.n)) : undefined;
  const running = releases.find((r) => r.n === runs);
  const leave = (cause: string) => ({
    cause,
    target: out.some((r) => r.n === pin)
      ? pin
      : (most(counting.filter((r) => r.n > runs)) ?? most(counting) ?? most(out)),
  });
  if (running?.withdrawn !== undefined)
    return day >= Math.max(readOn, running.withdrawn) ? leave("withdrawn") : undefined;
  if (running && !admitted(running)) return day >= readOn ? leave("aside") : undefined;
  const pinned = usable.find((r) => r.n === pin);
  if (pinned) {
    if (pinned.n === runs || day < pinned.day || (pinned.n < runs && day < readOn)) return undefined;
    return { cause: "pinned", target: pinned.n };
  }
  const newer = counting.filter((r) => r.n > runs);
  const called = newer.some((r) => policy.rule !== "fixes" || r.watched || r.safety);
  return called ? { cause: "behind", target: most(newer) } : undefined;
}
