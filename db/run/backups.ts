// Statements about what was read out of radios and kept.
import { z } from "zod";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

export const backupRow = z.object({
  id: z.string(),
  unit_id: z.string(),
  tag: z.string(),
  sha256: z.string(),
  size: z.string(),
  name: z.string(),
  kept_at: z.date(),
  kept_by: z.string(),
  /** Tags of other radios that have kept the same bytes. */
  same_as: z.array(z.string()),
});
export type BackupRow = z.output<typeof backupRow>;

/** A table of the plan is in many radios on purpose. */
const UNLIKE = "not exists (select from plan_table t where t.club_id = b.club_id and t.sha256 = b.sha256)";

const BACKUP = `select b.id, b.unit_id, u.tag, b.sha256, f.size, b.name, b.kept_at, p.name kept_by,
    array(select distinct ou.tag from backup ob join unit ou on ou.club_id = ob.club_id and ou.id = ob.unit_id
      where ob.club_id = b.club_id and ob.sha256 = b.sha256 and ob.unit_id <> b.unit_id and ${UNLIKE} order by ou.tag limit 5) same_as
  from backup b join unit u on u.club_id = b.club_id and u.id = b.unit_id
  join file f on f.club_id = b.club_id and f.sha256 = b.sha256
  join person p on p.club_id = b.club_id and p.id = b.kept_by`;

/** The backups of a unit, the last one first; or of all, so many at most. */
export async function backupsOf(tx: Tx, unit: string | undefined, most: number): Promise<BackupRow[]> {
  const { rows } = await ask(
    tx,
    backupRow,
    `${BACKUP} where $1::bigint is null or b.unit_id = $1 order by b.kept_at desc, b.id desc limit $2`,
    [unit ?? null, most],
  );
  return rows;
}

export async function backupById(tx: Tx, id: string): Promise<BackupRow | undefined> {
  const { rows } = await ask(tx, backupRow, `${BACKUP} where b.id = $1`, [id]);
  return rows[0];
}

export async function addBackup(
  tx: Tx,
  backup: {
    readonly unit: string;
    readonly sha256: string;
    readonly name: string;
    readonly run: string | undefined;
    readonly by: string;
    /** Absent: now. */
    readonly at?: string;
  },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into backup (club_id, unit_id, sha256, name, run_id, kept_by, kept_at)
     values (current_club(), $1, $2, $3, $4, $5, coalesce($6::timestamptz, now())) returning id`,
    [backup.unit, backup.sha256, backup.name, backup.run ?? null, backup.by, backup.at ?? null],
  );
  return only(rows).id;
}

/** Tags of other units that have kept the same bytes. */
export async function othersWith(tx: Tx, sha256: string, unit: string): Promise<string[]> {
  const { rows } = await ask(
    tx,
    z.object({ tag: z.string() }),
    `select distinct u.tag from backup b join unit u on u.club_id = b.club_id and u.id = b.unit_id
     where b.sha256 = $1 and b.unit_id <> $2 and ${UNLIKE} order by u.tag limit 5`,
    [sha256, unit],
  );
  return rows.map((row) => row.tag);
}

/** Sizes of the last backups of a model's units, to tell an absurd one. */
export async function usualSizes(tx: Tx, model: string): Promise<number[]> {
  const { rows } = await ask(
    tx,
    z.object({ size: z.string() }),
    `select f.size from backup b join unit u on u.club_id = b.club_id and u.id = b.unit_id
     join file f on f.club_id = b.club_id and f.sha256 = b.sha256
     where u.model_id = $1 order by b.kept_at desc limit 9`,
    [model],
  );
  return rows.map((row) => Number(row.size));
}
