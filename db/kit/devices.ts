// Statements about what speaks Bluetooth or has a battery, and what was seen of their batteries.
import { z } from "zod";
import { stepShape } from "#core/dossier/index.ts";
import { BATTERIES, CONDITIONS, DEVICE_KINDS } from "#core/kit/index.ts";
import { sourceShape } from "#core/quantities/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

const servesShape = z.array(z.object({ model: z.string(), as: z.string(), name: z.string() }));

export const deviceRow = z.object({
  id: z.string(),
  kind: z.enum(DEVICE_KINDS),
  tag: z.string(),
  lead_id: z.string().nullable(),
  unit_id: z.string().nullable(),
  /** Of the radio that it is, or under which its firmware is kept. */
  unit_tag: z.string().nullable(),
  model_id: z.string().nullable(),
  what: z.string(),
  shows: z.string(),
  address: z.string().nullable(),
  app: z.string(),
  app_version: z.string(),
  app_needs: z.string(),
  serves: servesShape,
  full_minutes: z.number().nullable(),
  idle_per_day: z.number().nullable(),
  per_use: z.number().nullable(),
  lamp: z.string(),
  battery: z.enum(BATTERIES),
  charger_id: z.string().nullable(),
  charger: z.string().nullable(),
  holds: z.number(),
  offers: z.string(),
  fails: z.string(),
  simulated: z.boolean(),
  condition: z.enum(CONDITIONS),
  place_id: z.string().nullable(),
  place: z.string().nullable(),
  holder_id: z.string().nullable(),
  holder: z.string().nullable(),
  note: z.string(),
});
export type DeviceRow = z.output<typeof deviceRow>;

// Of a programmer the lead says its tag, state, place and holder; of a radio the unit. What went on the shelf with those is not among them.
const DEVICES = `select d.id, d.kind, d.lead_id, d.unit_id, u.tag unit_tag, u.model_id, d.what, d.shows, d.address, d.app, d.app_version, d.app_needs,
    (select coalesce(jsonb_agg(jsonb_build_object('model', m.id::text, 'as', s ->> 'as', 'name', m.name) order by m.name), '[]')
       from jsonb_array_elements(d.serves) s join model m on m.club_id = d.club_id and m.id = (s ->> 'model')::bigint) serves,
    d.full_minutes, d.idle_per_day, d.per_use, d.lamp, d.battery, d.charger_id, g.tag charger, d.holds, d.offers, d.fails, d.simulated, d.note,
    case d.kind when 'programmer' then l.tag when 'radio' then u.tag else d.tag end tag,
    case d.kind when 'programmer' then l.condition when 'radio' then 'sound' else d.condition end condition,
    case d.kind when 'programmer' then l.place_id when 'radio' then u.place_id else d.place_id end place_id, p.name place,
    case d.kind when 'programmer' then l.holder_id when 'radio' then c.person_id else d.holder_id end holder_id, h.name holder
  from device d
  left join lead l on l.club_id = d.club_id and l.id = d.lead_id
  left join unit u on u.club_id = d.club_id and u.id = d.unit_id
  left join gear g on g.club_id = d.club_id and g.id = d.charger_id
  left join custody c on c.club_id = d.club_id and c.unit_id = d.unit_id and c.back_on is null and d.kind = 'radio'
  left join place p on p.club_id = d.club_id
    and p.id = case d.kind when 'programmer' then l.place_id when 'radio' then u.place_id else d.place_id end
  left join person h on h.club_id = d.club_id
    and h.id = case d.kind when 'programmer' then l.holder_id when 'radio' then c.person_id else d.holder_id end
  where d.shelved_at is null and (d.kind <> 'programmer' or (l.kind = 'programmer' and l.shelved_at is null))
    and (d.kind <> 'radio' or u.shelved_at is null)`;
const IN_ORDER =
  "order by array_position(array['programmer', 'button', 'headset', 'earpiece', 'vehicle', 'radio'], d.kind), tag collate natural_order, d.id";

/** All that are not shelved: programmers first, radios last. */
export async function deviceRows(tx: Tx): Promise<DeviceRow[]> {
  return (await ask(tx, deviceRow, `select * from (${DEVICES}) d ${IN_ORDER}`)).rows;
}

export async function deviceById(tx: Tx, id: string): Promise<DeviceRow | undefined> {
  return (await ask(tx, deviceRow, `${DEVICES} and d.id = $1`, [id])).rows[0];
}

/** The device that a lead is, or a unit. */
export async function deviceOf(tx: Tx, what: "lead" | "unit", id: string): Promise<DeviceRow | undefined> {
  return (await ask(tx, deviceRow, `${DEVICES} and d.${what}_id = $1`, [id])).rows[0];
}

/** As the form of their kind wants them: addresses and numbers as text. */
export const deviceValueRows = async (tx: Tx): Promise<readonly object[]> => deviceRows(tx);

/** A programmer among the leads is a device, too; nothing if it is one already. */
export const putProgrammer = (tx: Tx, lead: string, tag: string) =>
  tx.query(
    `insert into device (club_id, kind, tag, lead_id) values (current_club(), 'programmer', $2, $1)
     on conflict (club_id, lead_id) where lead_id is not null do update set tag = excluded.tag, shelved_at = null`,
    [lead, tag],
  );

/** A radio with a battery that is looked after, or Bluetooth: its device, made if there is none. */
export async function putRadio(tx: Tx, unit: string, tag: string): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into device (club_id, kind, tag, unit_id) values (current_club(), 'radio', $2, $1)
     on conflict (club_id, unit_id) where unit_id is not null do update set shelved_at = null returning id`,
    [unit, tag],
  );
  return only(rows).id;
}

/** Under which radio the firmware of a programmer is kept. */
export const tieDevice = (tx: Tx, device: string, unit: string | null) =>
  tx.query("update device set unit_id = $2 where id = $1", [device, unit]);

export const pairAdviceRow = z.object({
  id: z.string(),
  what: z.string(),
  model_id: z.string().nullable(),
  model: z.string().nullable(),
  menu: z.string(),
  wrong_menu: z.string(),
  wrong_shows: z.string(),
  steps: z.array(stepShape),
  pin: z.string(),
  pin_seconds: z.number().nullable(),
  shows: z.string(),
  settings: z.array(z.object({ name: z.string(), value: z.string(), why: z.string() })),
  fails: z.string(),
  source: sourceShape,
});
export type PairAdviceRow = z.output<typeof pairAdviceRow>;

export async function pairAdviceRows(tx: Tx): Promise<PairAdviceRow[]> {
  const { rows } = await ask(
    tx,
    pairAdviceRow,
    `select a.id, a.what, a.model_id, m.name model, a.menu, a.wrong_menu, a.wrong_shows, a.steps, a.pin, a.pin_seconds, a.shows, a.settings,
       a.fails, a.source
     from pair_advice a left join model m on m.club_id = a.club_id and m.id = a.model_id
     where a.shelved_at is null order by lower(a.what), m.name nulls first, a.id`,
  );
  return rows;
}

const chargeRow = z.object({
  id: z.string(),
  device_id: z.string(),
  kind: z.enum(["level", "used", "plugged", "unplugged"]),
  percent: z.number().nullable(),
  how: z.enum(["typed", "read", "run"]),
  at: z.date(),
  by: z.string(),
  struck_why: z.string().nullable(),
});
export type ChargeRow = z.output<typeof chargeRow>;

/** Of each device so many notes are looked at, everywhere: how full it is must be the same on each page. */
const MOST_CHARGES = 200;

/** The last notes of a battery, or of all of them, oldest first; as many that were struck beside them, where they are asked for. */
export async function chargesOf(
  tx: Tx,
  device?: string | undefined,
  { struck = false }: { readonly struck?: boolean } = {},
): Promise<ChargeRow[]> {
  const { rows } = await ask(
    tx,
    chargeRow,
    `select c.id, c.device_id, c.kind, c.percent, c.how, c.at, p.name "by", c.struck_why
     from device d cross join lateral (
       (select * from charge c where c.club_id = d.club_id and c.device_id = d.id and c.struck_at is null
        order by c.at desc, c.id desc limit ${MOST_CHARGES})
       union all
       (select * from charge c where $2 and c.club_id = d.club_id and c.device_id = d.id and c.struck_at is not null
        order by c.at desc, c.id desc limit ${MOST_CHARGES})) c
     join person p on p.club_id = c.club_id and p.id = c.person_id
     where $1::bigint is null or d.id = $1 order by c.at, c.id`,
    [device ?? null, struck],
  );
  return rows;
}

export type ChargeFields = Pick<ChargeRow, "kind" | "how"> & {
  readonly device: string;
  readonly percent?: number | undefined;
  /** Absent: now. */
  readonly at?: string | undefined;
};

export async function addCharge(tx: Tx, by: string, c: ChargeFields): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into charge (club_id, device_id, kind, percent, how, at, person_id)
     values (current_club(), $1, $2, $3, $4, coalesce($5::timestamptz, now()), $6) returning id`,
    [c.device, c.kind, c.percent ?? null, c.how, c.at ?? null, by],
  );
  return only(rows).id;
}

/** Answers what kind of note it was; undefined if it was struck already, or is not of this device. */
export async function strikeCharge(
  tx: Tx,
  device: string,
  id: string,
  by: string,
  why: string,
): Promise<ChargeRow["kind"] | undefined> {
  const { rows } = await ask(
    tx,
    chargeRow.pick({ kind: true }),
    `update charge set struck_at = now(), struck_by = $3, struck_why = $4 where device_id = $1 and id = $2 and struck_at is null
     returning kind`,
    [device, id, by, why],
  );
  return rows[0]?.kind;
}
