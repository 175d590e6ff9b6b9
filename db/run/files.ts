// Statements about files that are kept, each once by its content, and about those whose hash alone is known.

import { z } from "zod";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const fileRow = z.object({
  release: z.string(),
  title: z.string(),
  sha256: z.string(),
  size: z.string().nullable(),
  name: z.string(),
});
export type FileRow = z.output<typeof fileRow>;

/** The files of all releases whose hash is known. */
export async function knownFiles(tx: Tx): Promise<FileRow[]> {
  const { rows } = await ask(
    tx,
    fileRow,
    `select r.id release, m.name || ' ' || c.name || ' ' || r.version title, r.file_sha256 sha256, r.file_size size, r.file_name as name
     from release r join component c on c.club_id = r.club_id and c.id = r.component_id
     join model m on m.club_id = c.club_id and m.id = c.model_id
     where r.file_sha256 is not null and r.shelved_at is null order by r.id`,
  );
  return rows;
}

/** Keeps a file by its content, once; what is there already stays as it is. False if it was there. */
export async function keepFile(tx: Tx, sha256: string, content: Uint8Array): Promise<boolean> {
  const { rowCount } = await tx.query(
    `insert into file (club_id, sha256, size, content) values (current_club(), $1, $2, $3) on conflict do nothing`,
    [sha256, content.length, Buffer.from(content)],
  );
  return rowCount === 1;
}

/** A small file's bytes, or undefined if it is not kept, or kept in parts. */
export async function fileContent(tx: Tx, sha256: string): Promise<Buffer | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ content: z.instanceof(Buffer).nullable() }),
    "select content from file where sha256 = $1",
    [sha256],
  );
  return rows[0]?.content ?? undefined;
}

/** Its size if it is kept, in one piece or in parts. */
export async function fileSize(tx: Tx, sha256: string): Promise<number | undefined> {
  const { rows } = await ask(tx, z.object({ size: z.string() }), "select size from file where sha256 = $1", [
    sha256,
  ]);
  return rows[0] && Number(rows[0].size);
}

/** One part of what is kept under a sum, whether it is said to be whole or not. */
export async function filePart(tx: Tx, sha256: string, number: number): Promise<Buffer | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ content: z.instanceof(Buffer) }),
    "select content from file_part where sha256 = $1 and number = $2",
    [sha256, number],
  );
  return rows[0]?.content;
}

/** The largest part in which a large file is kept. */
export const PART = 1_048_576;

/** Keeps one part of a large file; its sum is known before, and held against it by whoever keeps it. */
export const keepPart = (tx: Tx, sha256: string, number: number, content: Uint8Array) =>
  tx.query(
    "insert into file_part (club_id, sha256, number, content) values (current_club(), $1, $2, $3) on conflict do nothing",
    [sha256, number, Buffer.from(content)],
  );

/** Says that a large file is whole, and how large. False if it was there. */
export async function keepWhole(tx: Tx, sha256: string, size: number): Promise<boolean> {
  const { rowCount } = await tx.query(
    "insert into file (club_id, sha256, size, content) values (current_club(), $1, $2, null) on conflict do nothing",
    [sha256, size],
  );
  return rowCount === 1;
}
