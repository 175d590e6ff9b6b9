// Statements about dossiers: identity, procedures, quirks, and who confirmed what on which firmware.

import { z } from "zod";
import {
  EFFECTS,
  type Identity,
  identityShape,
  type KnownModel,
  type PartReading,
  PURPOSES,
  partReadingShape,
  serialRangeShape,
  stepShape,
} from "#core/dossier/index.ts";
import { sourceShape } from "#core/quantities/index.ts";
import type { KnownProcedure } from "#core/run/index.ts";
import { rangeShape } from "#core/version/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const procedureRow = z.object({
  id: z.string(),
  purpose: z.enum(PURPOSES),
  title: z.string(),
  effect: z.enum(EFFECTS),
  steps: z.array(stepShape),
  component_id: z.string().nullable(),
  firmware: rangeShape.nullable(),
  hardware_revisions: z.array(z.string()).nullable(),
  minutes: z.number(),
  source: sourceShape,
  draft: z.boolean(),
});
export type ProcedureRow = z.output<typeof procedureRow>;

const PROCEDURE = `select id, purpose, title, effect, steps, component_id, firmware, hardware_revisions, minutes, source, draft
  from procedure`;

/** A procedure as runs take it. */
export const knownProcedure = (row: ProcedureRow): KnownProcedure => ({
  id: row.id,
  purpose: row.purpose,
  effect: row.effect,
  title: row.title,
  steps: row.steps,
  minutes: row.minutes,
  draft: row.draft,
  ...(row.component_id && row.firmware && { firmware: { component: row.component_id, range: row.firmware } }),
  ...(row.hardware_revisions && { hardwareRevisions: row.hardware_revisions }),
});

export async function proceduresOf(tx: Tx, model: string): Promise<ProcedureRow[]> {
  const { rows } = await ask(
    tx,
    procedureRow,
    `${PROCEDURE} where model_id = $1 and shelved_at is null order by position, id`,
    [model],
  );
  return rows;
}

export async function procedureById(tx: Tx, model: string, id: string): Promise<ProcedureRow | undefined> {
  const { rows } = await ask(
    tx,
    procedureRow,
    `${PROCEDURE} where model_id = $1 and id = $2 and shelved_at is null`,
    [model, id],
  );
  return rows[0];
}

export type ProcedureFields = Omit<ProcedureRow, "id">;

export function putProcedure(tx: Tx, model: string, id: undefined, p: ProcedureFields): Promise<string>;
export function putProcedure(
  tx: Tx,
  model: string,
  id: string | undefined,
  p: ProcedureFields,
): Promise<string | undefined>;
export async function putProcedure(
  tx: Tx,
  model: string,
  id: string | undefined,
  p: ProcedureFields,
): Promise<string | undefined> {
  const values = [
    model,
    p.purpose,
    p.title,
    p.effect,
    JSON.stringify(p.steps),
    p.component_id,
    p.firmware === null ? null : JSON.stringify(p.firmware),
    p.hardware_revisions,
    p.minutes,
    p.source,
    p.draft,
  ];
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        `update procedure set purpose = $2, title = $3, effect = $4, steps = $5, component_id = $6, firmware = $7,
           hardware_revisions = $8, minutes = $9, source = $10, draft = $11, changed_at = now()
         where model_id = $1 and id = $12 returning id`,
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        `insert into procedure (club_id, model_id, purpose, title, effect, steps, component_id, firmware, hardware_revisions,
           minutes, source, draft, position)
         values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11,
           coalesce((select max(position) + 1 from procedure where model_id = $1), 0)) returning id`,
        values,
      );
  return rows[0]?.id;
}

export const shelveProcedure = (tx: Tx, model: string, id: string) =>
  tx.query("update procedure set shelved_at = now() where model_id = $1 and id = $2", [model, id]);

export const quirkRow = z.object({
  id: z.string(),
  symptom: z.string(),
  cause: z.string(),
  cure: z.string(),
  component_id: z.string().nullable(),
  firmware: rangeShape.nullable(),
  source: sourceShape,
});
export type QuirkRow = z.output<typeof quirkRow>;

export async function quirksOf(tx: Tx, model: string): Promise<QuirkRow[]> {
  const { rows } = await ask(
    tx,
    quirkRow,
    `select id, symptom, cause, cure, component_id, firmware, source from quirk
     where model_id = $1 and shelved_at is null order by position, id`,
    [model],
  );
  return rows;
}

export function putQuirk(tx: Tx, model: string, id: undefined, q: Omit<QuirkRow, "id">): Promise<string>;
export function putQuirk(
  tx: Tx,
  model: string,
  id: string | undefined,
  q: Omit<QuirkRow, "id">,
): Promise<string | undefined>;
export async function putQuirk(
  tx: Tx,
  model: string,
  id: string | undefined,
  q: Omit<QuirkRow, "id">,
): Promise<string | undefined> {
  const values = [
    model,
    q.symptom,
    q.cause,
    q.cure,
    q.component_id,
    q.firmware === null ? null : JSON.stringify(q.firmware),
    q.source,
  ];
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        `update quirk set symptom = $2, cause = $3, cure = $4, component_id = $5, firmware = $6, source = $7
         where model_id = $1 and id = $8 returning id`,
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        `insert into quirk (club_id, model_id, symptom, cause, cure, component_id, firmware, source, position)
         values (current_club(), $1, $2, $3, $4, $5, $6, $7,
           coalesce((select max(position) + 1 from quirk where model_id = $1), 0)) returning id`,
        values,
      );
  return rows[0]?.id;
}

export const shelveQuirk = (tx: Tx, model: string, id: string) =>
  tx.query("update quirk set shelved_at = now() where model_id = $1 and id = $2", [model, id]);

/** Part: how the version of a part is read; identity: what the model is known by. */
export const CONFIRMABLE = ["procedure", "quirk", "release", "part", "mode", "identity"] as const;
export const confirmable = z.enum(CONFIRMABLE);
export type Confirmable = z.output<typeof confirmable>;

export const confirmed = z.object({
  kind: confirmable,
  subject: z.string(),
  times: z.number(),
  /** The last time: when, by whom, on which firmware ("" where nobody said). */
  at: z.date(),
  by: z.string(),
  firmware: z.string(),
  /** Every firmware it was confirmed on. */
  on: z.array(z.string()),
});
export type Confirmed = z.output<typeof confirmed>;

/** How often each fact of a model was confirmed, and the last time. */
export async function confirmationsOf(tx: Tx, model: string): Promise<Confirmed[]> {
  const { rows } = await ask(
    tx,
    confirmed,
    `select distinct on (kind, subject) kind, subject, count(*) over same::int times, at, p.name by, firmware,
       array_agg(firmware) over same as on
     from (select *, case when procedure_id is not null then 'procedure' when quirk_id is not null then 'quirk'
               when release_id is not null then 'release' when component_id is not null then 'part'
               when mode_id is not null then 'mode' else 'identity' end kind,
             coalesce(procedure_id, quirk_id, release_id, component_id, mode_id, model_id) subject from confirmation where model_id = $1) c
     join person p on p.club_id = c.club_id and p.id = c.person_id
     window same as (partition by kind, subject)
     order by kind, subject, at desc, c.id desc`,
    [model],
  );
  return rows;
}

export const addConfirmation = (
  tx: Tx,
  c: {
    model: string;
    kind: Confirmable;
    subject: string;
    firmware: string;
    by: string;
    unit?: string | undefined;
    at?: string;
  },
) =>
  tx.query(
    `insert into confirmation (club_id, model_id, firmware, person_id, unit_id, at, procedure_id, quirk_id, release_id, component_id, mode_id)
     values (current_club(), $1, $2, $3, $4, coalesce($5::timestamptz, now()), $6, $7, $8, $9, $10)`,
    [
      c.model,
      c.firmware,
      c.by,
      c.unit ?? null,
      c.at ?? null,
      ...(["procedure", "quirk", "release", "part", "mode"] as const).map((kind) =>
        c.kind === kind ? c.subject : null,
      ),
    ],
  );

export type DossierHead = {
  readonly identity: Identity;
  readonly parts: readonly { readonly id: string; readonly name: string; readonly reading: PartReading }[];
};

export async function dossierHead(tx: Tx, model: string): Promise<DossierHead> {
  const identity = await ask(
    tx,
    z.object({ identity: identityShape }),
    "select identity from model where id = $1",
    [model],
  );
  const parts = await ask(
    tx,
    z.object({ id: z.string(), name: z.string(), reading: partReadingShape }),
    "select id, name, reading from component where model_id = $1 order by position, id",
    [model],
  );
  return {
    identity: identityShape.parse(identity.rows[0]?.identity ?? {}),
    parts: parts.rows.map((part) => ({ ...part, reading: partReadingShape.parse(part.reading) })),
  };
}

export const putIdentity = (tx: Tx, model: string, identity: Identity) =>
  tx.query("update model set identity = $2 where id = $1", [model, JSON.stringify(identity)]);

export const putPartReading = (tx: Tx, component: string, reading: PartReading) =>
  tx.query("update component set reading = $2 where id = $1", [component, JSON.stringify(reading)]);

/** What every model is known by. */
export async function allIdentities(tx: Tx): Promise<KnownModel[]> {
  const { rows } = await ask(
    tx,
    z.object({
      id: z.string(),
      maker: z.string(),
      name: z.string(),
      identity: identityShape,
      revisions: z.array(z.object({ name: z.string(), serials: z.array(serialRangeShape) })),
    }),
    `select id, maker, name, identity, coalesce((select jsonb_agg(jsonb_build_object('name', h.name, 'serials', h.serials) order by h.name)
       from hardware_revision h where h.club_id = model.club_id and h.model_id = model.id), '[]') revisions
     from model where shelved_at is null order by id`,
  );
  return rows.map((row) => ({ ...row, identity: identityShape.parse(row.identity) }));
}
