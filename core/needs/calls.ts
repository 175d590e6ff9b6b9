// What calls for an install on one component: from when, and to which release.
// It is worked out per version, policy and fit, and remembered, since many units share these.

import { addDays, earlierOf, laterOf, type PlainDate } from "../quantities/index.ts";
import {
  orderRelease,
  type PlacedRelease,
  type PreparedComponent,
  URGENCIES,
  type Urgency,
  worseOf,
} from "../release/index.ts";
import {
  type Fact,
  type FallbackRule,
  fitOf,
  isAdmitted,
  type Policy,
  runningFacts,
  runningOf,
  type UnitFacts,
  withoutPin,
} from "../unit/index.ts";
import { compareText, orderVersions, type Version } from "../version/index.ts";
import type { Target } from "./need.ts";
import { type CountsFrom, countingUnder, refuges, stepsOf, trimmed } from "./targets.ts";

export const CALL_CAUSES = ["behind", "withdrawn", "aside", "pinned"] as const;
export type CallCause = (typeof CALL_CAUSES)[number];

/** A need before the unit's own reading date and holds are laid over it. */
export type Call = {
  readonly cause: CallCause;
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

/**
 * What calls for an install on a unit that runs `version`, or nothing. In order of date; of a pin that ends nothing remains after
 * its end: what holds until then and what holds from then on are worked out each by itself.
 */
export function firmwareCalls(
  prepared: PreparedComponent,
  unit: Fitting,
  policy: Policy,
  version: Version,
): readonly Call[] {
  const { rule } = policy;
  if (rule.kind !== "pinned") return callsUnder(prepared, unit, policy, version);
  const pins = rule.releases.some((id) => prepared.byId.has(id));
  if (!pins) return callsUnder(prepared, unit, withoutPin(policy), version);
  const pinned = callsUnder(prepared, unit, policy, version);
  if (rule.until === undefined) return pinned;
  const end = addDays(rule.until, 1);
  const before = pinned.flatMap((call) => endingAt(call, end));
  const after = callsUnder(prepared, unit, withoutPin(policy), version).map((call) => startingAt(call, end));
  const [last, next] = [before.at(-1), after[0]];
  // What the unit runs must be left all the same, pin or no pin: that is one need, and keeps its age, if it leads on at once.
  const alike = last && next && last.cause === next.cause && last.start === undefined;
  if (alike && (next.targets[0]?.from === end || last.targets.length === 0)) return [goingOn(last, next)];
  return [...before, ...after];
}

/** The calls under a policy whose pin, if it has one, does not end. */
function callsUnder(
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
  const pinned = pinnedIn(usable, policy);
  return pinned
    ? pinnedCall(version, pinned, rule, skipped, facts)
    : behindCall(prepared, skipped, rule.otherwise, facts);
}

const pinnedIn = (usable: readonly PlacedRelease[], { rule }: Policy): PlacedRelease | undefined =>
  rule.kind === "pinned" ? usable.find((r) => rule.releases.includes(r.id)) : undefined;

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
  const countsFrom = countingUnder(prepared, usable, rule);
  return {
    cause,
    start: undefined,
    ...(notBefore && { notBefore }),
    ...safetyOf(skipped, countsFrom),
    urgency: worseOf(least, worstOf(skipped)),
    targets: refuges(prepared, usable, new Set(skipped), countsFrom, pinnedIn(usable, policy)),
    because: [...facts, ...newerFact(skipped), ...fixFacts(skipped), { kind: "rule", rule: policy.rule }],
  };
}

function behindCall(
  prepared: PreparedComponent,
  skipped: readonly PlacedRelease[],
  rule: FallbackRule,
  facts: readonly Fact[],
): Call[] {
  const countsFrom = countingUnder(prepared, skipped, rule);
  const triggers = skipped.filter((r) => calls(r, rule));
  const start = earliest(triggers.flatMap((r) => countsFrom(r) ?? []));
  if (start === undefined) return [];
  return [
    {
      cause: "behind",
      start,
      ...safetyOf(skipped, countsFrom),
      urgency: worstOf(skipped),
      targets: trimmed(stepsOf(prepared, skipped, countsFrom), start),
      because: [...facts, ...newerFact(skipped), ...fixFacts(skipped), { kind: "rule", rule }],
    },
  ];
}

/** Whether newer or older than the pinned release is told by versions, never by dates. */
function pinnedCall(
  version: Version,
  pinned: PlacedRelease,
  rule: Policy["rule"],
  skipped: readonly PlacedRelease[],
  facts: readonly Fact[],
): Call[] {
  if (version.release === pinned.id || orderVersions(version, pinned.read) === 0) return [];
  const below = orderVersions(version, pinned.read) === -1;
  const upToPin = below
    ? skipped.filter((r) => r === pinned || (orderVersions(r.read, pinned.read) ?? 1) <= 0)
    : [];
  return [
    {
      cause: "pinned",
      start: below ? pinned.releasedOn : undefined,
      notBefore: pinned.releasedOn,
      ...safetyOf(upToPin, (release) => release.releasedOn),
      urgency: worstOf(upToPin),
      targets: [{ from: pinned.releasedOn, release: pinned.id }],
      because: [...facts, ...newerFact(upToPin), ...fixFacts(upToPin), { kind: "rule", rule }],
    },
  ];
}

/**
 * A call cut off at a day: nothing of it, nor of its targets, remains from then on. One that speaks from the reading on does so
 * although the first release it may lead to comes later.
 */
function endingAt(call: Call, end: PlainDate): Call[] {
  if ((call.start ?? call.notBefore ?? "") >= end) return [];
  return [{ ...call, end, targets: call.targets.filter((target) => target.from < end) }];
}

/** A call that speaks from a day on. */
function startingAt(call: Call, from: PlainDate): Call {
  const safetyFrom = call.safetyFrom && { ...call.safetyFrom, on: laterOf(call.safetyFrom.on, from) };
  const rest = { ...call, ...(safetyFrom && { safetyFrom }), targets: trimmed(call.targets, from) };
  if (call.start === undefined) return { ...rest, notBefore: laterOf(call.notBefore ?? from, from) };
  const start = laterOf(call.start, from);
  return { ...rest, start, targets: trimmed(call.targets, start) };
}

/** Two calls for the same cause, one after the other, as one. */
function goingOn(first: Call, then: Call): Call {
  const safety = [first.safetyFrom, then.safetyFrom].flatMap((one) => one ?? []);
  safety.sort((a, b) => compareText(a.on, b.on));
  return {
    ...first,
    end: undefined,
    ...(safety[0] && { safetyFrom: safety[0] }),
    urgency: worseOf(first.urgency, then.urgency),
    targets: [
      ...first.targets,
      ...then.targets.filter((target, i) => i > 0 || target.release !== first.targets.at(-1)?.release),
    ],
  };
}

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

const worstOf = (releases: readonly PlacedRelease[]): Urgency =>
  releases.reduce<Urgency>((worst, r) => worseOf(worst, r.worst), "routine");

const earliest = (dates: readonly PlainDate[]): PlainDate | undefined =>
  dates.length === 0 ? undefined : dates.reduce(earlierOf);

function safetyOf(skipped: readonly PlacedRelease[], countsFrom: CountsFrom): Pick<Call, "safetyFrom"> {
  const [first] = skipped
    .filter((r) => r.worst === "safety")
    .flatMap((r) => {
      const on = countsFrom(r);
      return on === undefined ? [] : [{ on, release: r.id }];
    })
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
