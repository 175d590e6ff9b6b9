// Statements that lay down a club with a past, for the demo: readings and log entries carry their own instants.

import { foldAddress, type LogEntry } from "#core/club/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import type { Happening, RunPlan } from "#core/run/index.ts";
import type { Policy, ReadingSource } from "#core/unit/index.ts";
import type { Numbering } from "#core/version/index.ts";
import { ask, idRow } from "./ask.ts";
import type { RevisionFields } from "./model/index.ts";
import { only } from "./only.ts";
import type { Tx } from "./pool.ts";

async function idOf(tx: Tx, text: string, values: unknown[]): Promise<string> {
  const { rows } = await ask(tx, idRow, `${text} returning id`, values);
  const id = rows[0]?.id;
  if (!id) throw new Error("nothing was inserted");
  return id;
}

export const seedPerson = (
  tx: Tx,
  p: { name: string; role: string; email?: string; hash?: string; callSign?: string; licence?: string },
) =>
  idOf(
    tx,
    `insert into person (club_id, name, role, email, email_key, password_hash, call_sign, licence_class)
     values (current_club(), $1, $2, $3, $4, $5, $6, $7)`,
    [p.name, p.role, p.email, p.email && foldAddress(p.email), p.hash, p.callSign, p.licence],
  );

export const seedPlace = (tx: Tx, p: { name: string; kind: string; note: string; position: number }) =>
  idOf(
    tx,
    "insert into place (club_id, name, kind, note, position) values (current_club(), $1, $2, $3, $4)",
    [p.name, p.kind, p.note, p.position],
  );

export const seedGroup = (tx: Tx, g: { name: string; purpose: string; policy: Policy; position: number }) =>
  idOf(
    tx,
    "insert into unit_group (club_id, name, purpose, policy, position) values (current_club(), $1, $2, $3, $4)",
    [g.name, g.purpose, g.policy, g.position],
  );

export const seedModel = (
  tx: Tx,
  m: { maker: string; name: string; kind: string; note: string; suffixes: readonly string[] },
) =>
  idOf(
    tx,
    "insert into model (club_id, maker, name, kind, note, suffixes) values (current_club(), $1, $2, $3, $4, $5)",
    [m.maker, m.name, m.kind, m.note, m.suffixes],
  );

export const seedRevision = (tx: Tx, model: string, r: RevisionFields) =>
  idOf(
    tx,
    "insert into hardware_revision (club_id, model_id, name, how_to_tell, serials) values (current_club(), $1, $2, $3, $4)",
    [model, r.name, r.tell, JSON.stringify(r.serials)],
  );

export const seedComponent = (
  tx: Tx,
  c: { model: string; name: string; position: number; numbering: Numbering | undefined; by: string },
) =>
  idOf(
    tx,
    `insert into component (club_id, model_id, name, position, numbering, numbering_by, numbering_at)
     values (current_club(), $1, $2, $3, $4, $5, case when $4::jsonb is not null then now() end)`,
    [c.model, c.name, c.position, c.numbering ?? null, c.numbering ? c.by : null],
  );

export const seedReading = (
  tx: Tx,
  r: { unit: string; component: string; raw: string; source: ReadingSource; at: string; by: string },
) =>
  idOf(
    tx,
    `insert into reading (club_id, unit_id, component_id, raw, source, read_at, read_by)
     values (current_club(), $1, $2, $3, $4, $5, $6)`,
    [r.unit, r.component, r.raw, r.source, r.at, r.by],
  );

export const seedCustody = (
  tx: Tx,
  c: { unit: string; person: string; outOn: PlainDate; dueBack: PlainDate | null; backOn: PlainDate | null },
) =>
  idOf(
    tx,
    "insert into custody (club_id, unit_id, person_id, out_on, due_back, back_on) values (current_club(), $1, $2, $3, $4, $5)",
    [c.unit, c.person, c.outOn, c.dueBack, c.backOn],
  );

export type Past = {
  readonly at: string;
  readonly by: string;
  readonly entry: LogEntry;
  readonly unit?: string;
  readonly model?: string;
};

/** Log entries of the past, oldest first, so that their numbers follow their instants. */
export async function seedLog(tx: Tx, past: readonly Past[]): Promise<void> {
  for (const { at, by, entry, unit, model } of [...past].sort((a, b) => (a.at < b.at ? -1 : 1))) {
    const { kind, ...detail } = entry;
    await tx.query(
      `insert into log (club_id, at, person_id, kind, unit_id, model_id, detail) values (current_club(), $1, $2, $3, $4, $5, $6)`,
      [at, by, kind, unit ?? null, model ?? null, detail],
    );
  }
}

/** A run of the past, with all that happened in it. */
export async function seedRun(
  tx: Tx,
  run: {
    readonly unit: string;
    readonly title: string;
    readonly plan: RunPlan;
    readonly by: string;
    readonly begunAt: string;
    /** Absent: it goes on, or was left. */
    readonly endedAt: string | undefined;
    readonly events: readonly { readonly what: Happening; readonly at: string }[];
  },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into run (club_id, unit_id, title, plan, begun_by, held_by, begun_at, ended_at, heard_at)
     values (current_club(), $1, $2, $3, $4, $4, $5, $6, $7) returning id`,
    [
      ...[run.unit, run.title, JSON.stringify(run.plan), run.by, run.begunAt, run.endedAt ?? null],
      run.events.at(-1)?.at ?? run.begunAt,
    ],
  );
  for (const [i, { what, at }] of run.events.entries())
    await tx.query(
      `insert into run_event (club_id, run_id, number, id, at, person_id, what) values (current_club(), $1, $2, $3, $4, $5, $6)`,
      [rows[0]?.id, i + 1, `demo event ${i + 1}`, at, run.by, JSON.stringify(what)],
    );
  return only(rows).id;
}
