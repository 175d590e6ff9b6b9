// Statements about the profiles that programmers keep: from which radio each was read, and into which it was written.
import { z } from "zod";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

const useShape = z.object({ unit_id: z.string(), tag: z.string(), at: z.string(), by: z.string() });

export const profileRow = z.object({
  id: z.string(),
  device_id: z.string(),
  name: z.string(),
  backup_id: z.string(),
  sha256: z.string(),
  /** The radio that it was read from, and its model. */
  base_unit: z.string(),
  base_tag: z.string(),
  base_model: z.string(),
  base_model_name: z.string(),
  read_at: z.date(),
  at: z.date(),
  by: z.string(),
  /** The last one first. */
  uses: z.array(useShape),
});
export type ProfileRow = z.output<typeof profileRow>;

const MOST_USES = 20;
const PROFILES = `select f.id, f.device_id, f.name, f.backup_id, b.sha256, b.unit_id base_unit, u.tag base_tag, u.model_id base_model,
    m.name base_model_name, b.kept_at read_at, f.at, p.name "by",
    (select coalesce(jsonb_agg(jsonb_build_object('unit_id', w.unit_id::text, 'tag', wu.tag, 'at', w.at, 'by', wp.name) order by w.at desc, w.id desc), '[]')
       from (select * from profile_use w where w.club_id = f.club_id and w.profile_id = f.id order by w.at desc, w.id desc limit ${MOST_USES}) w
       join unit wu on wu.club_id = w.club_id and wu.id = w.unit_id
       join person wp on wp.club_id = w.club_id and wp.id = w.person_id) uses
  from profile f join backup b on b.club_id = f.club_id and b.id = f.backup_id
  join unit u on u.club_id = b.club_id and u.id = b.unit_id join model m on m.club_id = u.club_id and m.id = u.model_id
  join person p on p.club_id = f.club_id and p.id = f.person_id where f.shelved_at is null`;

/** Those of a programmer, or of all; by name. */
export async function profilesOf(tx: Tx, device?: string): Promise<ProfileRow[]> {
  const { rows } = await ask(
    tx,
    profileRow,
    `${PROFILES} and ($1::bigint is null or f.device_id = $1) order by lower(f.name), f.id limit 500`,
    [device ?? null],
  );
  return rows;
}

export async function profileById(tx: Tx, id: string): Promise<ProfileRow | undefined> {
  return (await ask(tx, profileRow, `${PROFILES} and f.id = $1`, [id])).rows[0];
}

export async function addProfile(
  tx: Tx,
  p: { readonly device: string; readonly name: string; readonly backup: string; readonly by: string },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    "insert into profile (club_id, device_id, name, backup_id, person_id) values (current_club(), $1, $2, $3, $4) returning id",
    [p.device, p.name, p.backup, p.by],
  );
  return only(rows).id;
}

/** It was written into a radio. */
export const addProfileUse = (
  tx: Tx,
  use: { readonly profile: string; readonly unit: string; readonly by: string; readonly at?: string },
) =>
  tx.query(
    `insert into profile_use (club_id, profile_id, unit_id, person_id, at)
     values (current_club(), $1, $2, $3, coalesce($4::timestamptz, now()))`,
    [use.profile, use.unit, use.by, use.at ?? null],
  );

/** False if it is on the shelf already. */
export async function shelveProfile(tx: Tx, id: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update profile set shelved_at = now() where id = $1 and shelved_at is null",
    [id],
  );
  return rowCount === 1;
}
