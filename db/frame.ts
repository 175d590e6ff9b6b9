// What the frame around every page shows of the club: one statement, since every page asks it.

import { z } from "zod";
import type { PlainDate } from "#core/quantities/index.ts";
import { ask } from "./ask.ts";
import { AHEAD } from "./clock.ts";
import { only } from "./only.ts";
import type { Tx } from "./pool.ts";
import { OPEN_WORK, openWorkRow, UNITS_DUE } from "./unit/index.ts";

const row = z.object({ due: z.number(), work: z.array(openWorkRow), ahead: z.date().nullable() });

/** Units with something due, what is being worked out, and the newest instant in the log if that lies ahead of now. */
export async function aroundPages(tx: Tx, today: PlainDate): Promise<z.output<typeof row>> {
  const { rows } = await ask(
    tx,
    row,
    `select (${UNITS_DUE}) due, (select coalesce(json_agg(w), '[]') from (${OPEN_WORK}) w) work, (${AHEAD}) ahead`,
    [today],
  );
  return only(rows);
}
