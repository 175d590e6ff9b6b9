// Reads the stored needs: what is due today is due_from <= today, an index scan for each thing that can be done.
import type { Fact } from "#core/firmware/facts.ts";
import type { Doing } from "#core/needs/doing.ts";
import type { NeedCause, NeedKind, Target } from "#core/needs/need.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import type { Tx } from "./pool.ts";

/** Units with something due, counted up to a thousand: beyond that the plate says "999+". */
export async function unitsDue(tx: Tx, today: PlainDate): Promise<number> {
  const { rows } = await tx.query<{ n: number }>(
    `select count(distinct unit_id)::int n from (
       select n.unit_id from need n join unit u on u.club_id = n.club_id and u.id = n.unit_id and u.shelved_at is null
       where n.due_from <= $1 and (n.due_to is null or n.due_to > $1) limit 1000) open`,
    [today],
  );
  return rows[0]?.n ?? 0;
}

export type StoredNeed = {
  unit_id: string;
  kind: NeedKind;
  component_id: string;
  component: string;
  due_from: PlainDate;
  due_to: PlainDate | null;
  held_from: PlainDate | null;
  cause: NeedCause;
  urgency: 0 | 1 | 2;
  doing: Doing;
  targets: Target[];
  because: Fact[];
};

const NEED = `select n.unit_id, n.kind, n.component_id, c.name component, n.due_from, n.due_to, n.held_from, n.cause,
    n.urgency, n.doing, n.targets, n.because
  from need n join component c on c.club_id = n.club_id and c.id = n.component_id`;

/** The needs of one unit that are open or held on a day, worst first. */
export async function needsOfUnit(tx: Tx, unit: string, today: PlainDate): Promise<StoredNeed[]> {
  const { rows } = await tx.query<StoredNeed>(
    `${NEED} where n.unit_id = $1 and coalesce(n.held_from, n.due_from) <= $2 and (n.due_to is null or n.due_to > $2)
     order by n.urgency desc, n.due_from`,
    [unit, today],
  );
  return rows;
}

/** All open needs of the club on a day: for the wall. */
export async function openNeeds(tx: Tx, today: PlainDate): Promise<StoredNeed[]> {
  const { rows } = await tx.query<StoredNeed>(
    `${NEED} where n.due_from <= $1 and (n.due_to is null or n.due_to > $1) order by n.urgency desc, n.due_from`,
    [today],
  );
  return rows;
}
