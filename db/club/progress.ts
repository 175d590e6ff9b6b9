// What a club has begun with: counted for what it is offered first.
import { z } from "zod";
import type { Begun } from "#core/club/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

const begunRow = z.object({
  units: z.number(),
  read: z.number(),
  unread: z.string().nullable(),
  bare: z.number(),
  bare_id: z.string().nullable(),
  bare_name: z.string().nullable(),
  connectors: z.number(),
  leads: z.number(),
  computers: z.number(),
  people: z.number(),
  unwanted: z.array(z.string()),
});

/** Counts go no further than what is asked of them needs: a thousand readings are as good as one. */
export async function clubProgress(tx: Tx): Promise<Begun & { readonly unwanted: readonly string[] }> {
  const { rows } = await ask(
    tx,
    begunRow,
    `with bare as (
       select m.id, m.name from model m
       where exists (select from unit u where u.club_id = m.club_id and u.model_id = m.id and u.shelved_at is null)
         and not exists (select from component c join release r on r.club_id = c.club_id and r.component_id = c.id
           where c.club_id = m.club_id and c.model_id = m.id))
     select (select count(*)::int from (select from unit where shelved_at is null limit 1000) few) units,
       (select count(*)::int from (select from reading where struck_at is null limit 1) few) "read",
       (select u.tag from unit u where u.shelved_at is null and not exists (
          select from reading r where r.club_id = u.club_id and r.unit_id = u.id and r.struck_at is null)
        order by u.tag collate natural_order limit 1) unread,
       (select count(*)::int from bare) bare, b.id bare_id, b.name bare_name,
       (select count(*)::int from (select from connector where shelved_at is null limit 1) few) connectors,
       (select count(*)::int from (select from lead where shelved_at is null limit 1) few) leads,
       (select count(*)::int from (select from computer where shelved_at is null limit 1) few) computers,
       (select count(*)::int from (select from person where shelved_at is null limit 2) few) people,
       c.steps_unwanted unwanted
     from club c left join lateral (select id, name from bare order by name collate natural_order limit 1) b on true`,
  );
  const [row] = rows;
  if (!row) throw new Error("there is no club");
  const { unread, bare_id: id, bare_name: name, ...rest } = row;
  return { ...rest, ...(unread !== null && { unread }), ...(id && name && { bareModel: { id, name } }) };
}

/** Answers whether something is other now. */
export async function putUnwanted(tx: Tx, step: string, isWanted: boolean): Promise<boolean> {
  const { rowCount } = await tx.query(
    `update club set steps_unwanted = case when $2 then array_remove(steps_unwanted, $1) else steps_unwanted || $1 end
     where id = current_club() and ($1 = any(steps_unwanted)) = $2`,
    [step, isWanted],
  );
  return rowCount === 1;
}

/** Whether the club is the demo, and is still offered what can be tried in it. */
export async function offersToTry(tx: Tx): Promise<boolean> {
  const { rows } = await ask(
    tx,
    z.object({ tries: z.boolean() }),
    `select not ('try' = any(c.steps_unwanted))
       and exists (select from log where kind = 'unit-added' and detail ->> 'how' = 'demo') tries from club c`,
  );
  return rows[0]?.tries === true;
}
