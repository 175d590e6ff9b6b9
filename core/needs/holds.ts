// A need moved past what holds it back.
import { addDays, laterOf, type PlainDate } from "../quantities/index.ts";
import type { Hold, Policy, UnitFacts } from "../unit/index.ts";
import type { Call } from "./calls.ts";
import type { HoldReason } from "./kinds/kind.ts";

type Holdable<Reason> = {
  readonly dueFrom: PlainDate;
  readonly heldFrom?: PlainDate;
  readonly because: readonly Reason[];
};

/** A need moved past the holds on the unit and its group; a safety fix breaks through, unless the policy says otherwise. */
export function pastHolds<Reason, Need extends Holdable<Reason | HoldReason>>(
  need: Need & Holdable<Reason | HoldReason>,
  unit: UnitFacts,
  policy: Policy,
  safety?: Call["safetyFrom"],
): Need {
  if (!unit.hold && !policy.hold) return need;
  const from = need.dueFrom;
  const holds: { of: "unit" | "group"; hold: Hold | undefined }[] = [
    { of: "unit", hold: unit.hold },
    { of: "group", hold: policy.hold },
  ];
  const facts: HoldReason[] = [];
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
