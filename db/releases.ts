// Statements about releases.

import { z } from "zod";
import type { PlainDate } from "#core/quantities/date.ts";
import type { ReleaseRow } from "#core/release/release.ts";
import { releaseRow } from "#core/release/release.ts";
import { columnsOf, RELEASE_COLUMNS, type StoredRelease } from "#core/release/stored.ts";
import { ask, idRow } from "./ask.ts";
import type { Tx } from "./pool.ts";

export async function addRelease(tx: Tx, release: StoredRelease): Promise<string> {
  const columns = columnsOf(release);
  const names = Object.keys(columns);
  const { rows } = await ask(
    tx,
    idRow,
    `insert into release (club_id, ${names.join(", ")}, position)
     values (current_club(), ${names.map((_, i) => `$${i + 1}`).join(", ")},
       coalesce((select max(position) + 1 from release where component_id = $1), 0)) returning id`,
    Object.values(columns),
  );
  const id = rows[0]?.id;
  if (!id) throw new Error("the release was not added");
  return id;
}

export const correctRelease = (tx: Tx, id: string, release: StoredRelease) => {
  const columns = columnsOf(release);
  const names = Object.keys(columns);
  return tx.query(
    `update release set ${names.map((name, i) => `${name} = $${i + 1}`).join(", ")} where id = $${names.length + 1}`,
    [...Object.values(columns), id],
  );
};

export const withdrawRelease = (tx: Tx, id: string, withdrawn: { on: PlainDate; why: string } | null) =>
  tx.query("update release set withdrawn_on = $2, withdrawn_why = $3 where id = $1", [
    id,
    withdrawn?.on ?? null,
    withdrawn?.why ?? null,
  ]);

export const markDraft = (tx: Tx, id: string) =>
  tx.query("update release set draft = true where id = $1", [id]);

export const shelveRelease = (tx: Tx, id: string) =>
  tx.query("update release set shelved_at = now() where id = $1", [id]);

export async function releaseById(
  tx: Tx,
  id: string,
): Promise<(ReleaseRow & { model_id: string; component: string }) | undefined> {
  const { rows } = await ask(
    tx,
    releaseRow.extend({
      model_id: z.string(),
      component: z.string(),
    }),
    `select ${RELEASE_COLUMNS.map((name) => `r.${name}`).join(", ")}, c.model_id, c.name component
     from release r join component c on c.club_id = r.club_id and c.id = r.component_id
     where r.id = $1 and r.shelved_at is null`,
    [id],
  );
  return rows[0];
}
