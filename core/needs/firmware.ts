// The firmware need of one component: from when an admitted, fitting release calls for an install, and which one.
// It is worked out per version, policy and fit, and remembered, since many units share these.
import {
  greatestOf,
  orderRelease,
  type PlacedRelease,
  type PreparedComponent,
  URGENCIES,
  type Urgency,
  worseOf,
} from "../firmware/catalogue.ts";
import { compareText } from "../firmware/digits.ts";
import type { Fact } from "../firmware/facts.ts";
import type { FallbackRule, Policy } from "../firmware/policy.ts";
import { fitOf, isAdmitted, runningFacts, runningOf } from "../firmware/standing.ts";
import type { UnitFacts } from "../firmware/unit.ts";
import { orderVersions, type Version } from "../firmware/version.ts";
import { addDays, earlierOf, laterOf, type PlainDate } from "../quantities/date.ts";
import type { NeedCause, Target } from "./need.ts";

/** A need before the unit's own reading date and holds are laid over it. */
export type Call = {
  readonly cause: NeedCause;
  /** From the releases alone; absent: from the day of the reading. */
  readonly start: PlainDate | undefined;
  /** The later of this and the reading's day, if `start` is absent. */
  readonly notBefore?: PlainDate;
  readonly end?: PlainDate;
  /** From when a safety fix is among what is skipped: that breaks through holds. */
  readonly safetyFrom?: { readonly on: PlainDate; readonly release: string };
  readonly urgency: Urgency;
  readonly targets: readonly Target[];
  readonly because: readonly Fact[];
};

type Fitting = Pick<UnitFacts, "hardwareRevision" | "region">;

/** The releases that may be put on a unit; the same for all units of one revision and region under one policy. */
function usableFor(prepared: PreparedComponent, unit: Fitting, policy: Policy): readonly PlacedRelease[] {
  const byPolicy =
    usableReleases.get(prepared) ?? new WeakMap<Policy, Map<string, readonly PlacedRelease[]>>();
  usableReleases.set(prepared, byPolicy);
  const byFit = byPolicy.get(policy) ?? new Map<string, readonly PlacedRelease[]>();
  byPolicy.set(policy, byFit);
  const fit = `${unit.hardwareRevision ?? ""}\n${unit.region ?? ""}`;
  let found = byFit.get(fit);
  if (!found) {
    found = prepared.releases.filter(
      (r) => !r.withdrawn && isAdmitted(r, policy) && fitOf(r, unit) === "fits",
    );
    byFit.set(fit, found);
  }
  return found;
}
const usableReleases = new WeakMap<
  PreparedComponent,
  WeakMap<Policy, Map<string, readonly PlacedRelease[]>>
>();

/** What calls for an install on a unit that runs `version`, or nothing. In order of date; at most two with a pin. */
export function firmwareCalls(
  prepared: PreparedComponent,
  unit: Fitting,
  policy: Policy,
  version: Version,
): readonly Call[] {
  const usable = usableFor(prepared, unit, policy);
  const running = runningOf(prepared, version);
  const skipped: PlacedRelease[] = [];
  let byDate: PlacedRelease | undefined;
  for (const release of usable) {
    let order = orderVersions(release.read, version);
    if (order === undefined) {
      order = orderRelease(prepared, release, version)?.order;
      if (order === 1) byDate ??= release;
    }
    if (order === 1) skipped.push(release);
  }
  const facts = runningFacts(version, running);
  if (running?.withdrawn) {
    const { on } = running.withdrawn;
    return [away("withdrawn", "fix", on, prepared, usable, skipped, policy, facts)];
  }
  if (running && !isAdmitted(running, policy)) {
    const off: Fact = { kind: "not-admitted", releases: [running.id] };
    return [away("aside", "routine", undefined, prepared, usable, skipped, policy, [...facts, off])];
  }
  if (byDate) facts.push({ kind: "ordered-by-date", release: byDate.id });
  const { rule } = policy;
  if (rule.kind !== "pinned") return behindCall(prepared, skipped, rule, facts);
  const pinned = usable.find((r) => rule.releases.includes(r.id));
  const fallback = behindCall(prepared, skipped, rule.otherwise, facts);
  return pinned ? pinnedCalls(version, pinned, rule, skipped, fallback, facts) : fallback;
}

/** The unit must leave what it runs (withdrawn, or on a track not admitted), upwards if it can, else back. */
function away(
  cause: "withdrawn" | "aside",
  least: Urgency,
  notBefore: PlainDate | undefined,
  prepared: PreparedComponent,
  usable: readonly PlacedRelease[],
  skipped: readonly PlacedRelease[],
  policy: Policy,
  facts: readonly Fact[],
): Call {
  const rule = policy.rule.kind === "pinned" ? policy.rule.otherwise : policy.rule;
  const pinned = policy.rule.kind === "pinned" ? policy.rule.releases : [];
  const wanted = usable.filter((r) => pinned.includes(r.id));
  const goals = wanted.length > 0 ? wanted : skipped.length > 0 ? skipped : usable;
  return {
    cause,
    start: undefined,
    ...(notBefore && { notBefore }),
    ...safetyOf(skipped, rule),
    urgency: worseOf(least, worstOf(skipped)),
    targets: stepsOf(prepared, goals, rule),
    because: [...facts, ...newerFact(skipped), ...fixFacts(skipped), { kind: "rule", rule: policy.rule }],
  };
}

function behindCall(
  prepared: PreparedComponent,
  skipped: readonly PlacedRelease[],
  rule: FallbackRule,
  facts: readonly Fact[],
): Call[] {
  const triggers = skipped.filter((r) => calls(r, rule));
  const start = earliest(triggers.map((r) => countsFrom(r, rule)));
  if (start === undefined) return [];
  return [
    {
      cause: "behind",
      start,
      ...safetyOf(skipped, rule),
      urgency: worstOf(skipped),
      targets: trimmed(stepsOf(prepared, skipped, rule), start),
      because: [...facts, ...newerFact(skipped), ...fixFacts(skipped), { kind: "rule", rule }],
    },
  ];
}

function pinnedCalls(
  version: Version,
  pinned: PlacedRelease,
  rule: { readonly until?: PlainDate; readonly releases: string[]; readonly otherwise: FallbackRule },
  skipped: readonly PlacedRelease[],
  fallback: readonly Call[],
  facts: readonly Fact[],
): Call[] {
  const lapses = rule.until === undefined ? undefined : addDays(rule.until, 1);
  const later = lapses === undefined ? [] : fallback.map((call) => startingAt(call, lapses));
  const atPin = version.release === pinned.id || orderVersions(version, pinned.read) === 0;
  if (atPin) return later;
  const below = skipped.includes(pinned);
  const inBetween = below ? skipped.filter((r) => r.releasedOn <= pinned.releasedOn) : [];
  const pin: Call = {
    cause: "pinned",
    start: below ? pinned.releasedOn : undefined,
    notBefore: pinned.releasedOn,
    ...(lapses && { end: lapses }),
    ...safetyOf(inBetween, { kind: "newest" }),
    urgency: worstOf(inBetween),
    targets: [{ from: pinned.releasedOn, release: pinned.id }],
    because: [
      ...facts,
      ...newerFact(inBetween),
      ...fixFacts(inBetween),
      { kind: "rule", rule: { kind: "pinned", ...rule } },
    ],
  };
  const next = later[0];
  // A need that goes on without a gap when the pin lapses is one need, and keeps its age.
  if (next?.start !== undefined && next.start === lapses) {
    return [
      {
        ...pin,
        end: undefined,
        urgency: worseOf(pin.urgency, next.urgency),
        targets: [...pin.targets, ...next.targets],
      },
    ];
  }
  return [pin, ...later];
}

function startingAt(call: Call, from: PlainDate): Call {
  const start = laterOf(call.start ?? from, from);
  const safetyFrom = call.safetyFrom && { ...call.safetyFrom, on: laterOf(call.safetyFrom.on, from) };
  return { ...call, start, ...(safetyFrom && { safetyFrom }), targets: trimmed(call.targets, start) };
}

/** The day from which a release counts under a rule. */
export const countsFrom = (release: PlacedRelease, rule: FallbackRule): PlainDate =>
  rule.kind === "settled" ? addDays(release.releasedOn, rule.days) : release.releasedOn;

/** Whether skipping this release makes a need under the rule. */
function calls(release: PlacedRelease, rule: FallbackRule): boolean {
  if (rule.kind !== "fixes") return true;
  const { atLeast } = rule;
  return release.fixes.some(
    (fix) =>
      rule.tags.includes(fix.tag) ||
      (atLeast !== undefined && URGENCIES.indexOf(fix.urgency) >= URGENCIES.indexOf(atLeast)),
  );
}

/** The dates at which the greatest counting release changes, and to which. */
function stepsOf(
  prepared: PreparedComponent,
  releases: readonly PlacedRelease[],
  rule: FallbackRule,
): Target[] {
  const inOrder = releases
    .map((release) => ({ release, from: countsFrom(release, rule) }))
    .sort((a, b) => compareText(a.from, b.from));
  const steps: Target[] = [];
  let greatest: PlacedRelease | undefined;
  for (const { release, from } of inOrder) {
    const next: PlacedRelease | undefined = greatest ? greatestOf(prepared, [greatest, release]) : release;
    if (!next || next === greatest) continue;
    greatest = next;
    if (steps.at(-1)?.from === from) steps.pop();
    steps.push({ from, release: next.id });
  }
  return steps;
}

/** Steps before a date folded into one at that date. */
function trimmed(steps: readonly Target[], start: PlainDate): Target[] {
  const before = steps.filter((s) => s.from <= start).at(-1);
  const after = steps.filter((s) => s.from > start);
  return before ? [{ from: start, release: before.release }, ...after] : after;
}

const worstOf = (releases: readonly PlacedRelease[]): Urgency =>
  releases.reduce<Urgency>((worst, r) => worseOf(worst, r.worst), "routine");

const earliest = (dates: readonly PlainDate[]): PlainDate | undefined =>
  dates.length === 0 ? undefined : dates.reduce(earlierOf);

function safetyOf(skipped: readonly PlacedRelease[], rule: FallbackRule): Pick<Call, "safetyFrom"> {
  const [first] = skipped
    .filter((r) => r.worst === "safety")
    .map((r) => ({ on: countsFrom(r, rule), release: r.id }))
    .sort((a, b) => compareText(a.on, b.on));
  return first ? { safetyFrom: first } : {};
}

/** What is skipped, in short: needs are stored by the hundred thousand, and the unit's page names them all anyway. */
function newerFact(skipped: readonly PlacedRelease[]): Fact[] {
  const inOrder = [...skipped].sort((a, b) => compareText(a.releasedOn, b.releasedOn));
  const [first] = inOrder;
  const latest = inOrder.at(-1);
  if (!first || !latest) return [];
  return [{ kind: "skips", count: skipped.length, first: first.id, latest: latest.id }];
}

/** The first fix of each urgency above routine: these decide the need's own urgency. */
const fixFacts = (skipped: readonly PlacedRelease[]): Fact[] =>
  (["fix", "safety"] as const).flatMap((urgency) => {
    for (const release of skipped) {
      const fix = release.fixes.find((f) => f.urgency === urgency);
      if (fix) return [{ kind: "fixes", release: release.id, tag: fix.tag, urgency }];
    }
    return [];
  });
