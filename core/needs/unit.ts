import { daysAfter, earlierOf, laterOf, type PlainDate } from "../quantities/date.ts";
import { kept } from "../quantities/memo.ts";
import type { Catalogue, PreparedComponent } from "../release/catalogue.ts";
import type { Fact } from "../unit/facts.ts";
import { type PlacingProblem, placeReading, placingFact } from "../unit/placing.ts";
import type { Policy } from "../unit/policy.ts";
import { fitOf, isAheadOfAll, readingFact } from "../unit/standing.ts";
import { dayOf, newestReading, type Reading, type UnitFacts } from "../unit/unit.ts";
import { compareText } from "../version/digits.ts";
import type { Version } from "../version/version.ts";
import { type Call, firmwareCalls } from "./firmware.ts";
import { NONE, pastHolds } from "./holds.ts";
import type { Need, NeedCause } from "./need.ts";
import { needsOfWhole } from "./whole.ts";

/** The needs of a unit: for each component at most one reading, one catalogue and (with a lapsing pin) two firmware needs; one backup; and modes. */
export function needsOf(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const needs: Need[] = [];
  for (const prepared of catalogue.values()) needsOfComponent(unit, prepared, policy, needs);
  needs.push(...needsOfWhole(unit, catalogue, policy));
  return needs;
}

/** Puts the needs of one component behind those in `needs`: no component's depend on another's. */
export function needsOfComponent(
  unit: UnitFacts,
  prepared: PreparedComponent,
  policy: Policy,
  needs: Need[] = [],
): Need[] {
  const component = prepared.component.id;
  const reading = newestReading(unit, component);
  if (!reading) {
    const never: Fact = { kind: "never-read", since: unit.addedOn };
    needs.push(readingNeed(unit, component, policy, "unread", unit.addedOn, [never]));
    return needs;
  }
  const seen = readingFact(reading);
  const placed = placeReading(prepared, reading.raw);
  const listed = firstListed(prepared, unit);
  // With nothing to compare there is nothing that another look would make clearer.
  const problem = placed.ok || listed === undefined ? undefined : placed.problem;
  // Where only the way of counting is in doubt, another look shows the same: somebody has to say how they count.
  const isUncounted = problem?.kind === "two-places";
  needs.push(recheckNeed(unit, component, policy, reading, seen, isUncounted ? undefined : problem));
  const unlisted = unlistedNeed(unit, component, policy, reading, seen, listed);
  if (unlisted) needs.push(unlisted);
  else if (isUncounted) {
    const because: Fact[] = [seen, placingFact(problem)];
    const need: Need = {
      ...{ unit: unit.id, kind: "catalogue", component, cause: "uncounted", urgency: "routine" },
      ...{ dueFrom: dayOf(reading, unit), targets: NONE, because },
    };
    needs.push(pastHolds(need, unit, policy));
  }
  if (!placed.ok) return needs;
  const version = placed.value;
  for (const call of rememberedCalls(prepared, unit, policy, version)) {
    const need = firmwareNeed(unit, component, policy, reading, call, seen);
    if (need) needs.push(need);
  }
  // Ahead of releases that are for other hardware says nothing: of its own we know none.
  if (!unlisted && isAheadOfAll(prepared, prepared.releases, version)) {
    const because: Fact[] = [seen, { kind: "runs-uncatalogued", version: version.cleaned }];
    const need: Need = {
      unit: unit.id,
      kind: "catalogue",
      component,
      cause: "ahead",
      urgency: "routine",
      dueFrom: dayOf(reading, unit),
      targets: NONE,
      because,
    };
    needs.push(pastHolds(need, unit, policy));
  }
  return needs;
}

/** The day from which a release that fits, or may fit, is known; undefined while there is none. The same for units of one kind. */
function firstListed(prepared: PreparedComponent, unit: UnitFacts): PlainDate | undefined {
  const byFit = kept(listedFirst, prepared, () => new Map<string, PlainDate | "none">());
  const { hardwareRevision, region } = unit;
  const fit =
    hardwareRevision === undefined && region === undefined
      ? ""
      : `${hardwareRevision ?? ""}\n${region ?? ""}`;
  let first = byFit.get(fit);
  if (first === undefined) {
    first = "none";
    for (const release of prepared.releases) {
      if (fitOf(release, unit) === "does-not-fit") continue;
      first = first === "none" ? release.releasedOn : earlierOf(first, release.releasedOn);
    }
    byFit.set(fit, first);
  }
  return first === "none" ? undefined : first;
}
const listedFirst = new WeakMap<PreparedComponent, Map<string, PlainDate | "none">>();

/** We know of no release for it: that is for whoever keeps the catalogue, and ends with the first that fits. */
function unlistedNeed(
  unit: UnitFacts,
  component: string,
  policy: Policy,
  reading: Reading,
  seen: Fact,
  listed: PlainDate | undefined,
): Need | undefined {
  const need: Need = {
    unit: unit.id,
    kind: "catalogue",
    component,
    cause: "unlisted",
    urgency: "routine",
    dueFrom: dayOf(reading, unit),
    targets: NONE,
    because: [seen, { kind: "none-known" }],
  };
  return ending(pastHolds(need, unit, policy), listed);
}

/** A need that stands no more from a day on; none at all if it would be due only then. */
function ending(need: Need, end: PlainDate | undefined): Need | undefined {
  if (end === undefined) return need;
  return need.dueFrom >= end ? undefined : { ...need, dueTo: end };
}

type ReadingCause = { readonly cause: NeedCause; readonly from: PlainDate; readonly fact: Fact };

/**
 * One need for all the causes to read a component again: its age, a return from custody, a flash, or that it could not be
 * placed. The earliest gives it its date and its name.
 */
function recheckNeed(
  unit: UnitFacts,
  component: string,
  policy: Policy,
  reading: Reading,
  seen: Fact,
  problem: PlacingProblem | undefined,
): Need {
  const { recheckAfterDays: afterDays } = policy;
  const on = dayOf(reading, unit);
  const from = staleFrom(reading, unit, afterDays);
  const stale: Fact = { kind: "stale", ...(reading.on && { on: reading.on }), afterDays };
  const { backOn } = unit;
  const isBack = backOn !== undefined && (reading.on === undefined || on < backOn);
  // Nearly every reading: only its age will ask for another.
  if (!isBack && reading.source !== "flash" && !problem) {
    return readingNeed(unit, component, policy, "stale", from, [seen, stale]);
  }
  const causes: ReadingCause[] = [{ cause: "stale", from, fact: stale }];
  if (isBack) {
    causes.push({
      cause: "back-from-custody",
      from: backOn,
      fact: { kind: "back-from-custody", on: backOn },
    });
  }
  if (reading.source === "flash") {
    const fact: Fact = { kind: "flash-unconfirmed", ...(reading.on && { on: reading.on }) };
    causes.push({ cause: "flash-unconfirmed", from: on, fact });
  }
  if (problem) causes.push({ cause: "unclear", from: on, fact: placingFact(problem) });
  causes.sort((a, b) => compareText(a.from, b.from));
  const first = causes[0] ?? { cause: "stale", from };
  return readingNeed(unit, component, policy, first.cause, first.from, [seen, ...causes.map((c) => c.fact)]);
}

/** The day from which a reading is too old. One whose day nobody knows is from the first; one so long good that no calendar has its end, never. */
function staleFrom(reading: Reading, unit: UnitFacts, afterDays: number): PlainDate {
  if (reading.on === undefined) return unit.addedOn;
  const from = daysAfter(reading.on, afterDays);
  return from.ok ? from.value : NEVER;
}
const NEVER = "9999-12-31" as PlainDate;

function readingNeed(
  unit: UnitFacts,
  component: string,
  policy: Policy,
  cause: NeedCause,
  dueFrom: PlainDate,
  because: readonly Fact[],
): Need {
  const need: Need = {
    unit: unit.id,
    kind: "reading",
    component,
    cause,
    urgency: "routine",
    dueFrom,
    targets: NONE,
    because,
  };
  return pastHolds(need, unit, policy);
}

function firmwareNeed(
  unit: UnitFacts,
  component: string,
  policy: Policy,
  reading: Reading,
  call: Call,
  seen: Fact,
): Need | undefined {
  const plain: Need = {
    unit: unit.id,
    kind: "firmware",
    component,
    cause: call.cause,
    urgency: call.urgency,
    dueFrom: call.start ?? laterOf(dayOf(reading, unit), call.notBefore ?? dayOf(reading, unit)),
    targets: call.targets,
    because: [seen, ...call.because],
  };
  return ending(pastHolds(plain, unit, policy, call.safetyFrom), call.end);
}

/**
 * Firmware calls are the same for all units of one revision and region that run one version under one policy. (Placing
 * answers the same version object for the same readout, and each component's versions are its own: the object is the key.)
 */
function rememberedCalls(
  prepared: PreparedComponent,
  unit: UnitFacts,
  policy: Policy,
  version: Version,
): readonly Call[] {
  let byVersion = remembered.get(policy);
  if (!byVersion) {
    byVersion = new Map();
    remembered.set(policy, byVersion);
  }
  let known = byVersion.get(version);
  if (!known) {
    known = { byFit: new Map() };
    byVersion.set(version, known);
  }
  const { hardwareRevision, region } = unit;
  if (hardwareRevision === undefined && region === undefined) {
    known.plain ??= firmwareCalls(prepared, unit, policy, version);
    return known.plain;
  }
  const fit = `${hardwareRevision ?? ""}\n${region ?? ""}`;
  let found = known.byFit.get(fit);
  if (!found) {
    found = firmwareCalls(prepared, unit, policy, version);
    known.byFit.set(fit, found);
  }
  return found;
}
/** `plain`: of units of which neither revision nor region is known. */
type KnownCalls = { plain?: readonly Call[]; readonly byFit: Map<string, readonly Call[]> };
/** Catalogues are kept for long, policies are read anew with every request: what is remembered goes with the policy. */
const remembered = new WeakMap<Policy, Map<Version, KnownCalls>>();
