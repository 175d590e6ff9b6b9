// Statements about readings. A reading is inserted, never changed; a wrong one is struck.

import { z } from "zod";
import type { PlainDate } from "#core/quantities/index.ts";
import { READING_SOURCES, type ReadingSource } from "#core/unit/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export type NewReading = {
  readonly unit: string;
  readonly component: string;
  readonly raw: string;
  readonly source: ReadingSource;
  readonly note?: string | undefined;
  /** The day it was read, if that is not now; in the club's time zone. */
  readonly on?: PlainDate | undefined;
  readonly by: string;
};

/** The middle of a day in the club's time zone, but not later than now. */
export const noonOf = (day: string): string =>
  `least(now(), ((${day})::date + time '12:00') at time zone (select time_zone from club where id = current_club()))`;

/** Adds a reading. Throws what `isAhead` knows for a day that has not come yet. */
export async function addReading(tx: Tx, reading: NewReading): Promise<void> {
  await tx.query(
    `insert into reading (club_id, unit_id, component_id, raw, source, read_at, read_by, note)
     values (current_club(), $1, $2, $3, $4, case when $7::date is null then now()
       when $7::date > (now() at time zone (select time_zone from club where id = current_club()))::date then now() + interval '1 day'
       else ${noonOf("$7")} end, $5, $6)`,
    [
      reading.unit,
      reading.component,
      reading.raw,
      reading.source,
      reading.by,
      reading.note ?? "",
      reading.on ?? null,
    ],
  );
}

/** True if a reading was refused because it is dated ahead. */
export const isAhead = (error: unknown): boolean =>
  error instanceof Error && "code" in error && error.code === "MC002";

export const readingRow = z.object({
  id: z.string(),
  component_id: z.string(),
  component: z.string(),
  raw: z.string(),
  source: z.enum(READING_SOURCES),
  /** Null: nobody knows the day. */
  read_at: z.date().nullable(),
  note: z.string(),
  person: z.string().nullable(),
  struck_at: z.date().nullable(),
  struck_why: z.string().nullable(),
  struck_by: z.string().nullable(),
});
export type ReadingRow = z.output<typeof readingRow>;

/** All readings of a unit, newest first, those that were struck too. */
export async function readingsOf(tx: Tx, unit: string): Promise<ReadingRow[]> {
  const { rows } = await ask(
    tx,
    readingRow,
    `select r.id, r.component_id, c.name component, r.raw, r.source, r.read_at, r.note, p.name person,
       r.struck_at, r.struck_why, s.name struck_by
     from reading r join component c on c.club_id = r.club_id and c.id = r.component_id
     left join person p on p.club_id = r.club_id and p.id = r.read_by
     left join person s on s.club_id = r.club_id and s.id = r.struck_by
     where r.unit_id = $1 order by r.placed_at desc, r.id desc`,
    [unit],
  );
  return rows;
}

/** A reading once more, for another radio or another part: as it was read, on its day, by whoever read it. */
export async function copyReading(
  tx: Tx,
  reading: string,
  to: { readonly unit: string; readonly component: string; readonly note: string },
): Promise<void> {
  await tx.query(
    `insert into reading (club_id, unit_id, component_id, raw, source, read_at, read_by, note)
     select club_id, $2, $3, raw, source, read_at, read_by, case when note = '' then $4 else left(note || '; ' || $4, 500) end
     from reading where id = $1`,
    [reading, to.unit, to.component, to.note],
  );
}

/** Strikes a reading of a unit, with a reason. Undefined if there is none such, or it was struck before. */
export async function strikeReading(
  tx: Tx,
  unit: string,
  id: string,
  why: string,
): Promise<{ readonly component: string; readonly raw: string } | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ component: z.string(), raw: z.string() }),
    `update reading r set struck_at = now(), struck_by = current_setting('mossy.person')::bigint, struck_why = $3
     from component c where r.unit_id = $1 and r.id = $2 and r.struck_at is null
       and c.club_id = r.club_id and c.id = r.component_id
     returning c.name component, r.raw`,
    [unit, id, why],
  );
  return rows[0];
}
