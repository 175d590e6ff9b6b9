// All needs of one unit, from its readings, the catalogue of its model, and its group's policy.
// Rules: core.md 2; what it leaves open is settled in docs/decisions/002 and 003.

import type { Catalogue, PreparedComponent } from "../firmware/catalogue.ts";
import { compareText } from "../firmware/digits.ts";
import type { Fact } from "../firmware/facts.ts";
import { placeReading, placingFact } from "../firmware/placing.ts";
import type { Hold, Policy } from "../firmware/policy.ts";
import { isAheadOfAll } from "../firmware/standing.ts";
import { newestReading, type Reading, type UnitFacts } from "../firmware/unit.ts";
import type { Version } from "../firmware/version.ts";
import { addDays, laterOf, type PlainDate } from "../quantities/date.ts";
import { type Call, firmwareCalls } from "./firmware.ts";
import type { Need, NeedCause } from "./need.ts";

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
    needs.push(
      readingNeed(unit, component, policy, [{ cause: "unread", from: unit.addedOn, fact: never }], []),
    );
    return;
  }
  const seen: Fact = { kind: "reading", reading: reading.id, raw: reading.raw, on: reading.on };
  const placed = placeReading(prepared, reading.raw);
  const causes = recheckCauses(unit, reading, policy);
  if (!placed.ok) causes.push({ cause: "unclear", from: reading.on, fact: placingFact(placed.problem) });
  needs.push(readingNeed(unit, component, policy, causes, [seen]));
  if (!placed.ok) return;
  const version = placed.value;
  for (const call of rememberedCalls(prepared, unit, policy, version)) {
    const need = firmwareNeed(unit, component, policy, reading, call, seen);
    if (need) needs.push(need);
  }
  if (isAheadOfAll(prepared, prepared.releases, version)) {
    const hold = pastHolds(unit, policy, reading.on);
    needs.push({
      unit: unit.id,
      kind: "catalogue",
      component,
      cause: "ahead",
      urgency: "routine",
      ...hold.dates,
      targets: [],
      because: [seen, { kind: "runs-uncatalogued", version: version.cleaned }, ...hold.facts],
    });
  }
}

type ReadingCause = { readonly cause: NeedCause; readonly from: PlainDate; readonly fact: Fact };

/** Why a reading that could be placed must still be taken again: its age, a return from custody, a flash. */
function recheckCauses(unit: UnitFacts, reading: Reading, policy: Policy): ReadingCause[] {
  const { recheckAfterDays: afterDays } = policy;
  const causes: ReadingCause[] = [
    {
      cause: "stale",
      from: addDays(reading.on, afterDays),
      fact: { kind: "stale", on: reading.on, afterDays },
    },
  ];
  if (unit.backOn !== undefined && reading.on < unit.backOn) {
    causes.push({
      cause: "back-from-custody",
      from: unit.backOn,
      fact: { kind: "back-from-custody", on: unit.backOn },
    });
  }
  if (reading.source === "flash") {
    causes.push({
      cause: "flash-unconfirmed",
      from: reading.on,
      fact: { kind: "flash-unconfirmed", on: reading.on },
    });
  }
  return causes;
}

/** One need for all the causes to read a component again; the earliest gives it its date and its name. */
function readingNeed(
  unit: UnitFacts,
  component: string,
  policy: Policy,
  causes: readonly ReadingCause[],
  seen: readonly Fact[],
): Need {
  const inOrder = causes.length === 1 ? causes : [...causes].sort((a, b) => compareText(a.from, b.from));
  const [first] = inOrder;
  if (!first) throw new Error("a reading need has a cause");
  const hold = pastHolds(unit, policy, first.from);
  return {
    unit: unit.id,
    kind: "reading",
    component,
    cause: first.cause,
    urgency: "routine",
    ...hold.dates,
    targets: [],
    because: [...seen, ...inOrder.map((c) => c.fact), ...hold.facts],
  };
}

function firmwareNeed(
  unit: UnitFacts,
  component: string,
  policy: Policy,
  reading: Reading,
  call: Call,
  seen: Fact,
): Need | undefined {
  const start = call.start ?? laterOf(reading.on, call.notBefore ?? reading.on);
  const hold = pastHolds(unit, policy, start, call.safetyFrom);
  if (call.end !== undefined && hold.dates.dueFrom >= call.end) return undefined;
  return {
    unit: unit.id,
    kind: "firmware",
    component,
    cause: call.cause,
    urgency: call.urgency,
    ...hold.dates,
    ...(call.end !== undefined && { dueTo: call.end }),
    targets: call.targets,
    because: [seen, ...call.because, ...hold.facts],
  };
}

/** A date moved past the holds on the unit and its group; a safety fix breaks through, unless the policy says otherwise. */
function pastHolds(
  unit: UnitFacts,
  policy: Policy,
  from: PlainDate,
  safety?: Call["safetyFrom"],
): { dates: Pick<Need, "dueFrom" | "heldFrom">; facts: readonly Fact[] } {
  if (!unit.hold && !policy.hold) return { dates: { dueFrom: from }, facts: [] };
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
  return { dates: { dueFrom: moved, ...(moved > from && { heldFrom: from }) }, facts };
}

/**
 * Firmware calls are the same for all units of one revision and region that run one version under one policy. (Placing
 * answers the same version object for the same readout, so the object itself is the key.)
 */
function rememberedCalls(
  prepared: PreparedComponent,
  unit: UnitFacts,
  policy: Policy,
  version: Version,
): readonly Call[] {
  let byPolicy = remembered.get(prepared);
  if (!byPolicy) {
    byPolicy = new WeakMap();
    remembered.set(prepared, byPolicy);
  }
  let byVersion = byPolicy.get(policy);
  if (!byVersion) {
    byVersion = new Map();
    byPolicy.set(policy, byVersion);
  }
  let calls = byVersion.get(version);
  if (!calls) {
    calls = new Map();
    byVersion.set(version, calls);
  }
  const { hardwareRevision, region } = unit;
  const fit =
    hardwareRevision === undefined && region === undefined
      ? ""
      : `${hardwareRevision ?? ""}\n${region ?? ""}`;
  let found = calls.get(fit);
  if (!found) {
    found = firmwareCalls(prepared, unit, policy, version);
    calls.set(fit, found);
  }
  return found;
}
type CallsByFit = Map<string, readonly Call[]>;
/** Catalogues are kept for long, policies are read anew with every request: neither may hold on to the other. */
const remembered = new WeakMap<PreparedComponent, WeakMap<Policy, Map<Version, CallsByFit>>>();
