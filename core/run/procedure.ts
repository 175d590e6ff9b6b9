// Which procedure of a dossier holds for a radio at a point of its way.
import type { Effect, Purpose, Step } from "../dossier/index.ts";
import type { Catalogue } from "../release/index.ts";
import type { State } from "../route/index.ts";
import type { UnitFacts } from "../unit/index.ts";
import { liesIn, type Range } from "../version/index.ts";

export type KnownProcedure = {
  readonly id: string;
  readonly purpose: Purpose;
  readonly effect: Effect;
  readonly title: string;
  readonly steps: readonly Step[];
  readonly minutes: number;
  readonly draft: boolean;
  /** The component, by id, and the versions for which it holds; absent: all. */
  readonly firmware?: { readonly component: string; readonly range: Range };
  /** Hardware revisions, by id, for which it holds; absent: all. */
  readonly hardwareRevisions?: readonly string[];
};

/** A unit at some point of its way: what each component runs then. */
export type Moment = {
  readonly unit: Pick<UnitFacts, "hardwareRevision">;
  readonly catalogue: Catalogue;
  readonly state: State;
};

/** Whether a procedure is for a unit at a moment: no draft, not for other hardware, not for other firmware; what is unknown speaks against nothing. */
export function holdsFor(
  procedure: Pick<KnownProcedure, "draft" | "firmware" | "hardwareRevisions">,
  { unit, catalogue, state }: Moment,
): boolean {
  const { firmware, hardwareRevisions } = procedure;
  const prepared = firmware && catalogue.get(firmware.component);
  const version = firmware && state.get(firmware.component);
  const isOtherFirmware = prepared && version && !liesIn(firmware.range, version, prepared.reader);
  const revision = unit.hardwareRevision;
  const isOtherHardware =
    hardwareRevisions !== undefined && revision !== undefined && !hardwareRevisions.includes(revision);
  return !procedure.draft && !isOtherFirmware && !isOtherHardware;
}

const NEEDS_GATES: readonly Purpose[] = ["flash", "recover", "restore", "factory-reset"];

/**
 * Whether a procedure may be gone through by itself: what flashes, erases, unlocks or changes a mode begins only behind its gates, as
 * part of a run that has them.
 */
export const needsGates = ({ purpose, effect }: Pick<KnownProcedure, "purpose" | "effect">): boolean =>
  effect !== "harmless" || NEEDS_GATES.includes(purpose);

/** The procedure for a purpose that holds at a moment: the first in the dossier's order. */
export const procedureFor = (
  purpose: Purpose,
  procedures: readonly KnownProcedure[],
  moment: Moment,
): KnownProcedure | undefined => procedures.find((one) => one.purpose === purpose && holdsFor(one, moment));
