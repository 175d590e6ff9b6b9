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
  readonly rule: "newest" | "settled" | "fixes";
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
  const counts = (r: OracleRelease, d: number) => d >= r.day + (policy.rule === "settled" ? policy.days : 0);
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
