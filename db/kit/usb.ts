// The club's own table of USB ids: which bridge chip answers with which.

import { z } from "zod";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const usbIdRow = z.object({
  vendor: z.number(),
  product: z.number(),
  family: z.string(),
  name: z.string(),
});
export type UsbIdRow = z.output<typeof usbIdRow>;

export async function usbIds(tx: Tx): Promise<UsbIdRow[]> {
  const { rows } = await ask(
    tx,
    usbIdRow,
    "select vendor, product, family, name from usb_id order by vendor, product",
  );
  return rows;
}

/** False if it stood so already. */
export async function putUsbId(tx: Tx, row: UsbIdRow): Promise<boolean> {
  const { rowCount } = await tx.query(
    `insert into usb_id (club_id, vendor, product, family, name) values (current_club(), $1, $2, $3, $4)
     on conflict (club_id, vendor, product) do update set family = excluded.family, name = excluded.name
       where (usb_id.family, usb_id.name) is distinct from (excluded.family, excluded.name)`,
    [row.vendor, row.product, row.family, row.name],
  );
  return rowCount === 1;
}

/** Adds ids that are not in the table yet, and leaves the others; answers how many were new. */
export async function addUsbIds(tx: Tx, rows: readonly UsbIdRow[]): Promise<number> {
  const { rowCount } = await tx.query(
    `insert into usb_id (club_id, vendor, product, family, name)
     select current_club(), v, p, f, n from unnest($1::int[], $2::int[], $3::text[], $4::text[]) u(v, p, f, n)
     on conflict (club_id, vendor, product) do nothing`,
    [
      rows.map((r) => r.vendor),
      rows.map((r) => r.product),
      rows.map((r) => r.family),
      rows.map((r) => r.name),
    ],
  );
  return rowCount ?? 0;
}
