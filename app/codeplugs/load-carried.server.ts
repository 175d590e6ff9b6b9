// Which radios carry what, and how the plan lies in each model.

import { planTroubles, stripsOf } from "#core/codeplug/index.ts";
import { groupBy, mustFind } from "#core/quantities/index.ts";
import { countsOf } from "#core/unit/index.ts";
import { carried, codeplugFactsOf, MOST_TAGS, planDraft, planNow, tablesOf } from "#db/codeplug/index.ts";
import { modelsToPick, modesById } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";

export async function loadCarried(tx: Tx) {
  const plan = await planNow(tx);
  const [draft, tables, facts, rows, modes, models] = await Promise.all([
    planDraft(tx),
    plan ? tablesOf(tx, plan.id) : [],
    codeplugFactsOf(tx),
    carried(tx),
    modesById(tx),
    modelsToPick(tx),
  ]);
  const capacity = new Map(facts.map((row) => [row.model_id, row.facts.capacity]));
  const ofModel = groupBy(rows, (row) => row.model_id);
  return {
    plan: plan && {
      number: plan.number,
      note: plan.note,
      by: plan.by,
      issued: plan.issued_at?.toISOString() ?? "",
      blocks: (tables[0]?.laid.blocks ?? []).map(({ name, of }) => {
        const block = plan.blocks.find((one) => one.name === name);
        return { name, of, purpose: block?.purpose ?? "", priority: block?.priority ?? 1 };
      }),
    },
    /** Channels of the plan that is being made; absent: none is. */
    drafted: draft?.blocks.reduce((sum, { members }) => sum + members.length, 0),
    models: facts.map(({ model_id: id }) => {
      const table = tables.find((one) => one.model_id === id);
      return {
        id,
        name: mustFind(models, id).name,
        capacity: capacity.get(id) ?? 0,
        table: table?.id,
        count: table?.laid.channels.length ?? 0,
        strips: table ? stripsOf(table.laid) : [],
        carried: countsOf(ofModel.get(id) ?? [], plan?.number, MOST_TAGS),
      };
    }),
    troubles: planTroubles(
      tables.map(({ model, model_id, laid }) => ({
        model,
        laid,
        modes: (ofModel.get(model_id) ?? []).flatMap((row) => {
          const mode = row.plan === plan?.number && row.mode_id ? modes.get(row.mode_id) : undefined;
          return mode ? [{ mode, units: row.units, tags: row.tags }] : [];
        }),
      })),
    ),
  };
}

export type CarriedData = Awaited<ReturnType<typeof loadCarried>>;
