// Statements about limits for harmonics, and about spectra that were taken of units.
import { z } from "zod";
import { type Line, lineShape, type NamedLimit, type SpectrumMeter } from "#core/measure/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

const limitRow = z.object({
  id: z.string(),
  name: z.string(),
  dbc: z.number().nullable(),
  dbm: z.number().nullable(),
  both_count: z.enum(["stricter", "laxer"]).nullable(),
  source: z.string(),
});
export type KnownLimit = NamedLimit & { readonly id: string };

/** The club's limits; `all`: those on the shelf too, since spectra may still be held against them. */
export async function limitsOf(tx: Tx, all = false): Promise<KnownLimit[]> {
  const { rows } = await ask(
    tx,
    limitRow,
    `select id, name, dbc, dbm, both_count, source from emission_limit
     where $1 or shelved_at is null order by lower(name), id`,
    [all],
  );
  return rows.map(({ dbc, dbm, both_count, ...rest }) => ({
    ...rest,
    ...(dbc !== null && { dbc }),
    ...(dbm !== null && { dbm }),
    ...(both_count !== null && { both: both_count }),
  }));
}

export async function putLimit(tx: Tx, id: string | undefined, limit: NamedLimit): Promise<string> {
  const values = [limit.name, limit.dbc ?? null, limit.dbm ?? null, limit.both ?? null, limit.source];
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        "update emission_limit set name = $1, dbc = $2, dbm = $3, both_count = $4, source = $5 where id = $6 returning id",
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        `insert into emission_limit (club_id, name, dbc, dbm, both_count, source)
         values (current_club(), $1, $2, $3, $4, $5) returning id`,
        values,
      );
  return only(rows).id;
}

export const shelveLimit = (tx: Tx, id: string) =>
  tx.query("update emission_limit set shelved_at = now() where id = $1", [id]);

const spectrumRow = z.object({
  id: z.string(),
  carrier_hz: z.number(),
  carrier_dbm: z.number(),
  lines: z.array(lineShape),
  attenuation: z.number(),
  meter: z.string(),
  error: z.number().nullable(),
  floor: z.number().nullable(),
  most: z.number().nullable(),
  limit_id: z.string().nullable(),
  note: z.string(),
  day: z.string(),
  by: z.string(),
  struck_why: z.string().nullable(),
});
export type SpectrumRow = z.output<typeof spectrumRow>;

/** The last ones of a unit, the newest first; struck ones among them. */
export async function spectraOf(tx: Tx, unit: string, most = 50): Promise<SpectrumRow[]> {
  const { rows } = await ask(
    tx,
    spectrumRow,
    `select s.id, s.carrier_hz::float8 carrier_hz, s.carrier_dbm, s.lines, s.attenuation, s.meter, s.error, s.floor, s.most, s.limit_id, s.note,
       ((s.at at time zone (select time_zone from club where id = current_club()))::date)::text "day", p.name "by", s.struck_why
     from spectrum s join person p on p.club_id = s.club_id and p.id = s.person_id
     where s.unit_id = $1 order by s.at desc, s.id desc limit $2`,
    [unit, most],
  );
  return rows;
}

export type SpectrumFields = {
  readonly carrier: Line;
  readonly lines: readonly Line[];
  readonly attenuation: number;
  readonly meter: string;
  readonly known: SpectrumMeter;
  readonly limit?: string | undefined;
  readonly note: string;
};

/** `on`: the day it was taken, at noon there; absent: now. */
export async function addSpectrum(
  tx: Tx,
  unit: string,
  by: string,
  s: SpectrumFields,
  on: PlainDate | undefined,
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into spectrum (club_id, unit_id, person_id, carrier_hz, carrier_dbm, lines, attenuation, meter, error, floor, most, limit_id, note, at)
     values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12,
       coalesce(($13::date + time '12:00') at time zone (select time_zone from club where id = current_club()), now())) returning id`,
    [
      ...[unit, by, s.carrier.frequency, s.carrier.dbm, JSON.stringify(s.lines), s.attenuation, s.meter],
      ...[s.known.error ?? null, s.known.floor ?? null, s.known.most ?? null],
      ...[s.limit ?? null, s.note, on ?? null],
    ],
  );
  return only(rows).id;
}

/** False if it was struck already, or is not of this unit. */
export async function strikeSpectrum(
  tx: Tx,
  unit: string,
  id: string,
  by: string,
  why: string,
): Promise<boolean> {
  const { rowCount } = await tx.query(
    `update spectrum set struck_at = now(), struck_by = $3, struck_why = $4
     where unit_id = $1 and id = $2 and struck_at is null`,
    [unit, id, by, why],
  );
  return rowCount === 1;
}
