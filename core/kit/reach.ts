// What a thing of the kit means: which models it reaches and for what, and what would be lost without it.
import type { Chain, PreparedKit } from "./chain/chain.ts";
import { OPERATIONS, type Operation } from "./shapes.ts";
import type { Reachable } from "./situation.ts";
import { chainsOfModel } from "./tooling.ts";

/** The things that are links of a chain by themselves. */
export const LINK_KINDS = ["leads", "computers", "tools"] as const;
export type LinkKind = (typeof LINK_KINDS)[number];

export type ReachOf = {
  /** What it is used for with that model. */
  readonly does: readonly Operation[];
  /** Of these, what nothing else of ours would do. */
  readonly only: readonly Operation[];
};

const HAS: Readonly<Record<LinkKind, (chain: Chain, id: string) => boolean>> = {
  leads: (chain, id) => chain.lead?.id === id,
  computers: (chain, id) => chain.computer.id === id,
  tools: (chain, id) => chain.tool?.tool === id,
};

/** What is done with one thing on radios of a model, whatever they run. Chains that are known to fail reach nothing. */
export function reachOf(kind: LinkKind, id: string, radio: Reachable, prepared: PreparedKit): ReachOf {
  const told = OPERATIONS.map((operation) => {
    const good = chainsOfModel(radio, operation, prepared).chains.filter(
      ({ evidence }) => evidence.verdict !== "known-bad",
    );
    const own = good.filter((chain) => HAS[kind](chain, id)).length;
    return { operation, does: own > 0, only: own > 0 && own === good.length };
  });
  return {
    does: told.filter(({ does }) => does).map(({ operation }) => operation),
    only: told.filter(({ only }) => only).map(({ operation }) => operation),
  };
}
