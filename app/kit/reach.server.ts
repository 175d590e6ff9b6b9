// What a thing of the kit means: which models it reaches and for what, and what would be lost without it.

import type { Chain } from "#core/kit/chain.ts";
import type { KindName } from "#core/kit/kinds/kinds.ts";
import { OPERATIONS, type Operation } from "#core/kit/shapes.ts";
import { chainsOfModel } from "#core/kit/tooling.ts";
import { loadKit, plugsOf } from "#db/kit.ts";
import { modelsToPick } from "#db/models.ts";
import type { Tx } from "#db/pool.ts";

export type Reach = {
  readonly models: readonly {
    readonly id: string;
    readonly name: string;
    /** What it is used for there. */
    readonly does: readonly Operation[];
    /** What nothing else of ours would do. */
    readonly only: readonly Operation[];
  }[];
};

const HAS: Partial<Record<KindName, (chain: Chain, id: string) => boolean>> = {
  leads: (chain, id) => chain.lead?.id === id,
  computers: (chain, id) => chain.computer.id === id,
  tools: (chain, id) => chain.tool?.tool === id,
};

/** Undefined for what is no link of a chain by itself. */
export async function loadReach(tx: Tx, kind: KindName, id: string): Promise<Reach | undefined> {
  const has = HAS[kind];
  if (!has) return undefined;
  const kit = await loadKit(tx);
  const models = await modelsToPick(tx);
  const plugs = await plugsOf(
    tx,
    models.map((m) => m.id),
    kit,
  );
  const rows = models.map(({ id: model, name }) => {
    const told = OPERATIONS.map((operation) => {
      const { chains } = chainsOfModel({ model, plugs: plugs.get(model) ?? [] }, operation, kit.prepared);
      // What is known to fail reaches nothing.
      const good = chains.filter(({ evidence }) => evidence.verdict !== "known-bad");
      const own = good.filter((chain) => has(chain, id)).length;
      return { operation, does: own > 0, only: own > 0 && own === good.length };
    });
    return {
      ...{ id: model, name },
      does: told.filter(({ does }) => does).map(({ operation }) => operation),
      only: told.filter(({ only }) => only).map(({ operation }) => operation),
    };
  });
  return { models: rows.filter(({ does }) => does.length > 0) };
}
