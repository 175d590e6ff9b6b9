// The chains of one model, or of one radio as it stands: with what it gets the release it needs, or is read and written.
import { type Chains, chainsOfUnit, type Operation } from "#core/kit/index.ts";
import type { KnownKit } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { needsOfUnit } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { loadUnit, waysOf } from "../shared/load-unit.server.ts";
import { shownTooling } from "../shared/tools/load-tooling.server.ts";
import { kitNames, type ShownChains, shownChains } from "../shared/tools/shown-chains.ts";
import type { ShownTooling } from "../shared/tools/tooling.tsx";

export type ChosenRadio = {
  /** The model's id. */
  readonly id: string;
  readonly name: string;
  readonly tag?: string;
  /** To flash what a radio needs: the releases it is to get, and with what. */
  readonly toGet?: { readonly releases: readonly string[]; readonly tooling: readonly ShownTooling[] };
  /** What stops a radio before any kit does, in a sentence. */
  readonly stop?: string;
  readonly found: ShownChains;
  /** How many chains hold in all. */
  readonly all: number;
};

export function chosenModel(
  model: { readonly id: string; readonly name: string },
  chains: Chains,
  kit: KnownKit,
  who: SignedIn,
): ChosenRadio {
  return {
    ...model,
    found: shownChains(chains, model.name, kitNames(kit, who.locale)),
    all: chains.chains.length,
  };
}

/** `ofModel`: the chains of its model, for a radio that is shelved. */
export async function chosenUnit(
  tx: Tx,
  who: SignedIn,
  tag: string,
  operation: Operation,
  kit: KnownKit,
  ofModel: Chains,
): Promise<ChosenRadio> {
  const { row, situation, catalogue } = await loadUnit(tx, tag, who.today);
  const chains = situation ? chainsOfUnit(situation, operation) : ofModel;
  const chosen = {
    id: row.model_id,
    name: row.tag,
    tag: row.tag,
    found: shownChains(chains, row.tag, kitNames(kit, who.locale)),
    all: chains.chains.length,
  };
  if (!situation) return { ...chosen, stop: `${row.tag} is shelved.` };
  if (operation !== "flash") return chosen;
  const needs = await needsOfUnit(tx, row.id, who.today);
  const ways = waysOf(situation, needs, { to: undefined, keep: false });
  if (!ways.way)
    return { ...chosen, stop: `${row.tag} is to get no release now; this is how one would go in.` };
  const versionOf = (goal: { component: string; release: string }) => {
    const version = catalogue.get(goal.component)?.byId.get(goal.release)?.version ?? "?";
    return catalogue.size > 1 ? `${catalogue.get(goal.component)?.component.name ?? ""} ${version}` : version;
  };
  const releases = ways.goal.map(versionOf);
  if (!ways.way.result.ok)
    return { ...chosen, stop: `No route leads to ${releases.join(" and ")}, whatever the kit.` };
  const { tooling } = await shownTooling(tx, who, row.tag, situation, ways.way);
  return { ...chosen, toGet: { releases, tooling } };
}
