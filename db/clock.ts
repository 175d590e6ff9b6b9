// The database's clock decides when things are; here it is noticed when that clock is moved, or was wrong before.

import { z } from "zod";
import { type ClockReading, jumpBetween } from "#core/quantities/index.ts";
import { ask } from "./ask.ts";
import { appendLog } from "./club/index.ts";
import { only } from "./only.ts";
import { type Actor, type Tx, withClub } from "./pool.ts";

let seen: ClockReading | undefined;

/** Notes what the database's clock says; if it has jumped since it was last looked at, says so at the terminal and in the club's log. */
export async function noticeClock(now: Date, actor: Actor): Promise<void> {
  const before = seen;
  seen = { clock: now.getTime(), steady: performance.now() };
  const seconds = before && jumpBetween(before, seen);
  if (seconds === undefined) return;
  console.error(`The database's clock jumped by ${seconds} seconds; it says ${now.toISOString()} now.`);
  await withClub(actor, (tx) => appendLog(tx, { kind: "clock-jumped", seconds }));
}

/** The newest instant in the log, if that lies ahead of now: then the clock is wrong, or was. */
export const AHEAD =
  "select at from log where at > now() + interval '1 minute' order by at desc, id desc limit 1";

/** What the database's clock says, at the beginning of the transaction. */
export async function now(tx: Tx): Promise<Date> {
  const { rows } = await ask(tx, z.object({ at: z.date() }), "select now() at");
  return only(rows).at;
}

/** The club's time zone, by its name. */
export async function clubZone(tx: Tx): Promise<string> {
  const { rows } = await ask(
    tx,
    z.object({ zone: z.string() }),
    "select time_zone zone from club where id = current_club()",
  );
  return only(rows).zone;
}

/** The instant of a day and time in the club's time zone; in the hour that a clock put back goes through twice, the later one. */
export async function localInstant(tx: Tx, local: string): Promise<Date> {
  const { rows } = await ask(
    tx,
    z.object({ at: z.date() }),
    "select $1::timestamp at time zone (select time_zone from club where id = current_club()) at",
    [local],
  );
  return only(rows).at;
}
