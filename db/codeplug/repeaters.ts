// Statements about the club's own directory of repeaters.
import { z } from "zod";
import { type ListedRepeater, toneShape } from "#core/codeplug/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const accessShape = z.object({
  sends: toneShape.optional(),
  hears: toneShape.optional(),
  colour: z.number().int().min(0).max(15).optional(),
  slot: z.union([z.literal(1), z.literal(2)]).optional(),
  talkgroup: z.string().max(60).optional(),
});

const repeaterRow = z.object({
  id: z.string(),
  name: z.string(),
  receive: z.number(),
  transmit: z.number(),
  digital: z.boolean(),
  open: z.boolean(),
  access: accessShape,
  latitude: z.number().nullable(),
  longitude: z.number().nullable(),
  note: z.string(),
  /** When somebody last heard it or confirmed it, who, and which. */
  last_on: z.string().nullable(),
  last_how: z.enum(["heard", "confirmed"]).nullable(),
  last_by: z.string().nullable(),
});
export type RepeaterRow = z.output<typeof repeaterRow>;

const REPEATER = `select r.id, r.name, r.receive::float8 receive, r.transmit::float8 transmit, r.digital, r.open, r.access, r.latitude, r.longitude, r.note,
    h.on_day::text last_on, h.how last_how, h.name last_by
  from repeater r left join lateral (select h.on_day, h.how, p.name from repeater_heard h
    join person p on p.club_id = h.club_id and p.id = h.person_id
    where h.club_id = r.club_id and h.repeater_id = r.id order by h.on_day desc, h.id desc limit 1) h on true
  where r.shelved_at is null`;

export async function repeaters(tx: Tx): Promise<RepeaterRow[]> {
  return (
    await ask(tx, repeaterRow, `${REPEATER} order by r.name collate natural_order, r.receive limit 5000`)
  ).rows;
}

export async function repeaterById(tx: Tx, id: string): Promise<RepeaterRow | undefined> {
  return (await ask(tx, repeaterRow, `${REPEATER} and r.id = $1`, [id])).rows[0];
}

/** As core takes it. */
export const listed = (row: RepeaterRow): ListedRepeater => ({
  id: row.id,
  name: row.name,
  receive: row.receive,
  transmit: row.transmit,
  digital: row.digital,
  open: row.open,
  ...row.access,
  ...(row.latitude !== null &&
    row.longitude !== null && { place: { latitude: row.latitude, longitude: row.longitude } }),
  ...(row.last_on !== null && { confirmedOn: row.last_on as PlainDate }),
});

export type RepeaterFacts = {
  readonly name: string;
  readonly receive: number;
  readonly transmit: number;
  readonly digital: boolean;
  readonly open: boolean;
  readonly access: z.output<typeof accessShape>;
  readonly latitude?: number | undefined;
  readonly longitude?: number | undefined;
  readonly note: string;
};

/** Puts one in, or changes the one of that id. */
export function putRepeater(tx: Tx, id: undefined, one: RepeaterFacts): Promise<string>;
export function putRepeater(tx: Tx, id: string | undefined, one: RepeaterFacts): Promise<string | undefined>;
export async function putRepeater(
  tx: Tx,
  id: string | undefined,
  one: RepeaterFacts,
): Promise<string | undefined> {
  const values = [
    ...[one.name, one.receive, one.transmit, one.digital, one.open, JSON.stringify(one.access)],
    ...[one.latitude ?? null, one.longitude ?? null, one.note],
  ];
  const { rows } = await ask(
    tx,
    idRow,
    id === undefined
      ? `insert into repeater (club_id, name, receive, transmit, digital, open, access, latitude, longitude, note)
         values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9) returning id`
      : `update repeater set name = $1, receive = $2, transmit = $3, digital = $4, open = $5, access = $6, latitude = $7, longitude = $8,
           note = $9 where id = $10 and shelved_at is null returning id`,
    id === undefined ? values : [...values, id],
  );
  return rows[0]?.id;
}

export const noteHeard = (
  tx: Tx,
  heard: {
    readonly repeater: string;
    readonly on: string;
    readonly how: "heard" | "confirmed";
    readonly by: string;
  },
) =>
  tx.query(
    "insert into repeater_heard (club_id, repeater_id, on_day, how, person_id) values (current_club(), $1, $2, $3, $4)",
    [heard.repeater, heard.on, heard.how, heard.by],
  );

/** False if it is on the shelf already. */
export async function shelveRepeater(tx: Tx, id: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update repeater set shelved_at = now() where id = $1 and shelved_at is null",
    [id],
  );
  return rowCount === 1;
}
