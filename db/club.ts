// Statements about the club's own settings: places, groups and their policies; and what goes out of it.
import type { Policy } from "#core/firmware/policy.ts";
import type { Tx } from "./pool.ts";

export type PlaceRow = { id: string; name: string; kind: string; note: string; units: number };

export async function places(tx: Tx): Promise<PlaceRow[]> {
  const { rows } = await tx.query<PlaceRow>(
    `select p.id, p.name, p.kind, p.note, count(u.id)::int units from place p
     left join unit u on u.club_id = p.club_id and u.place_id = p.id and u.shelved_at is null
     where p.shelved_at is null group by p.club_id, p.id order by p.position, p.name`,
  );
  return rows;
}

export type GroupRow = { id: string; name: string; purpose: string; policy: Policy; units: number };

export async function groups(tx: Tx): Promise<GroupRow[]> {
  const { rows } = await tx.query<GroupRow>(
    `select g.id, g.name, g.purpose, g.policy, count(u.id)::int units from unit_group g
     left join unit u on u.club_id = g.club_id and u.group_id = g.id and u.shelved_at is null
     where g.shelved_at is null group by g.club_id, g.id order by g.position, g.name`,
  );
  return rows;
}
