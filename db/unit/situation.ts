// The one place where everything that is told of units is loaded from: with catalogue, policy, connectors, kit and day.

import type { KitSituation, PreparedKit } from "#core/kit/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import type { Catalogue } from "#core/release/index.ts";
import { PLAIN_POLICY, type Policy } from "#core/unit/index.ts";
import type { KnownKit } from "../kit/index.ts";
import type { Tx } from "../pool.ts";
import { loadCommon } from "./common.ts";
import { type KnownUnit, loadUnits, modelsOf, type Scope, scopeCondition } from "./unit-facts.ts";

export type LoadedSituation = KitSituation<KnownUnit>;

export type Situations = {
  /** Of the units that are not shelved. */
  readonly all: readonly LoadedSituation[];
  readonly of: ReadonlyMap<string, LoadedSituation>;
  /** By model: those of the units, and that of a model that was asked for although it has none. */
  readonly catalogues: ReadonlyMap<string, Catalogue>;
  readonly kit: KnownKit;
};

/** `component`: nothing but what that one runs will be asked, so the readings of others are left out. */
export async function loadSituations(
  tx: Tx,
  scope: Scope,
  today: PlainDate,
  component?: string,
): Promise<Situations> {
  const { kit, ...shared } = await loadCommon(tx, modelsOf(scope), scopeCondition(scope).values);
  const units = await loadUnits(tx, scope, shared.air, component);
  const common = { ...shared, kit: kit.prepared };
  const all = units.map((unit) => situationOf(unit, common, today));
  return { all, of: new Map(all.map((one) => [one.unit.id, one])), catalogues: shared.catalogues, kit };
}

/** Undefined: there is no such unit, or it is shelved. */
export async function loadSituation(
  tx: Tx,
  unit: string,
  today: PlainDate,
): Promise<LoadedSituation | undefined> {
  const { all } = await loadSituations(tx, { of: "units", ids: [unit] }, today);
  return all[0];
}

/** What units of a club have in common, by model and by group. */
export type Common = {
  readonly catalogues: ReadonlyMap<string, Catalogue>;
  readonly policies: ReadonlyMap<string, Policy>;
  readonly plugs: ReadonlyMap<string, readonly string[]>;
  readonly kit: PreparedKit;
};

/** `today`: undefined where the answer does not hang on it. */
export const situationOf = <Today extends PlainDate | undefined>(
  unit: KnownUnit,
  { catalogues, policies, plugs, kit }: Common,
  today: Today,
) => ({
  unit,
  catalogue: catalogues.get(unit.model) ?? NO_COMPONENTS,
  policy: (unit.group === null ? undefined : policies.get(unit.group)) ?? PLAIN_POLICY,
  radio: { model: unit.model, plugs: plugs.get(unit.model) ?? [] },
  kit,
  today,
});
const NO_COMPONENTS: Catalogue = new Map();
