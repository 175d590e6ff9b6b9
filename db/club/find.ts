// Finding by a few letters.

import { z } from "zod";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const foundRow = z.object({
  kind: z.enum(["unit", "model", "person", "leads", "adapters", "antennas", "computers", "tools", "devices"]),
  id: z.string(),
  name: z.string(),
  what: z.string(),
});
export type FoundRow = z.output<typeof foundRow>;

/** Units, models, people and kit whose name begins with or holds the letters; beginnings first. */
export async function findByLetters(tx: Tx, letters: string, limit: number): Promise<FoundRow[]> {
  const { rows } = await ask(
    tx,
    foundRow,
    `select kind, id, name, what from (
       select 'unit' kind, u.id::text, u.tag name, m.name || coalesce(', ' || p.name, '') what
         from unit u join model m on m.club_id = u.club_id and m.id = u.model_id
         left join place p on p.club_id = u.club_id and p.id = u.place_id
         where u.shelved_at is null and (strpos(lower(u.tag), lower($1)) > 0 or strpos(lower(u.serial), lower($1)) > 0)
       union all
       select 'unit', u.id::text, u.tag, m.name || coalesce(', ' || p.name, '') || ', once ' || f.tag
         from (select distinct on (unit_id) club_id, unit_id, tag from former_tag
           where strpos(lower(tag), lower($1)) > 0 order by unit_id, id desc) f
         join unit u on u.club_id = f.club_id and u.id = f.unit_id
         join model m on m.club_id = u.club_id and m.id = u.model_id
         left join place p on p.club_id = u.club_id and p.id = u.place_id
         where u.shelved_at is null and strpos(lower(u.tag), lower($1)) = 0 and strpos(lower(u.serial), lower($1)) = 0
       union all
       select 'model', id::text, name, 'model by ' || maker from model
         where shelved_at is null and strpos(lower(maker || ' ' || name), lower($1)) > 0
       union all
       select 'person', id::text, name, 'what ' || name || ' has' from person
         where shelved_at is null and strpos(lower(name), lower($1)) > 0
       union all
       select 'leads', l.id::text, l.tag, 'lead for ' || c.name from lead l
         join connector c on c.club_id = l.club_id and c.id = l.radio_end
         where l.shelved_at is null and strpos(lower(l.tag), lower($1)) > 0
       union all
       select 'devices', id::text, tag, case when what = '' then kind else what end from device
         where shelved_at is null and kind not in ('programmer', 'radio')
           and (strpos(lower(tag), lower($1)) > 0 or strpos(lower(what), lower($1)) > 0)
       union all
       select 'adapters', id::text, tag, 'adapter' from adapter
         where shelved_at is null and strpos(lower(tag), lower($1)) > 0
       union all
       select 'antennas', id::text, tag, kind || case when what = '' then '' else ', ' || what end from antenna
         where shelved_at is null and (strpos(lower(tag), lower($1)) > 0 or strpos(lower(what), lower($1)) > 0)
       union all
       select 'computers', id::text, name, system || ' ' || version from computer
         where shelved_at is null and strpos(lower(name), lower($1)) > 0
       union all
       select 'tools', id::text, name, 'tool' from tool
         where shelved_at is null and strpos(lower(name), lower($1)) > 0
     ) found
     order by strpos(lower(name), lower($1)) <> 1, kind, name collate natural_order limit $2`,
    [letters, limit],
  );
  return rows;
}

/** Names to look through where letters alone found little: of models, people, kit and radios, so many of each at most. */
export async function namesToFind(tx: Tx, most: number): Promise<FoundRow[]> {
  const { rows } = await ask(
    tx,
    foundRow,
    `(select 'unit' kind, u.id::text, u.tag name, m.name what from unit u join model m on m.club_id = u.club_id and m.id = u.model_id
        where u.shelved_at is null limit $1)
     union all (select 'model', id::text, name, 'model by ' || maker from model where shelved_at is null limit $1)
     union all (select 'person', id::text, name, 'what ' || name || ' has' from person where shelved_at is null limit $1)
     union all (select 'leads', id::text, tag, 'lead' from lead where shelved_at is null limit $1)
     union all (select 'devices', id::text, tag, kind from device where shelved_at is null and kind not in ('programmer', 'radio') limit $1)
     union all (select 'adapters', id::text, tag, 'adapter' from adapter where shelved_at is null limit $1)
     union all (select 'antennas', id::text, tag, kind from antenna where shelved_at is null limit $1)
     union all (select 'computers', id::text, name, system || ' ' || version from computer where shelved_at is null limit $1)
     union all (select 'tools', id::text, name, 'tool' from tool where shelved_at is null limit $1)`,
    [most],
  );
  return rows;
}
