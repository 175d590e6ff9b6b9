// Statements about the digital IDs and call signs of radios and people.
import { z } from "zod";
import type { Identity } from "#core/codeplug/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

const identityRow = z.object({
  id: z.string(),
  kind: z.enum(["digital", "call"]),
  unit_id: z.string().nullable(),
  tag: z.string().nullable(),
  owner_id: z.string().nullable(),
  owner: z.string().nullable(),
  value: z.string().nullable(),
  asked_on: z.string().nullable(),
  usually_days: z.number().nullable(),
  note: z.string(),
});
export type IdentityRow = z.output<typeof identityRow>;

const IDENTITY = `select i.id, i.kind, i.unit_id, u.tag, i.owner_id, p.name "owner", i.value, i.asked_on::text, i.usually_days, i.note
  from identity i left join unit u on u.club_id = i.club_id and u.id = i.unit_id
  left join person p on p.club_id = i.club_id and p.id = i.owner_id where i.shelved_at is null`;

/** All of them, or those of one radio; what has not come first. */
export async function identities(tx: Tx, unit?: string): Promise<IdentityRow[]> {
  const { rows } = await ask(
    tx,
    identityRow,
    `${IDENTITY} and ($1::bigint is null or i.unit_id = $1)
     order by i.value is not null, u.tag collate natural_order, p.name, i.kind limit 2000`,
    [unit ?? null],
  );
  return rows;
}

export async function identityById(tx: Tx, id: string): Promise<IdentityRow | undefined> {
  return (await ask(tx, identityRow, `${IDENTITY} and i.id = $1`, [id])).rows[0];
}

/** As core takes it. */
export const known = (row: IdentityRow): Identity => ({
  id: row.id,
  kind: row.kind,
  of: row.tag ?? row.owner ?? "",
  ...(row.value !== null && { value: row.value }),
  ...(row.asked_on !== null && { askedOn: row.asked_on as PlainDate }),
  ...(row.usually_days !== null && { usuallyDays: row.usually_days }),
});

export type IdentityFields = {
  readonly kind: "digital" | "call";
  readonly unit?: string | undefined;
  readonly owner?: string | undefined;
  readonly value?: string | undefined;
  readonly askedOn?: string | undefined;
  readonly usuallyDays?: number | undefined;
  readonly note: string;
};

/** Puts one in, or changes the one of that id: whose it is stays. */
export function putIdentity(
  tx: Tx,
  id: undefined,
  one: IdentityFields,
  by: string,
  at?: string,
): Promise<string>;
export function putIdentity(
  tx: Tx,
  id: string | undefined,
  one: IdentityFields,
  by: string,
  at?: string,
): Promise<string | undefined>;
export async function putIdentity(
  tx: Tx,
  id: string | undefined,
  one: IdentityFields,
  by: string,
  at?: string,
): Promise<string | undefined> {
  const told = [one.value ?? null, one.askedOn ?? null, one.usuallyDays ?? null, one.note, by];
  const { rows } = await ask(
    tx,
    idRow,
    id === undefined
      ? `insert into identity (club_id, value, asked_on, usually_days, note, person_id, kind, unit_id, owner_id, at)
         values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, coalesce($9::timestamptz, now())) returning id`
      : `update identity set value = $1, asked_on = $2, usually_days = $3, note = $4, person_id = $5
         where id = $6 and shelved_at is null returning id`,
    id === undefined ? [...told, one.kind, one.unit ?? null, one.owner ?? null, at ?? null] : [...told, id],
  );
  return rows[0]?.id;
}

/** False if it is on the shelf already. */
export async function shelveIdentity(tx: Tx, id: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update identity set shelved_at = now() where id = $1 and shelved_at is null",
    [id],
  );
  return rowCount === 1;
}
