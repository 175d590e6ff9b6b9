// The plan of channels as it is being changed: its blocks, how they lie in each model, and which radios it would touch.
import { type LaidTable, layTables } from "#acts/codeplug/plan-tables.ts";
import { changesOf, fitOfBlock, formOf, repeatersNear, stripsOf } from "#core/codeplug/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import {
  listed,
  planDraft,
  planNow,
  plansIssued,
  radiosWithout,
  repeaters,
  tablesOf,
} from "#db/codeplug/index.ts";
import type { Tx } from "#db/pool.ts";

/** So many issued plans are told of, and so many radios by tag. */
const MOST_ISSUED = 12;
const MOST_TAGS = 12;

export async function loadPlan(tx: Tx, today: PlainDate, asked: { readonly block: string | null }) {
  const [draft, plan] = await Promise.all([planDraft(tx), planNow(tx)]);
  const blocks = draft?.blocks ?? plan?.blocks ?? [];
  const { blocks: whole, tables: laid } = await layTables(tx, blocks, today);
  const at = Number(asked.block ?? "x");
  const chosen = blocks[at];
  const members = whole[at]?.members ?? [];
  const near = chosen?.rule && repeatersNear((await repeaters(tx)).map(listed), chosen.rule, today);
  const fits = chosen ? laid.map((table) => fitOfBlock(members, chosen.name, table.laid)) : [];
  return {
    version: draft?.version ?? 0,
    draft: draft && { number: draft.number, by: draft.by, at: draft.at.toISOString() },
    plan: plan && { number: plan.number, issued: plan.issued_at?.toISOString() ?? "" },
    issued: (await plansIssued(tx, MOST_ISSUED)).map((one) => ({
      number: one.number,
      note: one.note,
      by: one.by,
      at: one.issued_at?.toISOString() ?? "",
    })),
    blocks: blocks.map((block, i) => ({
      name: block.name,
      purpose: block.purpose,
      priority: block.priority,
      listens: block.listens,
      at: block.at,
      of: whole[i]?.members.length ?? 0,
      rule: block.rule,
    })),
    models: laid.map(({ row, laid: table, mode }) => ({
      id: row.model_id,
      name: row.model,
      capacity: row.facts.capacity,
      mode,
      count: table.channels.length,
      strips: stripsOf(table),
    })),
    chosen: chosen && {
      index: at,
      members: members.map((member, i) => ({
        name: member.name,
        receive: member.receive,
        transmit: member.transmit,
        digital: member.digital,
        form: formOf(member),
        /** In the order of the models. */
        fits: fits.map((fit) => fit[i]),
      })),
      others: near?.others.reduce<Record<string, number>>((counts, { why }) => {
        counts[why] = (counts[why] ?? 0) + 1;
        return counts;
      }, {}),
    },
    touched: draft && (await touchedBy(tx, laid, plan?.id)),
    changes: draft && plan ? changesOf(plan.blocks, draft.blocks) : [],
  };
}

/** Whose table would be another, and the radios that would need it then. */
async function touchedBy(tx: Tx, laid: readonly LaidTable[], plan: string | undefined) {
  const before = new Map((plan ? await tablesOf(tx, plan) : []).map((table) => [table.model_id, table]));
  const tables = laid.filter(({ laid: table }) => table.channels.length > 0);
  const changed = tables.filter(({ row, sum }) => before.get(row.model_id)?.sum !== sum);
  const radios = await radiosWithout(
    tx,
    tables.map(({ row, sum }) => ({ model: row.model_id, sum })),
    MOST_TAGS,
  );
  return {
    models: changed.map((table) => table.row.model),
    radios,
  };
}

export type PlanData = Awaited<ReturnType<typeof loadPlan>>;
