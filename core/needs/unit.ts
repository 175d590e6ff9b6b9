// All needs of one unit, from its readings, the catalogue of its model, and its group's policy.
// Rules: core.md 2; what it leaves open is settled in docs/decisions/002 and 003.

import type { Catalogue, PreparedComponent } from "../firmware/catalogue.ts";
import { compareText } from "../firmware/digits.ts";
import type { Fact } from "../firmware/facts.ts";
import { type PlacingProblem, placeReading, placingFact } from "../firmware/placing.ts";
import type { Hold, Policy } from "../firmware/policy.ts";
import { isAheadOfAll } from "../firmware/standing.ts";
import { newestReading, type Reading, type UnitFacts } from "../firmware/unit.ts";
import type { Version } from "../firmware/version.ts";
import { addDays, laterOf, type PlainDate } from "../quantities/date.ts";
import { type Call, firmwareCalls } from "./firmware.ts";
import type { Need, NeedCause, Target } from "./need.ts";

/** The needs of a unit: for each component at most one reading, one catalogue and (with a lapsing pin) two firmware needs. */
export function needsOf(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const needs: Need[] = [];
  for (const prepared of catalogue.values()) needsOfComponent(unit, prepared, policy, needs);
  return needs;
}

function needsOfComponent(unit: UnitFacts, prepared: PreparedComponent, policy: Policy, needs: Need[]): void {
  const component = prepared.component.id;
  const reading = newestReading(unit, component);
  if (!reading) {
    const never: Fact = { kind: "never-read", since: unit.addedOn };
    needs.push(readingNeed(unit, component, policy, "unread", unit.addedOn, [never]));
    return;
  }
  const seen: Fact = { kind: "reading", reading: reading.id, raw: reading.raw, on: reading.on };
  const placed = placeReading(prepared, reading.raw);
  needs.push(recheckNeed(unit, component, policy, reading, seen, placed.ok ? undefined : placed.problem));
  if (!placed.ok) return;
  const version = placed.value;
  for (const call of rememberedCalls(prepared, unit, policy, version)) {
    const need = firmwareNeed(unit, component, policy, reading, call, seen);
    if (need) needs.push(need);
  }
  if (isAheadOfAll(prepared, prepared.releases, version)) {
    const because: Fact[] = [seen, { kind: "runs-uncatalogued", version: version.cleaned }];
    const need: Need = {
      unit: unit.id,
      kind: "catalogue",
      component,
      cause: "ahead",
      urgency: "routine",
      dueFrom: reading.on,
      targets: NONE,
      because,
    };
    needs.push(pastHolds(need, unit, policy));
  }
}
const NONE: readonly Target[] = [];

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
  const { on } = reading;
  const from = addDays(on, afterDays);
  const stale: Fact = { kind: "stale", on, afterDays };
  const { backOn } = unit;
  const isBack = backOn !== undefined && on < backOn;
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
    causes.push({ cause: "flash-unconfirmed", from: on, fact: { kind: "flash-unconfirmed", on } });
  }
  if (problem) causes.push({ cause: "unclear", from: on, fact: placingFact(problem) });
  causes.sort((a, b) => compareText(a.from, b.from));
  const first = causes[0] ?? { cause: "stale", from };
  return readingNeed(unit, component, policy, first.cause, first.from, [seen, ...causes.map((c) => c.fact)]);
}

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
    dueFrom: call.start ?? laterOf(reading.on, call.notBefore ?? reading.on),
    targets: call.targets,
    because: [seen, ...call.because],
  };
  const need = pastHolds(plain, unit, policy, call.safetyFrom);
  if (call.end === undefined) return need;
  return need.dueFrom >= call.end ? undefined : { ...need, dueTo: call.end };
}

/** A need moved past the holds on the unit and its group; a safety fix breaks through, unless the policy says otherwise. */
function pastHolds(need: Need, unit: UnitFacts, policy: Policy, safety?: Call["safetyFrom"]): Need {
  if (!unit.hold && !policy.hold) return need;
  const from = need.dueFrom;
  const holds: { of: "unit" | "group"; hold: Hold | undefined }[] = [
    { of: "unit", hold: unit.hold },
    { of: "group", hold: policy.hold },
  ];
  const facts: Fact[] = [];
  let moved = from;
  for (const { of, hold } of holds) {
    if (!hold || hold.until < from) continue;
    moved = laterOf(moved, addDays(hold.until, 1));
    facts.push({ kind: "hold", of, until: hold.until, why: hold.why });
  }
  if (facts.length > 0 && safety && policy.safetyBreaksHold && laterOf(from, safety.on) < moved) {
    facts.push({ kind: "hold-broken", release: safety.release });
    moved = laterOf(from, safety.on);
  }
  return {
    ...need,
    dueFrom: moved,
    ...(moved > from && { heldFrom: from }),
    because: [...need.because, ...facts],
  };
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
