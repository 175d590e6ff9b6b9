// What the units of a scope have in common, in one statement: the kit, the policies of groups, the band plan, and of their models catalogues, plugs and modes.
import { z } from "zod";
import type { Catalogue } from "#core/release/index.ts";
import { type Policy, policyShape } from "#core/unit/index.ts";
import { ask } from "../ask.ts";
import { type KnownKit, kitOf, plugsIn } from "../kit/index.ts";
import { keptCatalogues, modeFacts, SEGMENTS, segmentOf, segmentRow } from "../model/index.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";
import type { Air } from "./unit-facts.ts";

const commonRow = z.object({
  kit_stamp: z.string(),
  currency: z.string(),
  policies: z.array(z.tuple([z.string(), policyShape])),
  models: z.array(z.tuple([z.string(), z.string(), z.array(z.string()).nullable()])),
  modes: z.array(
    z.tuple([z.string(), z.string(), modeFacts.pick({ transmit: true, receive: true, fixed: true }).loose()]),
  ),
  plan: z.array(segmentRow),
});

export type LoadedCommon = {
  readonly catalogues: ReadonlyMap<string, Catalogue>;
  readonly policies: ReadonlyMap<string, Policy>;
  readonly plugs: ReadonlyMap<string, readonly string[]>;
  readonly kit: KnownKit;
  readonly air: Air;
};

/** Of the models that a condition on `model` picks. */
export async function loadCommon(tx: Tx, models: string, values: unknown[]): Promise<LoadedCommon> {
  const { rows } = await ask(
    tx,
    commonRow,
    `select id || ' ' || kit_stamp kit_stamp, currency,
       (select coalesce(json_agg(json_build_array(g.id::text, g.policy)), '[]') from unit_group g) policies,
       (select coalesce(json_agg(json_build_array(m.id::text, m.catalogue_stamp::text, m.identity -> 'plugs') order by m.id), '[]')
         from model m where ${models}) models,
       (select coalesce(json_agg(json_build_array(o.id::text, o.name, o.facts)), '[]')
         from mode o where o.model_id in (select m.id from model m where ${models})) modes,
       (select coalesce(json_agg(s), '[]') from (${SEGMENTS}) s) plan
     from club where club.id = current_club()`,
    values,
  );
  const { kit_stamp, currency, policies, models: known, modes, plan } = only(rows);
  const kit = await kitOf(tx, kit_stamp, currency);
  const stamps = known.map(([id, catalogue_stamp]) => ({ id, catalogue_stamp }));
  return {
    catalogues: await keptCatalogues(tx, stamps),
    policies: new Map(policies),
    plugs: plugsIn(
      known.map(([id, , plugs]) => ({ id, plugs })),
      kit,
    ),
    kit,
    air: {
      modes: new Map(
        modes.map(([id, name, { transmit, receive, fixed }]) => [id, { id, name, transmit, receive, fixed }]),
      ),
      plan: plan.map(segmentOf),
    },
  };
}
