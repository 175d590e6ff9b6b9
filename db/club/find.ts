// Finding by a few letters.

import { z } from "zod";
import { isFound, KIND_NAMES, KINDS, type KindName } from "#core/kit/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const foundRow = z.object({
  kind: z.enum(["unit", "model", "person", ...KIND_NAMES]),
  id: z.string(),
  name: z.string(),
  what: z.string(),
});
export type FoundRow = z.output<typeof foundRow>;

/** What a thing of the kit is called beside its name, where that says more than its kind; and where else it has letters. */
const SAYS: { readonly [N in KindName]?: { readonly says: string; readonly letters?: string } } = {
  leads: {
    says: "'lead for ' || (select c.name from connector c where c.club_id = k.club_id and c.id = k.radio_end)",
  },
  devices: { says: "case when k.what = '' then k.kind else k.what end", letters: "k.what" },
  antennas: { says: "k.kind || case when k.what = '' then '' else ', ' || k.what end", letters: "k.what" },
  gear: { says: "k.kind || case when k.what = '' then '' else ', ' || k.what end", letters: "k.what" },
  computers: { says: "k.system || ' ' || k.version" },
};
/** What is a lead or a radio as well is found as that. */
const APART: { readonly [N in KindName]?: string } = { devices: "k.kind not in ('programmer', 'radio')" };

/** Kinds of kit that are found: what has a tag, and what a kind says is. */
const KIT = KIND_NAMES.filter((name) => isFound(KINDS[name])).map((name) => {
  const { table, name: found, one } = KINDS[name];
  const { says = `'${one}'`, letters } = SAYS[name] ?? {};
  const has = [`k.${found}`, ...(letters ? [letters] : [])].map(
    (column) => `strpos(lower(${column}), lower($1)) > 0`,
  );
  const rest = `${table} k where k.shelved_at is null${APART[name] ? ` and ${APART[name]}` : ""}`;
  return { name, found, says, rest, text: `${rest} and (${has.join(" or ")})` };
});

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
       ${KIT.map(({ name, found, says, text }) => `union all (select '${name}', k.id::text, k.${found}, ${says} from ${text})`).join("\n       ")}
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
     ${KIT.map(({ name, found, says, rest }) => `union all (select '${name}', k.id::text, k.${found}, ${says} from ${rest} limit $1)`).join("\n     ")}`,
    [most],
  );
  return rows;
}
