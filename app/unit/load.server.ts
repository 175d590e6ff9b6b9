// What the unit's page and the answer-as-you-type both need: the unit, its facts, its catalogue, its policy.
import type { Catalogue } from "#core/firmware/catalogue.ts";
import type { Policy } from "#core/firmware/policy.ts";
import { goalOfNeeds, wayOf } from "#core/firmware/way.ts";
import { laterOf, type PlainDate } from "#core/quantities/date.ts";
import type { StoredNeed } from "#db/board.ts";
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

/** The way to what the unit's open needs call for, and beside it the way to another release if one is asked for. */
export function waysOf(
  unit: KnownUnit,
  catalogue: Catalogue,
  policy: Policy,
  needs: readonly StoredNeed[],
  today: PlainDate,
  asked: { readonly to: string | undefined; readonly keep: boolean },
) {
  // What is on hold gets its way too: the one that counts on the day the hold ends.
  const day = needs.reduce((latest, need) => laterOf(latest, need.due_from), today);
  const wanted = needs.map((n) => ({ kind: n.kind, component: n.component_id, targets: n.targets }));
  const goal = goalOfNeeds(wanted, day);
  const [first] = goal.values();
  const owner = [...catalogue].find(([, prepared]) => prepared.byId.has(asked.to ?? ""));
  const other = owner && asked.to !== undefined ? new Map([...goal, [owner[0], asked.to]]) : undefined;
  return {
    goal: [...goal].map(([component, release]) => ({ component, release })),
    way: goal.size > 0 ? wayOf(unit, catalogue, policy, goal) : undefined,
    other: other && wayOf(unit, catalogue, policy, other, asked.keep),
    asked: { to: asked.to ?? first ?? "", keep: asked.keep },
    choices: [...catalogue.values()].flatMap((prepared) =>
      [...prepared.releases].reverse().map((release) => ({
        id: release.id,
        words: `${catalogue.size > 1 ? `${prepared.component.name} ` : ""}${release.version}, ${release.track}`,
      })),
    ),
  };
}
