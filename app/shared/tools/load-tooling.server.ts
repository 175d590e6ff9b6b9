// The means of one radio's way: for each stretch of it the chains that reach into the radio.

import { type Chains, isKitKnown, toolingOfRoute } from "#core/kit/index.ts";
import { loadKit } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import type { LoadedSituation } from "#db/unit/index.ts";
import type { SignedIn } from "../../context.ts";
import type { ShownWay } from "../way.tsx";
import { kitNames, shownChains } from "./shown-chains.ts";
import type { ShownTooling } from "./tooling.tsx";

/** For each stretch of the way with the same kit, its chains. */
export async function shownTooling(
  tx: Tx,
  who: SignedIn,
  tag: string,
  situation: LoadedSituation,
  way: ShownWay | undefined,
): Promise<{ tooling: ShownTooling[]; kitKnown: boolean }> {
  const kitKnown = isKitKnown(situation.kit);
  if (!way?.result.ok || !kitKnown) return { tooling: [], kitKnown };
  const told = toolingOfRoute(way.result, situation);
  if (!("steps" in told)) return { tooling: [], kitKnown };
  const names = kitNames(await loadKit(tx), who.locale);
  const stretches: { releases: string[]; ready: boolean; chains: Chains; key: string }[] = [];
  for (const { step, chains, ready } of told.steps) {
    const version = situation.catalogue.get(step.component)?.byId.get(step.release)?.version ?? "?";
    const key = keyOf(chains);
    const last = stretches.at(-1);
    if (last?.key === key) last.releases.push(version);
    else stretches.push({ releases: [version], ready, chains, key });
  }
  return {
    tooling: stretches.map(({ releases, ready, chains }) => ({
      releases,
      ready,
      found: shownChains(chains, tag, names),
    })),
    kitKnown,
  };
}

/** Two steps go with the same kit if the same comes out best and the same is missing. */
function keyOf({ chains, near, stopped }: Chains): string {
  const [best] = chains;
  const one = best ?? near[0] ?? stopped;
  const missing = best ? [] : near[0]?.changes;
  return JSON.stringify([best !== undefined, one?.lead?.id, one?.computer.id, one?.tool?.tool, missing]);
}
