// What a thing of the kit means, model by model.
import { type KindName, LINK_KINDS, type ReachOf, reachOf } from "#core/kit/index.ts";
import { loadKit, plugsOf } from "#db/kit/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";

export type Reach = {
  readonly models: readonly (ReachOf & { readonly id: string; readonly name: string })[];
};

/** Undefined for what is no link of a chain by itself. */
export async function loadReach(tx: Tx, kind: KindName, id: string): Promise<Reach | undefined> {
  const link = LINK_KINDS.find((known) => known === kind);
  if (!link) return undefined;
  const kit = await loadKit(tx);
  const models = await modelsToPick(tx);
  const plugs = await plugsOf(
    tx,
    models.map((m) => m.id),
    kit,
  );
  const rows = models.map(({ id: model, name }) => ({
    id: model,
    name,
    ...reachOf(link, id, { model, plugs: plugs.get(model) ?? [] }, kit.prepared),
  }));
  return { models: rows.filter(({ does }) => does.length > 0) };
}
