// Statements about what is paired with what, and how it went.
import { z } from "zod";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

export const PAIRING_EVENTS = ["proved", "dropped", "failed", "lost"] as const;
export type PairingEventKind = (typeof PAIRING_EVENTS)[number];

const eventShape = z.object({
  kind: z.enum(PAIRING_EVENTS),
  note: z.string(),
  at: z.string(),
  by: z.string(),
});

export const pairingRow = z.object({
  id: z.string(),
  device_id: z.string(),
  device: z.string(),
  device_kind: z.string(),
  what: z.string(),
  unit_id: z.string(),
  tag: z.string(),
  model_id: z.string(),
  model: z.string(),
  since: z.date(),
  settings: z.string(),
  ended_at: z.date().nullable(),
  ended_why: z.string().nullable(),
  /** The newest first. */
  events: z.array(eventShape),
  drops: z.number(),
});
export type PairingRow = z.output<typeof pairingRow>;

const MOST_EVENTS = 20;
const PAIRINGS = `select p.id, p.device_id, case d.kind when 'programmer' then l.tag when 'radio' then du.tag else d.tag end device,
    d.kind device_kind, d.what, p.unit_id, u.tag, u.model_id, m.name model, p.since, p.settings, p.ended_at, p.ended_why,
    (select coalesce(jsonb_agg(jsonb_build_object('kind', e.kind, 'note', e.note, 'at', e.at, 'by', h.name) order by e.at desc, e.id desc), '[]')
       from (select * from pairing_event e where e.club_id = p.club_id and e.pairing_id = p.id order by e.at desc, e.id desc limit ${MOST_EVENTS}) e
       join person h on h.club_id = e.club_id and h.id = e.person_id) events,
    (select count(*)::int from pairing_event e where e.club_id = p.club_id and e.pairing_id = p.id and e.kind = 'dropped') drops
  from pairing p join device d on d.club_id = p.club_id and d.id = p.device_id
  left join lead l on l.club_id = d.club_id and l.id = d.lead_id
  left join unit du on du.club_id = d.club_id and du.id = d.unit_id
  join unit u on u.club_id = p.club_id and u.id = p.unit_id join model m on m.club_id = u.club_id and m.id = u.model_id`;

/** The pairings that stand, of a device, of a unit, or all of them; with `ended`, those too that do not any more. */
export async function pairingsOf(
  tx: Tx,
  of: { readonly device?: string; readonly unit?: string } = {},
  ended = false,
): Promise<PairingRow[]> {
  const { rows } = await ask(
    tx,
    pairingRow,
    `select * from (${PAIRINGS} where ($1::bigint is null or p.device_id = $1) and ($2::bigint is null or p.unit_id = $2) and ($3 or p.ended_at is null)
       and ($3 or (u.shelved_at is null and d.shelved_at is null))
) p
     order by ended_at nulls first, device collate natural_order, tag collate natural_order, id limit 500`,
    [of.device ?? null, of.unit ?? null, ended],
  );
  return rows;
}

/** Pairs a device and a unit; answers the pairing that stands, where they are paired already. */
export async function addPairing(
  tx: Tx,
  p: {
    readonly device: string;
    readonly unit: string;
    readonly by: string;
    readonly settings?: string;
    /** Absent: now. */
    readonly since?: string;
  },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `with made as (
       insert into pairing (club_id, device_id, unit_id, settings, person_id, since)
       values (current_club(), $1, $2, $3, $4, coalesce($5::timestamptz, now()))
       on conflict (club_id, device_id, unit_id) where ended_at is null do nothing returning id)
     select id from made union all select id from pairing where device_id = $1 and unit_id = $2 and ended_at is null limit 1`,
    [p.device, p.unit, p.settings ?? "", p.by, p.since ?? null],
  );
  return only(rows).id;
}

export async function addPairingEvent(
  tx: Tx,
  e: {
    readonly pairing: string;
    readonly kind: PairingEventKind;
    readonly note: string;
    readonly by: string;
    /** Absent: now. */
    readonly at?: string;
  },
): Promise<void> {
  await tx.query(
    `insert into pairing_event (club_id, pairing_id, kind, note, person_id, at)
     values (current_club(), $1, $2, $3, $4, coalesce($5::timestamptz, now()))`,
    [e.pairing, e.kind, e.note, e.by, e.at ?? null],
  );
}

/** False if it has ended already. */
export async function endPairing(tx: Tx, pairing: string, why: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update pairing set ended_at = now(), ended_why = $2 where id = $1 and ended_at is null",
    [pairing, why],
  );
  return rowCount === 1;
}

/** False if it stands so already. */
export async function setPairing(tx: Tx, pairing: string, settings: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update pairing set settings = $2 where id = $1 and ended_at is null and settings <> $2",
    [pairing, settings],
  );
  return rowCount === 1;
}
