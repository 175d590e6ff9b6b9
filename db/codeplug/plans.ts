// Statements about the club's plan of channels: its revisions, the draft, and the tables that they come to for each model.
import { z } from "zod";
import {
  type CodeplugFacts,
  codeplugChannel,
  codeplugFacts,
  type LaidOut,
  planMember,
  type StoredPlan,
  storedPlan,
} from "#core/codeplug/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

const planRow = z.object({
  id: z.string(),
  number: z.number(),
  blocks: storedPlan,
  note: z.string(),
  version: z.number(),
  at: z.date(),
  by: z.string(),
  issued_at: z.date().nullable(),
});
export type PlanRow = z.output<typeof planRow>;

const PLAN = `select l.id, l.number, l.blocks, l.note, l.version, l.at, p.name "by", l.issued_at from channel_plan l
  join person p on p.club_id = l.club_id and p.id = l.person_id`;

/** The plan that counts: the last one that was issued. */
export async function planNow(tx: Tx): Promise<PlanRow | undefined> {
  return (await ask(tx, planRow, `${PLAN} where l.issued_at is not null order by l.number desc limit 1`))
    .rows[0];
}

/** What is being changed and is not issued yet. */
export async function planDraft(tx: Tx, lock = false): Promise<PlanRow | undefined> {
  const { rows } = await ask(
    tx,
    planRow,
    `${PLAN} where l.issued_at is null${lock ? " for no key update of l" : ""}`,
  );
  return rows[0];
}

const planHead = planRow.omit({ blocks: true });
export async function plansIssued(tx: Tx, most: number): Promise<z.output<typeof planHead>[]> {
  const { rows } = await ask(
    tx,
    planHead,
    `select l.id, l.number, l.note, l.version, l.at, p.name "by", l.issued_at from channel_plan l
     join person p on p.club_id = l.club_id and p.id = l.person_id where l.issued_at is not null order by l.number desc limit $1`,
    [most],
  );
  return rows;
}

export async function addPlan(
  tx: Tx,
  plan: {
    readonly blocks: StoredPlan;
    readonly by: string;
    readonly note?: string;
    /** When it was issued; absent: it is a draft. */
    readonly issuedAt?: string;
  },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into channel_plan (club_id, number, blocks, note, person_id, issued_at, at)
     select current_club(), coalesce(max(number), 0) + 1, $1, $2, $3, $4, coalesce($4::timestamptz, now()) from channel_plan returning id`,
    [JSON.stringify(plan.blocks), plan.note ?? "", plan.by, plan.issuedAt ?? null],
  );
  return only(rows).id;
}

export const putDraft = (tx: Tx, id: string, blocks: StoredPlan, by: string) =>
  tx.query(
    "update channel_plan set blocks = $2, version = version + 1, person_id = $3, at = now() where id = $1 and issued_at is null",
    [id, JSON.stringify(blocks), by],
  );

export const issueDraft = (tx: Tx, id: string, note: string, by: string) =>
  tx.query(
    "update channel_plan set issued_at = now(), note = $2, person_id = $3, version = version + 1 where id = $1 and issued_at is null",
    [id, note, by],
  );

export const dropDraft = (tx: Tx) => tx.query("delete from channel_plan where issued_at is null");

const laidShape = z.object({
  channels: z.array(codeplugChannel),
  left: z.array(
    z.object({
      block: z.string(),
      member: planMember,
      why: z.enum(["deaf", "digital", "no-transmit", "tone", "name", "full"]),
    }),
  ),
  listening: z.array(z.number()),
  cut: z.array(z.object({ position: z.number(), name: z.string() })),
  blocks: z.array(z.object({ name: z.string(), from: z.number(), kept: z.number(), of: z.number() })),
}) satisfies z.ZodType<LaidOut>;

const tableRow = z.object({
  id: z.string(),
  plan_id: z.string(),
  number: z.number(),
  model_id: z.string(),
  model: z.string(),
  laid: laidShape,
  sum: z.string(),
  sha256: z.string(),
});
export type PlanTableRow = z.output<typeof tableRow>;
const TABLE = `select t.id, t.plan_id, l.number, t.model_id, m.name model, t.laid, t.sum, t.sha256 from plan_table t
  join channel_plan l on l.club_id = t.club_id and l.id = t.plan_id join model m on m.club_id = t.club_id and m.id = t.model_id`;

/** The tables of a revision, by the names of the models. */
export async function tablesOf(tx: Tx, plan: string, model?: string): Promise<PlanTableRow[]> {
  const { rows } = await ask(
    tx,
    tableRow,
    `${TABLE} where t.plan_id = $1 and ($2::bigint is null or t.model_id = $2) order by m.kind, m.name collate natural_order`,
    [plan, model ?? null],
  );
  return rows;
}

export async function tableById(tx: Tx, id: string): Promise<PlanTableRow | undefined> {
  return (await ask(tx, tableRow, `${TABLE} where t.id = $1`, [id])).rows[0];
}

export async function addPlanTable(
  tx: Tx,
  table: {
    readonly plan: string;
    readonly model: string;
    readonly laid: LaidOut;
    readonly sum: string;
    readonly sha256: string;
  },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into plan_table (club_id, plan_id, model_id, laid, sum, sha256) values (current_club(), $1, $2, $3, $4, $5) returning id`,
    [table.plan, table.model, JSON.stringify(table.laid), table.sum, table.sha256],
  );
  return only(rows).id;
}

const factsRow = z.object({
  model_id: z.string(),
  maker: z.string(),
  model: z.string(),
  facts: codeplugFacts,
  mode_id: z.string().nullable(),
});
export type CodeplugFactsRow = z.output<typeof factsRow>;

/** What is known of the codeplugs of models: of all that are not shelved, those first of which there are the most radios; or of one. */
export async function codeplugFactsOf(tx: Tx, model?: string): Promise<CodeplugFactsRow[]> {
  const { rows } = await ask(
    tx,
    factsRow,
    `select f.model_id, m.maker, m.name model, f.facts, f.mode_id from codeplug_facts f
     join model m on m.club_id = f.club_id and m.id = f.model_id
     where m.shelved_at is null and ($1::bigint is null or f.model_id = $1)
     order by (select count(*) from unit u where u.club_id = f.club_id and u.model_id = f.model_id and u.shelved_at is null) desc,
       m.name collate natural_order`,
    [model ?? null],
  );
  return rows;
}

export const putCodeplugFacts = (tx: Tx, model: string, facts: CodeplugFacts, mode: string | undefined) =>
  tx.query(
    `insert into codeplug_facts (club_id, model_id, facts, mode_id) values (current_club(), $1, $2, $3)
     on conflict (club_id, model_id) do update set facts = excluded.facts, mode_id = excluded.mode_id`,
    [model, JSON.stringify(facts), mode ?? null],
  );
