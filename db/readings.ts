// Statements about readings. A reading is inserted, never changed.
import type { ReadingSource } from "#core/firmware/unit.ts";
import { tell } from "./log.ts";
import { recompute } from "./needs.ts";
import type { Tx } from "./pool.ts";

export type NewReading = {
  readonly unit: string;
  readonly component: string;
  readonly componentName: string;
  readonly raw: string;
  readonly source: ReadingSource;
  readonly note?: string;
  /** The form's own number: the same one twice is one reading. */
  readonly receipt: string;
  readonly by: string;
};

/** Records a reading, tells the log, and brings the unit's needs up to date. False if this form was already taken. */
export async function recordReading(tx: Tx, reading: NewReading): Promise<boolean> {
  const inserted = await tx.query(
    `insert into reading (club_id, unit_id, component_id, raw, source, read_at, read_by, note, receipt)
     values (current_club(), $1, $2, $3, $4, now(), $5, $6, $7)
     on conflict (club_id, receipt) do nothing returning id`,
    [
      reading.unit,
      reading.component,
      reading.raw,
      reading.source,
      reading.by,
      reading.note ?? "",
      reading.receipt,
    ],
  );
  if (inserted.rowCount === 0) return false;
  await tell(
    tx,
    { kind: "reading", component: reading.componentName, raw: reading.raw, source: reading.source },
    { unit: reading.unit },
  );
  await recompute(tx, { of: "units", ids: [reading.unit] });
  return true;
}

export type ReadingRow = {
  id: string;
  component_id: string;
  component: string;
  raw: string;
  source: ReadingSource;
  read_at: Date;
  note: string;
  person: string | null;
};

/** All readings of a unit, newest first. */
export async function readingsOf(tx: Tx, unit: string): Promise<ReadingRow[]> {
  const { rows } = await tx.query<ReadingRow>(
    `select r.id, r.component_id, c.name component, r.raw, r.source, r.read_at, r.note, p.name person
     from reading r join component c on c.club_id = r.club_id and c.id = r.component_id
     left join person p on p.club_id = r.club_id and p.id = r.read_by
     where r.unit_id = $1 order by r.read_at desc, r.id desc`,
    [unit],
  );
  return rows;
}
