// Statements about the club's band plan.

import { z } from "zod";
import type { Segment } from "#core/modes/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const segmentRow = z.object({
  id: z.string(),
  class: z.string(),
  from_hz: z.number(),
  to_hz: z.number(),
  watts: z.number().nullable(),
  bandwidth: z.number().nullable(),
  since: z.string().nullable(),
  until: z.string().nullable(),
  note: z.string(),
});

export type KnownSegment = Segment & { readonly id: string };

/** The whole plan: by class, then by frequency. A frequency is exact as a float: it is far under 2^53 Hz. */
export const SEGMENTS = `select id::text id, class, from_hz::float8 from_hz, to_hz::float8 to_hz, watts, bandwidth, since::text since, until::text until, note
  from segment where shelved_at is null order by lower(class), segment.from_hz, segment.since nulls first, segment.id`;

export async function bandPlan(tx: Tx): Promise<KnownSegment[]> {
  const { rows } = await ask(tx, segmentRow, SEGMENTS);
  return rows.map(segmentOf);
}

export const segmentOf = (row: z.output<typeof segmentRow>): KnownSegment => ({
  id: row.id,
  class: row.class,
  from: row.from_hz,
  to: row.to_hz,
  ...(row.watts !== null && { watts: row.watts }),
  ...(row.bandwidth !== null && { bandwidth: row.bandwidth }),
  ...(row.since !== null && { since: row.since as PlainDate }),
  ...(row.until !== null && { until: row.until as PlainDate }),
  note: row.note,
});

const columnsOf = (plan: readonly Segment[]) => [
  plan.map((s) => s.class),
  plan.map((s) => s.from),
  plan.map((s) => s.to),
  plan.map((s) => s.watts ?? null),
  plan.map((s) => s.bandwidth ?? null),
  plan.map((s) => s.since ?? null),
  plan.map((s) => s.until ?? null),
  plan.map((s) => s.note),
];

export async function addSegments(tx: Tx, plan: readonly Segment[]): Promise<string[]> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into segment (club_id, class, from_hz, to_hz, watts, bandwidth, since, until, note)
     select current_club(), * from unnest($1::text[], $2::bigint[], $3::bigint[], $4::float8[], $5::int[], $6::date[], $7::date[], $8::text[])
     returning id`,
    columnsOf(plan),
  );
  return rows.map(({ id }) => id);
}

export const changeSegment = (tx: Tx, id: string, s: Segment) =>
  tx.query(
    `update segment set class = $2, from_hz = $3, to_hz = $4, watts = $5, bandwidth = $6, since = $7, until = $8, note = $9 where id = $1`,
    [id, ...columnsOf([s]).map(([value]) => value)],
  );

/** Lines of the plan go on the shelf: one, or all of a class. */
export const shelveSegment = (tx: Tx, id: string) =>
  tx.query("update segment set shelved_at = now() where id = $1 and shelved_at is null", [id]);
export const shelveSegmentsOf = (tx: Tx, classes: readonly string[]) =>
  tx.query(
    "update segment set shelved_at = now() where shelved_at is null and lower(class) = any($1::text[])",
    [classes.map((one) => one.trim().toLowerCase())],
  );
