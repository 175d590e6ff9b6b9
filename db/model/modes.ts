// Statements about modes: those a dossier knows, and in which one each unit is.

import { z } from "zod";
import { type Mode, modeShape } from "#core/modes/index.ts";
import { groupBy, sourceShape } from "#core/quantities/index.ts";
import { rangeShape } from "#core/version/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

/** Of a mode what is stored as one value. */
export const modeFacts = modeShape.omit({ name: true, firmware: true, hardwareRevisions: true });

export const modeRow = z.object({
  id: z.string(),
  name: z.string(),
  facts: modeFacts,
  component_id: z.string().nullable(),
  firmware: rangeShape.nullable(),
  hardware_revisions: z.array(z.string()).nullable(),
  /** The procedures that lead into it, and out of it. */
  enter_id: z.string().nullable(),
  leave_id: z.string().nullable(),
  source: sourceShape,
});
export type ModeRow = z.output<typeof modeRow>;
export type ModeFields = Omit<ModeRow, "id">;

/** A mode as the computations take it; components and revisions by their ids. */
export const knownMode = (row: ModeRow): Mode & { readonly id: string } => ({
  id: row.id,
  name: row.name,
  ...row.facts,
  ...(row.component_id && row.firmware && { firmware: { component: row.component_id, range: row.firmware } }),
  ...(row.hardware_revisions && { hardwareRevisions: row.hardware_revisions }),
});

export async function modesOf(tx: Tx, model: string): Promise<ModeRow[]> {
  const { rows } = await ask(
    tx,
    modeRow,
    `select id, name, facts, component_id, firmware, hardware_revisions, enter_id, leave_id, source from mode
     where model_id = $1 and shelved_at is null order by position, id`,
    [model],
  );
  return rows;
}

/** The modes of all models, by model, those on the shelf left out. */
export async function modesByModel(tx: Tx): Promise<Map<string, ModeRow[]>> {
  const { rows } = await ask(
    tx,
    modeRow.extend({ model_id: z.string() }),
    `select model_id, id, name, facts, component_id, firmware, hardware_revisions, enter_id, leave_id, source from mode
     where shelved_at is null order by position, id`,
  );
  return groupBy(rows, (row) => row.model_id);
}

/** All modes of the club, those on the shelf too: a unit may still be in one. */
export async function modesById(tx: Tx): Promise<Map<string, Mode & { readonly id: string }>> {
  const { rows } = await ask(
    tx,
    modeRow,
    "select id, name, facts, component_id, firmware, hardware_revisions, enter_id, leave_id, source from mode",
  );
  return new Map(rows.map((row) => [row.id, knownMode(row)]));
}

export function putMode(tx: Tx, model: string, id: undefined, mode: ModeFields): Promise<string>;
export function putMode(
  tx: Tx,
  model: string,
  id: string | undefined,
  mode: ModeFields,
): Promise<string | undefined>;
export async function putMode(
  tx: Tx,
  model: string,
  id: string | undefined,
  mode: ModeFields,
): Promise<string | undefined> {
  const values = [
    ...[model, mode.name, mode.facts, mode.component_id],
    mode.firmware === null ? null : JSON.stringify(mode.firmware),
    ...[mode.hardware_revisions, mode.enter_id, mode.leave_id, mode.source],
  ];
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        `update mode set name = $2, facts = $3, component_id = $4, firmware = $5, hardware_revisions = $6, enter_id = $7, leave_id = $8, source = $9
         where model_id = $1 and id = $10 returning id`,
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        `insert into mode (club_id, model_id, name, facts, component_id, firmware, hardware_revisions, enter_id, leave_id, source, position)
         values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9,
           coalesce((select max(position) + 1 from mode where model_id = $1), 0)) returning id`,
        values,
      );
  return rows[0]?.id;
}

export const shelveMode = (tx: Tx, model: string, id: string) =>
  tx.query("update mode set shelved_at = now() where model_id = $1 and id = $2", [model, id]);

/** Set: switched to it. Proved: the test frequencies said so. Told: somebody says so. */
export const MODE_KNOWN = ["set", "proved", "told"] as const;

export const seenShape = z.array(z.object({ frequency: z.number(), transmits: z.boolean() })).max(40);

const unitModeRow = z.object({
  unit_id: z.string(),
  mode_id: z.string(),
  mode: z.string(),
  at: z.date(),
  by: z.string(),
  how: z.enum(MODE_KNOWN),
  why: z.string(),
  seen: seenShape.nullable(),
  run_id: z.string().nullable(),
});
export type UnitModeRow = z.output<typeof unitModeRow>;

const UNIT_MODE = `select t.unit_id, t.mode_id, m.name mode, t.at, p.name "by", t.how, t.why, t.seen, t.run_id from unit_mode t
  join mode m on m.club_id = t.club_id and m.id = t.mode_id join person p on p.club_id = t.club_id and p.id = t.person_id`;

/** All that is known of a unit's modes, the newest first. */
export async function unitModes(tx: Tx, unit: string, most = 50): Promise<UnitModeRow[]> {
  const { rows } = await ask(
    tx,
    unitModeRow,
    `${UNIT_MODE} where t.unit_id = $1 order by t.at desc, t.id desc limit $2`,
    [unit, most],
  );
  return rows;
}

/** In which mode each unit of the club is, as far as that is known. */
export async function modesNow(tx: Tx): Promise<UnitModeRow[]> {
  const { rows } = await ask(
    tx,
    unitModeRow,
    `select distinct on (unit_id) * from (${UNIT_MODE}) known order by unit_id, at desc`,
  );
  return rows;
}

export async function addUnitMode(
  tx: Tx,
  told: {
    readonly unit: string;
    readonly mode: string;
    readonly how: UnitModeRow["how"];
    readonly why: string;
    readonly by: string;
    readonly seen?: UnitModeRow["seen"];
    readonly run?: string | undefined;
    /** Absent: now. */
    readonly at?: string;
  },
): Promise<void> {
  await tx.query(
    `insert into unit_mode (club_id, unit_id, mode_id, at, person_id, how, why, seen, run_id)
     values (current_club(), $1, $2, coalesce($3::timestamptz, now()), $4, $5, $6, $7, $8)`,
    [
      ...[told.unit, told.mode, told.at ?? null, told.by, told.how, told.why],
      ...[told.seen ? JSON.stringify(told.seen) : null, told.run ?? null],
    ],
  );
}
