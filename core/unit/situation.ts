// One unit with what is needed to say how it stands.
import type { PlainDate } from "../quantities/index.ts";
import type { Catalogue } from "../release/index.ts";
import type { Policy } from "./policy.ts";
import type { UnitFacts } from "./unit.ts";

/** A unit, the catalogue of its model (without components where none are noted), its group's policy, and the day asked about. */
export type Situation<Unit extends UnitFacts = UnitFacts> = {
  readonly unit: Unit;
  readonly catalogue: Catalogue;
  readonly policy: Policy;
  readonly today: PlainDate;
};
