// Statements about dialects of channel tables that are kept under a name.
import { z } from "zod";
import { type ChannelMapping, channelMapping } from "#core/codeplug/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

const mappingRow = z.object({ id: z.string(), name: z.string(), mapping: channelMapping });
export type MappingRow = z.output<typeof mappingRow>;

const MAPPING = "select id, name, mapping from channel_mapping where shelved_at is null";

export async function mappings(tx: Tx): Promise<MappingRow[]> {
  return (await ask(tx, mappingRow, `${MAPPING} order by lower(name), id limit 200`)).rows;
}

export async function mappingById(tx: Tx, id: string): Promise<MappingRow | undefined> {
  return (await ask(tx, mappingRow, `${MAPPING} and id = $1`, [id])).rows[0];
}

/** Keeps one under a name; the one that has the name already is changed. */
export async function putMapping(tx: Tx, name: string, mapping: ChannelMapping, by: string): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into channel_mapping (club_id, name, mapping, person_id) values (current_club(), $1, $2, $3)
     on conflict (club_id, lower(name)) where shelved_at is null
     do update set mapping = excluded.mapping, person_id = excluded.person_id, at = now() returning id`,
    [name, JSON.stringify(mapping), by],
  );
  return only(rows).id;
}

/** False if it is on the shelf already. */
export async function shelveMapping(tx: Tx, id: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update channel_mapping set shelved_at = now() where id = $1 and shelved_at is null",
    [id],
  );
  return rowCount === 1;
}
