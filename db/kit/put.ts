// Statements that add and change kit: one for each kind of thing, by the same few columns for new and old.

import { z } from "zod";
import { CONDITIONS, type KitTable, kindOfTable, type SupportFields, usesOf } from "#core/kit/index.ts";
import { ask, idRow, nameRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

type Value = string | number | boolean | null | readonly string[] | object;
type Columns = Readonly<Record<string, Value>>;

/** Stores one thing under its columns; answers its id, or "" where there is nothing of that id to change. */
export async function putThing(
  tx: Tx,
  table: KitTable,
  id: string | undefined,
  columns: Columns,
): Promise<string> {
  const names = Object.keys(columns);
  const json = kindOfTable(table)?.json ?? [];
  const values = names.map((name) => {
    const value = columns[name] ?? null;
    return json.includes(name) && value !== null ? JSON.stringify(value) : value;
  });
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        `update ${table} set ${names.map((name, i) => `${name} = $${i + 1}`).join(", ")} where id = $${names.length + 1} returning id`,
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        `insert into ${table} (club_id, ${names.join(", ")}) values (current_club(), ${names.map((_, i) => `$${i + 1}`).join(", ")}) returning id`,
        values,
      );
  return only(rows).id;
}

export const shelveThing = (tx: Tx, table: KitTable, id: string) =>
  tx.query(`update ${table} set shelved_at = now() where id = $1`, [id]);

/** What is plugged in and installed on a computer, as a whole. */
export async function putInstalled(
  tx: Tx,
  computer: string,
  what: {
    readonly ports: readonly string[];
    readonly drivers: readonly (readonly [string, string])[];
    readonly tools: readonly (readonly [string, string])[];
  },
): Promise<void> {
  await tx.query("delete from computer_port where computer_id = $1", [computer]);
  await tx.query(
    "insert into computer_port (club_id, computer_id, connector_id) select current_club(), $1, unnest($2::bigint[])",
    [computer, [...new Set(what.ports)]],
  );
  await tx.query("delete from computer_driver where computer_id = $1", [computer]);
  await tx.query("delete from computer_tool where computer_id = $1", [computer]);
  for (const [id, version] of what.drivers) await putDriverOn(tx, computer, id, version);
  for (const [id, version] of what.tools) await putToolOn(tx, computer, id, version);
}

/** A driver on a computer in some version; null: it is taken off. */
export const putDriverOn = (tx: Tx, computer: string, driver: string, version: string | null) =>
  version === null
    ? tx.query("delete from computer_driver where computer_id = $1 and driver_id = $2", [computer, driver])
    : tx.query(
        `insert into computer_driver (club_id, computer_id, driver_id, version) values (current_club(), $1, $2, $3)
         on conflict (club_id, computer_id, driver_id) do update set version = excluded.version`,
        [computer, driver, version],
      );

export const putToolOn = (tx: Tx, computer: string, tool: string, version: string) =>
  tx.query(
    `insert into computer_tool (club_id, computer_id, tool_id, version) values (current_club(), $1, $2, $3)
     on conflict (club_id, computer_id, tool_id) do update set version = excluded.version`,
    [computer, tool, version],
  );

/** Which models a tool knows, as a whole. */
export async function putSupports(tx: Tx, tool: string, supports: readonly SupportFields[]): Promise<void> {
  await tx.query("delete from tool_support where tool_id = $1", [tool]);
  for (const s of supports) {
    await tx.query(
      `insert into tool_support (club_id, tool_id, model_id, operations, versions, component, firmware)
       values (current_club(), $1, $2, $3, $4, $5, $6)`,
      [
        tool,
        s.model,
        s.operations,
        s.versions && JSON.stringify(s.versions),
        s.component,
        s.firmware && JSON.stringify(s.firmware),
      ],
    );
  }
}

export const gearRow = z.object({
  id: z.string(),
  tag: z.string(),
  kind: z.string(),
  what: z.string(),
  rating: z.string(),
  error: z.string(),
  socket: z.string().nullable(),
  places: z.number(),
  condition: z.enum(CONDITIONS),
  place_id: z.string().nullable(),
  place: z.string().nullable(),
  holder_id: z.string().nullable(),
  holder: z.string().nullable(),
  note: z.string(),
});
export type GearRow = z.output<typeof gearRow>;

export async function gearRows(tx: Tx): Promise<GearRow[]> {
  const { rows } = await ask(
    tx,
    gearRow,
    `select g.id, g.tag, g.kind, g.what, g.rating, g.error, g.socket, g.places, g.condition, g.place_id, p.name place, g.holder_id, h.name holder, g.note
     from gear g left join place p on p.club_id = g.club_id and p.id = g.place_id
     left join person h on h.club_id = g.club_id and h.id = g.holder_id
     where g.shelved_at is null order by g.kind, g.tag collate natural_order`,
  );
  return rows;
}

/** What still refers to a thing, so that it cannot be shelved before them. */
export async function usersOf(tx: Tx, table: KitTable, id: string): Promise<string[]> {
  const used = usesOf(table).map(({ kind, columns, beside }) => {
    const named = `$1 in (${columns.map((column) => `${beside ? "l" : "k"}.${column}`).join(", ")})`;
    const link = beside
      ? `join ${beside.table} l on l.club_id = k.club_id and l.${beside.own} = k.id and ${named}`
      : "";
    return `select k.${kind.name} name from ${kind.table} k ${link} where k.shelved_at is null${beside ? "" : ` and ${named}`}`;
  });
  if (used.length === 0) return [];
  const { rows } = await ask(
    tx,
    nameRow,
    `select distinct name from (${used.join(" union all ")}) used order by name`,
    [id],
  );
  return rows.map((row) => row.name);
}
