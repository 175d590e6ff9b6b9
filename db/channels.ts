// Statements about the channels that are known of units.
import { z } from "zod";
import { type Channel, channelShape } from "#core/modes/mode.ts";
import { ask } from "./ask.ts";
import type { Tx } from "./pool.ts";

const channelsRow = z.object({
  id: z.string(),
  name: z.string(),
  channels: z.array(channelShape),
  at: z.date(),
  by: z.string(),
});
export type ChannelsRow = z.output<typeof channelsRow>;

/** The channels that a unit had last, as far as anybody knows; undefined: nobody does. */
export async function channelsOf(tx: Tx, unit: string): Promise<ChannelsRow | undefined> {
  const { rows } = await ask(
    tx,
    channelsRow,
    `select c.id, c.name, c.channels, c.at, p.name by from unit_channels c
     join person p on p.club_id = c.club_id and p.id = c.person_id
     where c.unit_id = $1 order by c.at desc, c.id desc limit 1`,
    [unit],
  );
  return rows[0];
}

export const addChannels = (
  tx: Tx,
  one: {
    readonly unit: string;
    readonly name: string;
    readonly channels: readonly Channel[];
    readonly by: string;
    /** Absent: now. */
    readonly at?: string;
  },
) =>
  tx.query(
    `insert into unit_channels (club_id, unit_id, name, channels, person_id, at)
     values (current_club(), $1, $2, $3, $4, coalesce($5::timestamptz, now()))`,
    [one.unit, one.name, JSON.stringify(one.channels), one.by, one.at ?? null],
  );
