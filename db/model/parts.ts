// Statements about what a model is made of: its parts with firmware of their own, and its hardware revisions.
import { z } from "zod";
import type { SerialRange } from "#core/dossier/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export type RevisionFields = {
  readonly name: string;
  readonly tell: string;
  readonly serials: readonly SerialRange[];
};

/** Adds the parts and revisions that are new; what is there stays. */
export async function addParts(
  tx: Tx,
  model: string,
  components: readonly string[],
  revisions: readonly RevisionFields[],
): Promise<void> {
  await tx.query(
    `insert into component (club_id, model_id, name, position)
     select current_club(), $1, w.name, w.place from unnest($2::text[]) with ordinality w(name, place)
     where not exists (select from component c where c.model_id = $1 and lower(c.name) = lower(w.name))`,
    [model, components],
  );
  for (const { name, tell, serials } of revisions) {
    await tx.query(
      `insert into hardware_revision (club_id, model_id, name, how_to_tell, serials) values (current_club(), $1, $2, $3, $4)
       on conflict (club_id, model_id, lower(name)) do update set how_to_tell = excluded.how_to_tell, serials = excluded.serials`,
      [model, name, tell, JSON.stringify(serials)],
    );
  }
}

/** The first part is the one meant where a reading names none. */
export const orderParts = (tx: Tx, model: string, components: readonly string[]) =>
  tx.query(
    `update component c set position = w.place from unnest($2::text[]) with ordinality w(name, place)
     where c.model_id = $1 and lower(c.name) = lower(w.name) and c.position <> w.place`,
    [model, components],
  );

/** Gives a part another name, in the requirements of the model's releases too, which go by names. */
export async function renamePart(tx: Tx, model: string, id: string, name: string): Promise<void> {
  await tx.query(
    `update release r set conditions = jsonb_set(r.conditions, '{requires}',
       (select jsonb_agg(case when lower(q ->> 'component') = lower(old.name) then jsonb_set(q, '{component}', to_jsonb($3::text)) else q end
          order by place) from jsonb_array_elements(r.conditions -> 'requires') with ordinality asked(q, place)))
     from component c, component old
     where old.model_id = $1 and old.id = $2 and c.club_id = r.club_id and c.id = r.component_id and c.model_id = $1
       and jsonb_array_length(r.conditions -> 'requires') > 0`,
    [model, id, name],
  );
  await tx.query("update component set name = $3 where model_id = $1 and id = $2", [model, id, name]);
}

export type PartKind = "component" | "hardware_revision";
/** How many records of each kind refer to a part or a revision. */
const partUse = z.object({
  id: z.string(),
  name: z.string(),
  by: z.partialRecord(
    z.enum(["reading", "release", "procedure", "oddity", "confirmation", "condition", "radio"]),
    z.number(),
  ),
});
export type PartUse = Readonly<z.output<typeof partUse>>;

const PART_IN_USE = `select c.id, c.name, jsonb_build_object(
    'reading', (select count(*) from reading r where r.club_id = c.club_id and r.component_id = c.id),
    'release', (select count(*) from release r where r.club_id = c.club_id and r.component_id = c.id),
    'procedure', (select count(*) from procedure p where p.club_id = c.club_id and p.component_id = c.id),
    'oddity', (select count(*) from quirk q where q.club_id = c.club_id and q.component_id = c.id),
    'confirmation', (select count(*) from confirmation f where f.club_id = c.club_id and f.component_id = c.id),
    'condition', (select count(*) from release r join component o on o.club_id = r.club_id and o.id = r.component_id
      where o.club_id = c.club_id and o.model_id = c.model_id and exists (select from jsonb_array_elements(r.conditions -> 'requires') q
        where lower(q ->> 'component') = lower(c.name)))) by
  from component c where c.model_id = $1 and lower(c.name) <> all($2)`;

const REVISION_IN_USE = `select h.id, h.name, jsonb_build_object(
    'radio', (select count(*) from unit u where u.club_id = h.club_id and u.hardware_revision_id = h.id),
    'release', (select count(*) from release r where r.club_id = h.club_id and h.id = any(r.hardware_revisions)),
    'procedure', (select count(*) from procedure p where p.club_id = h.club_id and h.id = any(p.hardware_revisions))) by
  from hardware_revision h where h.model_id = $1 and lower(h.name) <> all($2)`;

/** The parts or revisions of a model that are not named, and what refers to them. */
export async function othersInUse(
  tx: Tx,
  model: string,
  of: PartKind,
  names: readonly string[],
): Promise<PartUse[]> {
  const { rows } = await ask(tx, partUse, of === "component" ? PART_IN_USE : REVISION_IN_USE, [
    model,
    names.map((name) => name.toLowerCase()),
  ]);
  return rows;
}

/** Takes away what nothing refers to; its needs go with a part. */
export async function takeAway(tx: Tx, of: PartKind, ids: readonly string[]): Promise<void> {
  if (of === "component") await tx.query("delete from need where component_id = any($1::bigint[])", [ids]);
  await tx.query(`delete from ${of} where id = any($1::bigint[])`, [ids]);
}
