// Statements about releases and their components.

import type { PlainDate } from "#core/quantities/date.ts";
import type { Source } from "#core/quantities/source.ts";
import type { Fix, Track } from "#core/release/catalogue.ts";
import type { Conditions } from "#core/release/conditions.ts";
import { RELEASE_COLUMNS, type ReleaseRow } from "./facts.ts";
import type { Tx } from "./pool.ts";

export type ReleaseFields = {
  readonly component: string;
  readonly version: string;
  readonly aliases: readonly string[];
  readonly track: Track;
  readonly releasedOn: PlainDate;
  readonly hardwareRevisions: readonly string[] | null;
  readonly regions: readonly string[] | null;
  readonly fixes: readonly Fix[];
  readonly notes: string;
  /** Where it is known from; null where nobody said. */
  readonly source: Source | null;
  readonly conditions?: Conditions;
  readonly draft?: boolean;
  readonly file?: { readonly sha256: string; readonly size: number | null; readonly name: string };
};

const values = (f: ReleaseFields) => [
  f.component,
  f.version,
  f.aliases,
  f.track,
  f.releasedOn,
  f.hardwareRevisions,
  f.regions,
  JSON.stringify(f.fixes),
  f.notes,
  f.source?.what ?? "",
  f.conditions ? JSON.stringify(f.conditions) : "{}",
  f.draft ?? false,
  f.file?.sha256 ?? null,
  f.file?.size ?? null,
  f.file?.name ?? "",
  f.source?.kind ?? null,
];

export async function addRelease(tx: Tx, fields: ReleaseFields): Promise<string> {
  const { rows } = await tx.query<{ id: string }>(
    `insert into release (club_id, component_id, version, aliases, track, released_on, hardware_revisions, regions, fixes, notes, source, conditions, draft,
       file_sha256, file_size, file_name, source_kind, position)
     values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16,
       coalesce((select max(position) + 1 from release where component_id = $1), 0)) returning id`,
    values(fields),
  );
  const id = rows[0]?.id;
  if (!id) throw new Error("the release was not added");
  return id;
}

export const correctRelease = (tx: Tx, id: string, fields: ReleaseFields) =>
  tx.query(
    `update release set component_id = $1, version = $2, aliases = $3, track = $4, released_on = $5, hardware_revisions = $6,
       regions = $7, fixes = $8, notes = $9, source = $10, conditions = $11, draft = $12, file_sha256 = $13, file_size = $14,
       file_name = $15, source_kind = $16 where id = $17`,
    [...values(fields), id],
  );

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
  const { rows } = await tx.query<ReleaseRow & { model_id: string; component: string }>(
    `select ${RELEASE_COLUMNS.split(",")
      .map((c) => `r.${c.trim()}`)
      .join(", ")}, c.model_id, c.name component
     from release r join component c on c.club_id = r.club_id and c.id = r.component_id
     where r.id = $1 and r.shelved_at is null`,
    [id],
  );
  return rows[0];
}

export type FileRow = { release: string; title: string; sha256: string; size: string | null; name: string };

/** The files of all releases whose hash is known. */
export async function knownFiles(tx: Tx): Promise<FileRow[]> {
  const { rows } = await tx.query<FileRow>(
    `select r.id release, m.name || ' ' || c.name || ' ' || r.version title, r.file_sha256 sha256, r.file_size size, r.file_name as name
     from release r join component c on c.club_id = r.club_id and c.id = r.component_id
     join model m on m.club_id = c.club_id and m.id = c.model_id
     where r.file_sha256 is not null and r.shelved_at is null order by r.id`,
  );
  return rows;
}

/** Keeps a file by its content, once; what is there already stays as it is. */
export const keepFile = (tx: Tx, sha256: string, content: Uint8Array) =>
  tx.query(
    `insert into file (club_id, sha256, size, content) values (current_club(), $1, $2, $3) on conflict do nothing`,
    [sha256, content.length, Buffer.from(content)],
  );

export async function fileContent(tx: Tx, sha256: string): Promise<Buffer | undefined> {
  const { rows } = await tx.query<{ content: Buffer }>("select content from file where sha256 = $1", [
    sha256,
  ]);
  return rows[0]?.content;
}
