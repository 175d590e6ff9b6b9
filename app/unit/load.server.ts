// What the unit's page and the answer-as-you-type both need: the unit, its facts, its catalogue, its policy.
import type { Catalogue } from "#core/firmware/catalogue.ts";
import type { Policy } from "#core/firmware/policy.ts";
import { type KnownUnit, loadFacts, policyOf } from "#db/facts.ts";
import type { Tx } from "#db/pool.ts";
import { type UnitRow, unitByTag } from "#db/units.ts";
import { notFound } from "../context.ts";

export type LoadedUnit = {
  readonly row: UnitRow;
  readonly facts: KnownUnit | undefined;
  readonly catalogue: Catalogue;
  readonly policy: Policy;
};

/** Throws 404 for a tag that no unit has. `facts` is undefined for a shelved unit. */
export async function loadUnit(tx: Tx, tag: string | undefined): Promise<LoadedUnit> {
  const row = await unitByTag(tx, tag ?? "");
  if (!row) throw notFound(`A radio with the tag ${(tag ?? "").slice(0, 40)}`);
  const loaded = await loadFacts(tx, { of: "units", ids: [row.id] });
  const facts = loaded.units[0];
  return {
    row,
    facts,
    catalogue: loaded.catalogues.get(row.model_id) ?? new Map(),
    policy: policyOf(loaded, { group: row.group_id }),
  };
}

export const componentsOf = (catalogue: Catalogue): { id: string; name: string }[] =>
  [...catalogue.values()].map(({ component }) => ({ id: component.id, name: component.name }));
