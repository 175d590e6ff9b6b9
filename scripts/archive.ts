// The one file of a backup: a tar with a manifest and PostgreSQL's own dump. The manifest says what every table held at that moment, so
// that what comes back can be held against it.
import { createHash } from "node:crypto";
import fs from "node:fs";
import { pipeline } from "node:stream/promises";
import type pg from "pg";
import tar from "tar-stream";
import { z } from "zod";
import { PlainFailure } from "./plain.ts";

const MANIFEST = "manifest.json";
const DUMP = "records.dump";

const manifestShape = z.object({
  format: z.literal("mossy-cabinet/backup"),
  version: z.literal(1),
  madeAt: z.string(),
  /** The steps that had made the tables. */
  migrations: z.array(z.string()),
  /** Of each table how many rows, and the sum of their hashes. */
  tables: z.record(z.string(), z.object({ rows: z.string(), sum: z.string() })),
  dumpSha256: z.string(),
  dumpBytes: z.number(),
});
export type Manifest = z.infer<typeof manifestShape>;
export type Tables = Manifest["tables"];

/** Every table of records with its rows and a sum over them that their order does not change. */
export async function tablesOf(client: pg.Client): Promise<Tables> {
  const { rows } = await client.query<{ name: string }>(
    `select quote_ident(schemaname) || '.' || quote_ident(tablename) "name" from pg_tables
     where schemaname in ('public', 'pgboss') order by 1`,
  );
  const tables: Record<string, { rows: string; sum: string }> = {};
  for (const { name } of rows) {
    // What tells of backups itself is written after them.
    if (name === "public.backup_made") continue;
    const found = await client.query<{ rows: string; sum: string }>(
      `select count(*)::text "rows", coalesce(sum(('x' || left(md5(t::text), 15))::bit(60)::bigint), 0)::text "sum" from ${name} t`,
    );
    tables[name] = found.rows[0] ?? { rows: "0", sum: "0" };
  }
  return tables;
}

/** What two accounts of the tables do not agree on, in words; nothing if they do. */
export const differences = (wanted: Tables, found: Tables): string[] =>
  [...new Set([...Object.keys(wanted), ...Object.keys(found)])].sort().flatMap((name) => {
    const [one, other] = [wanted[name], found[name]];
    if (!one) return [`${name} is not in the backup`];
    if (!other) return [`${name} is missing`];
    if (one.rows !== other.rows) return [`${name}: ${other.rows} rows instead of ${one.rows}`];
    return one.sum === other.sum ? [] : [`${name}: its ${one.rows} rows are not the same`];
  });

export async function hashOf(file: string): Promise<string> {
  const hash = createHash("sha256");
  await pipeline(fs.createReadStream(file), hash);
  return hash.digest("hex");
}

/** Writes the file beside its place and moves it there when it is whole. */
export async function writeArchive(file: string, manifest: Manifest, dump: string): Promise<void> {
  const partial = `${file}.partial`;
  const pack = tar.pack();
  const written = pipeline(pack, fs.createWriteStream(partial, { mode: 0o600 }));
  pack.entry({ name: MANIFEST }, JSON.stringify(manifest, null, 2));
  const entry = pack.entry({ name: DUMP, size: manifest.dumpBytes });
  await pipeline(fs.createReadStream(dump), entry);
  pack.finalize();
  await written;
  fs.renameSync(partial, file);
}

/** Reads the manifest and puts the dump into a file of its own, checked against its hash. */
export async function readArchive(file: string, dump: string): Promise<Manifest> {
  if (!fs.existsSync(file)) throw new PlainFailure(`There is no file ${file}.`);
  let manifest: Manifest | undefined;
  const extract = tar.extract();
  const reading = pipeline(fs.createReadStream(file), extract);
  reading.catch(() => {});
  try {
    for await (const entry of extract) {
      if (entry.header.name === MANIFEST) {
        const chunks: Buffer[] = [];
        for await (const chunk of entry) chunks.push(chunk as Buffer);
        manifest = manifestShape.parse(JSON.parse(Buffer.concat(chunks).toString("utf8")));
      } else if (entry.header.name === DUMP)
        await pipeline(entry, fs.createWriteStream(dump, { mode: 0o600 }));
      else entry.resume();
    }
    await reading;
  } catch (error) {
    // No room is no fault of the file.
    if (error instanceof Error && "code" in error && error.code === "ENOSPC") throw error;
    throw new PlainFailure(`${file} is no backup of Mossy Cabinet, or is cut short.`);
  }
  if (!manifest || !fs.existsSync(dump))
    throw new PlainFailure(`${file} is no backup of Mossy Cabinet, or is cut short.`);
  if ((await hashOf(dump)) !== manifest.dumpSha256)
    throw new PlainFailure(`${file} is damaged: its records are not those that were put in.`);
  return manifest;
}
