// Statements about the club's own settings: places, groups and their policies; and what goes out of it.

import { z } from "zod";
import { type Policy, policyShape } from "#core/unit/index.ts";
import { ask, idRow, nameRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

export const placeRow = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.string(),
  note: z.string(),
  units: z.number(),
});
export type PlaceRow = z.output<typeof placeRow>;

export async function clubName(tx: Tx): Promise<string> {
  const { rows } = await ask(tx, nameRow, "select name from club where id = current_club()");
  return only(rows).name;
}

export async function places(tx: Tx): Promise<PlaceRow[]> {
  const { rows } = await ask(
    tx,
    placeRow,
    `select p.id, p.name, p.kind, p.note, count(u.id)::int units from place p
     left join unit u on u.club_id = p.club_id and u.place_id = p.id and u.shelved_at is null
     where p.shelved_at is null group by p.club_id, p.id order by p.position, p.name`,
  );
  return rows;
}

export const groupRow = z.object({
  id: z.string(),
  name: z.string(),
  purpose: z.string(),
  policy: policyShape,
  units: z.number(),
});
export type GroupRow = z.output<typeof groupRow>;

export async function groups(tx: Tx): Promise<GroupRow[]> {
  const { rows } = await ask(
    tx,
    groupRow,
    `select g.id, g.name, g.purpose, g.policy, count(u.id)::int units from unit_group g
     left join unit u on u.club_id = g.club_id and u.group_id = g.id and u.shelved_at is null
     where g.shelved_at is null group by g.club_id, g.id order by g.position, g.name`,
  );
  return rows;
}

export async function groupById(tx: Tx, id: string): Promise<GroupRow | undefined> {
  return (await groups(tx)).find((group) => group.id === id);
}

export async function putGroup(
  tx: Tx,
  id: string | undefined,
  group: { name: string; purpose: string; policy: Policy },
): Promise<string> {
  const values = [group.name, group.purpose, group.policy];
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        "update unit_group set name = $1, purpose = $2, policy = $3 where id = $4 returning id",
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        `insert into unit_group (club_id, name, purpose, policy, position) values (current_club(), $1, $2, $3,
           coalesce((select max(position) + 1 from unit_group), 0)) returning id`,
        values,
      );
  return only(rows).id;
}

/** False if there is no such place. */
export async function putPlace(
  tx: Tx,
  id: string | undefined,
  place: { name: string; kind: string; note: string },
): Promise<string | undefined> {
  const values = [place.name, place.kind, place.note];
  const { rows } = id
    ? await ask(tx, idRow, "update place set name = $1, kind = $2, note = $3 where id = $4 returning id", [
        ...values,
        id,
      ])
    : await ask(
        tx,
        idRow,
        `insert into place (club_id, name, kind, note, position) values (current_club(), $1, $2, $3,
           coalesce((select max(position) + 1 from place), 0)) returning id`,
        values,
      );
  return rows[0]?.id;
}

export const shelvedRow = z.object({
  id: z.string(),
  tag: z.string(),
  model: z.string(),
  shelved_at: z.date(),
});
export type ShelvedRow = z.output<typeof shelvedRow>;

export async function shelvedUnits(tx: Tx): Promise<ShelvedRow[]> {
  const { rows } = await ask(
    tx,
    shelvedRow,
    `select u.id, u.tag, m.name model, u.shelved_at from unit u join model m on m.club_id = u.club_id and m.id = u.model_id
     where u.shelved_at is not null order by u.shelved_at desc limit 200`,
  );
  return rows;
}

/** Releases that a policy can be pinned to, with where they belong. */
export async function pinnable(tx: Tx): Promise<{ id: string; name: string; component_id: string }[]> {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), name: z.string(), component_id: z.string() }),
    `select r.id, r.component_id, m.name || ' ' || c.name || ' ' || r.version || ' (' || r.track || ')' name
     from release r join component c on c.club_id = r.club_id and c.id = r.component_id
     join model m on m.club_id = c.club_id and m.id = c.model_id
     where r.shelved_at is null and r.withdrawn_on is null order by m.name, c.position, r.released_on desc`,
  );
  return rows;
}

/** When all records were last kept by ./backup, and whether that was checked. */
export async function lastBackup(tx: Tx): Promise<{ made: string; verified: boolean } | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ made_at: z.date(), verified_at: z.date().nullable() }),
    "select * from last_backup()",
  );
  const [row] = rows;
  return row && { made: row.made_at.toISOString(), verified: row.verified_at !== null };
}
