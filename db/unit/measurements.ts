// Statements about what meters said of units.

import { z } from "zod";
import { MEASURED } from "#core/measure/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

const measurementRow = z.object({
  id: z.string(),
  kind: z.enum(MEASURED),
  value: z.number(),
  frequency: z.string().nullable(),
  supply: z.number().nullable(),
  meter: z.string(),
  error: z.string(),
  full_scale: z.number().nullable(),
  note: z.string(),
  at: z.date(),
  day: z.string(),
  by: z.string(),
  struck_why: z.string().nullable(),
});
export type MeasurementRow = z.output<typeof measurementRow>;

/** The last ones of a unit, the newest first; struck ones among them. */
export async function measurementsOf(tx: Tx, unit: string, most = 200): Promise<MeasurementRow[]> {
  const { rows } = await ask(
    tx,
    measurementRow,
    `select m.id, m.kind, m.value, m.frequency, m.supply, m.meter, m.error, m.full_scale, m.note, m.at,
       ((m.at at time zone (select time_zone from club where id = current_club()))::date)::text "day", p.name "by", m.struck_why
     from measurement m join person p on p.club_id = m.club_id and p.id = m.person_id
     where m.unit_id = $1 order by m.at desc, m.id desc limit $2`,
    [unit, most],
  );
  return rows;
}

export type MeasurementFields = {
  readonly kind: MeasurementRow["kind"];
  readonly value: number;
  readonly frequency?: number | undefined;
  readonly supply?: number | undefined;
  readonly meter: string;
  readonly error: string;
  readonly fullScale?: number | undefined;
  readonly note: string;
};

/** `on`: the day it was measured, at noon there; absent: now. */
export async function addMeasurement(
  tx: Tx,
  unit: string,
  by: string,
  m: MeasurementFields,
  on: PlainDate | undefined,
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into measurement (club_id, unit_id, person_id, kind, value, frequency, supply, meter, error, full_scale, note, at)
     values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9, $10,
       coalesce(($11::date + time '12:00') at time zone (select time_zone from club where id = current_club()), now())) returning id`,
    [
      ...[unit, by, m.kind, m.value, m.frequency ?? null, m.supply ?? null, m.meter, m.error],
      ...[m.fullScale ?? null, m.note, on ?? null],
    ],
  );
  return only(rows).id;
}

/** False if it was struck already, or is not of this unit. */
export async function strikeMeasurement(
  tx: Tx,
  unit: string,
  id: string,
  by: string,
  why: string,
): Promise<boolean> {
  const { rowCount } = await tx.query(
    `update measurement set struck_at = now(), struck_by = $3, struck_why = $4
     where unit_id = $1 and id = $2 and struck_at is null`,
    [unit, id, by, why],
  );
  return rowCount === 1;
}
