// A part that should run another release than it runs.
import { kept, laterOf } from "../../quantities/index.ts";
import type { PreparedComponent } from "../../release/index.ts";
import { dayOf, type Policy, type UnitFacts } from "../../unit/index.ts";
import type { Version } from "../../version/index.ts";
import { CALL_CAUSES, type Call, type CallCause, firmwareCalls } from "../calls.ts";
import { pastHolds } from "../holds.ts";
import { ending } from "./ending.ts";
import { defineNeed, type NeedOf, type SeenPart } from "./kind.ts";

export type FirmwareNeed = NeedOf<"firmware", CallCause>;

export const firmware = defineNeed({
  kind: "firmware",
  causes: CALL_CAUSES,
  followsStanding: true,
  reasons: [],
  doings: {
    install: { due: 10, bench: "update" },
    kit: { due: 90 },
    "no-route": { due: 110 },
  },
  here: { ready: "install", kit: "kit", "no-route": "no-route", "look-up": "look-up" },
  away: "ask-back",
  forHolder: "bring-it",
  items: { install: 10, "at-bench": 11, kit: 20, "no-route": 120 },
  itemsOf: ({ action }, unit) => [action === "install" && unit?.atBench ? "at-bench" : action],
});

/** Up to two: where a pin lapses, what holds until then and what holds from then on. */
export function* firmwareNeeds(part: SeenPart, version: Version): Generator<FirmwareNeed> {
  for (const call of rememberedCalls(part.prepared, part.unit, part.policy, version)) {
    const need = needFor(part, call);
    if (need) yield need;
  }
}

function needFor({ unit, policy, component, reading, seen }: SeenPart, call: Call): FirmwareNeed | undefined {
  const plain: FirmwareNeed = {
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
  const byVersion = kept(remembered, policy, () => new Map<Version, KnownCalls>());
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
