// Statements by which one model becomes another.

import { z } from "zod";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

/** Radios of a model, those on the shelf too, with their revision and the mode they are in by name. */
export async function radiosOf(tx: Tx, model: string) {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), tag: z.string(), on_bench: z.boolean(), mode: z.string().nullable() }),
    `select u.id, u.tag,
       exists (select from run r where r.club_id = u.club_id and r.unit_id = u.id and r.ended_at is null) on_bench,
       (select m.name from unit_mode t join mode m on m.club_id = t.club_id and m.id = t.mode_id
        where t.club_id = u.club_id and t.unit_id = u.id order by t.at desc, t.id desc limit 1) mode
     from unit u where u.model_id = $1 order by u.id for update of u`,
    [model],
  );
  return rows;
}

/** Radios, tools, devices and advice speak of the other model from now on; a revision goes along where that has one of its name. */
export async function speakOf(tx: Tx, gone: string, into: string): Promise<void> {
  await tx.query(
    `update unit u set model_id = $2, hardware_revision_id = (
       select w.id from hardware_revision h join hardware_revision w on w.club_id = h.club_id and lower(w.name) = lower(h.name)
       where h.club_id = u.club_id and h.id = u.hardware_revision_id and w.model_id = $2)
     where u.model_id = $1`,
    [gone, into],
  );
  // What a tool says of both already stays as it says it of the one that stays.
  await tx.query(
    `delete from tool_support s where s.model_id = $1 and exists (
       select from tool_support o where o.club_id = s.club_id and o.tool_id = s.tool_id and o.model_id = $2
         and o.operations @> s.operations and o.versions is not distinct from s.versions
         and o.component is not distinct from s.component and o.firmware is not distinct from s.firmware)`,
    [gone, into],
  );
  await tx.query("update tool_support set model_id = $2 where model_id = $1", [gone, into]);
  await tx.query("update pair_advice set model_id = $2 where model_id = $1", [gone, into]);
  await tx.query(
    `update device set serves = (
       select coalesce(jsonb_agg(case when s ->> 'model' = $1 then jsonb_set(s, '{model}', to_jsonb($2::text)) else s end), '[]')
       from jsonb_array_elements(serves) s
       where s ->> 'model' <> $1 or not exists (select from jsonb_array_elements(serves) o where o ->> 'model' = $2))
     where exists (select from jsonb_array_elements(serves) s where s ->> 'model' = $1)`,
    [gone, into],
  );
  await tx.query(
    `update codeplug_facts set model_id = $2, mode_id = null where model_id = $1
       and not exists (select from codeplug_facts o where o.club_id = codeplug_facts.club_id and o.model_id = $2)`,
    [gone, into],
  );
}

/** The model goes to the shelf; its address leads to the other. */
export const markMerged = (tx: Tx, gone: string, into: string) =>
  tx.query("update model set shelved_at = now(), merged_into = $2 where id = $1", [gone, into]);

/** Which model one became, through all that these became in their turn. */
export async function becameOf(tx: Tx, model: string): Promise<string | undefined> {
  const { rows } = await ask(
    tx,
    idRow,
    `with recursive became as (
       select club_id, id, merged_into from model where id = $1
       union select m.club_id, m.id, m.merged_into from became b join model m on m.club_id = b.club_id and m.id = b.merged_into)
     select id from became where merged_into is null and id <> $1`,
    [model],
  );
  return rows[0]?.id;
}
