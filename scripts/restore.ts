// ./restore: brings back what ./backup kept, while serving. Into a database beside, checked and migrated, and only then in place of the present one, which is kept under another name.
import path from "node:path";
import readline from "node:readline/promises";
import type pg from "pg";
import { knownMigrations, migrate } from "#db/migrate.ts";
import { type Job, send } from "#db/queue.ts";
import { type Manifest, readArchive } from "./archive.ts";
import { bringBack, fileAndFlag, named, reach, scratchFolder, withClient } from "./keep.ts";
import { orExit, PlainFailure } from "./plain.ts";

const HELP = `./restore FILE [--replace]

  FILE            what ./backup kept
  --replace       do not ask, even if there is a club already; what was there is kept as the database mossy_before
  MOSSY_DATA      if set, the folder of the records instead of .data
  MOSSY_ADMIN_URL with MOSSY_OWNER_URL: the records are on a server of your own (docs/hosting.md)`;

await orExit(async () => {
  const asked = fileAndFlag(HELP, "replace");
  if (!asked) return;
  const { file, flagged: replace } = asked;
  const scratch = scratchFolder();
  const reached = await reach(console.log, { isRestoring: true });
  try {
    const dump = path.join(scratch.path, "records.dump");
    const manifest = await readArchive(path.resolve(file), dump);
    mustBeKnown(manifest);
    const clubs = await withClient(reached.adminUrl, clubsIn);
    if (clubs.length > 0 && !replace) await ask(clubs, manifest);
    const changed = await putInPlace(reached, dump, manifest, clubs.length > 0);
    console.log(
      `Restored what was kept on ${manifest.madeAt}. ${clubs.length > 0 ? `What was there is kept as the database ${reached.database}_before, until the next restore.` : ""}`,
    );
    console.log("Everybody signs in anew: sessions and links that were in the file have ended.");
    if (changed.length > 0)
      console.log(
        `The password has been changed since then, and is the older one again, for:\n  ${changed.join("\n  ")}\nA keeper can make them a link for a new one.`,
      );
  } finally {
    await reached.stop();
    scratch.remove();
  }
});

/** A newer version's tables cannot be read by this one. */
function mustBeKnown(manifest: Manifest): void {
  const known = new Set(knownMigrations());
  const ahead = manifest.migrations.filter((name) => !known.has(name));
  if (ahead.length > 0)
    throw new PlainFailure(
      `This backup was made by a newer version of Mossy Cabinet (${ahead.length} steps ahead). Restore it with that version.`,
    );
}

async function clubsIn(client: pg.Client): Promise<string[]> {
  const there = await client.query("select to_regclass('public.club') is not null there");
  if (!there.rows[0].there) return [];
  const { rows } = await client.query<{ name: string }>("select name from club order by id");
  return rows.map((row) => row.name);
}

async function ask(clubs: readonly string[], manifest: Manifest): Promise<void> {
  const what = `There is a club here already: ${clubs.join(", ")}. It would be replaced by what was kept on ${manifest.madeAt}.`;
  if (!process.stdin.isTTY) throw new PlainFailure(`${what} Say --replace if that is meant.`);
  const terminal = readline.createInterface({ input: process.stdin, output: process.stdout });
  const answer = await terminal.question(`${what} Replace it? (yes/no) `);
  terminal.close();
  if (answer.trim().toLowerCase() !== "yes") throw new PlainFailure("Nothing was changed.");
}

async function putInPlace(
  { adminUrl, ownerUrl, database }: Awaited<ReturnType<typeof reach>>,
  dump: string,
  manifest: Manifest,
  hasRecords: boolean,
): Promise<string[]> {
  const [coming, before] = [`${database}_coming`, `${database}_before`];
  const maintenance = named(adminUrl, "postgres");
  const owner = decodeURIComponent(new URL(ownerUrl).username);
  await withClient(maintenance, async (client) => {
    await client.query(`drop database if exists "${coming}" with (force)`);
    await client.query(`create database "${coming}" owner "${owner}"`);
  });
  await bringBack({ adminUrl: named(adminUrl, coming), ownerUrl: named(ownerUrl, coming) }, dump, manifest);
  await migrate(named(ownerUrl, coming));
  await withClient(named(adminUrl, coming), async (client) => {
    await renewStamps(client);
    await endDoors(client);
    await beginWorkAnew(client);
  });
  const changed = await passwordsSince(adminUrl, named(adminUrl, coming));
  await withClient(maintenance, (client) => swap(client, { database, coming, before, hasRecords }));
  return changed;
}

/**
 * Puts the one in place of the other, both renames in one transaction: whoever is killed in between has changed nothing. What an earlier restore
 * kept is dropped only after that, when what has come is in its place.
 */
async function swap(
  client: pg.Client,
  names: {
    readonly database: string;
    readonly coming: string;
    readonly before: string;
    /** What is there holds no club: then what an earlier restore kept is worth more. */
    readonly hasRecords: boolean;
  },
): Promise<void> {
  const { database, coming, before, hasRecords } = names;
  const older = `${before}_older`;
  const end = () =>
    client.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = $1 and pid <> pg_backend_pid() and backend_type = 'client backend'",
      [database],
    );
  await client.query(`drop database if exists "${older}" with (force)`);
  const { rowCount: had } = await client.query("select from pg_database where datname = $1", [before]);
  // A server that is connected again in this moment is put off; a start lets it in again where we are killed here.
  await client.query(`alter database "${database}" with allow_connections false`);
  try {
    await end();
    await client.query("begin");
    if (had && hasRecords) await client.query(`alter database "${before}" rename to "${older}"`);
    await client.query(`alter database "${database}" rename to "${hasRecords ? before : older}"`);
    await client.query(`alter database "${coming}" rename to "${database}"`);
    await client.query("commit");
  } catch (error) {
    await client.query("rollback");
    await client.query(`alter database "${database}" with allow_connections true`);
    throw error;
  }
  if (hasRecords) await client.query(`alter database "${before}" with allow_connections true`);
  await client.query(`drop database if exists "${older}" with (force)`);
}

/** What opens doors ends with a restore: sessions that were over since, links that were used. Everybody signs in anew. */
async function endDoors(client: pg.Client): Promise<void> {
  await client.query("delete from session");
  await client.query("update one_time_link set expires_at = now() where expires_at > now()");
  await client.query("truncate sign_in_attempt");
}

/** Work that was in the queue is put into it again. */
async function beginWorkAnew(client: pg.Client): Promise<void> {
  const { rows } = await client.query<Job>(
    "select club_id::text club, started_by::text person, id::text work from work where finished_at is null order by id",
  );
  for (const job of rows) await send({ query: (text, values) => client.query(text, values) }, job);
}

/** Who has another password now than what comes back: they sign in with the older one from then on. */
async function passwordsSince(now: string, coming: string): Promise<string[]> {
  const hashes = async (client: pg.Client): Promise<ReadonlyMap<string, string>> => {
    const there = await client.query("select to_regclass('public.person') is not null there");
    if (!there.rows[0].there) return new Map();
    const { rows } = await client.query<{ key: string; hash: string }>(
      `select c.name || ': ' || p.name || ' (' || p.email || ')' "key", p.password_hash "hash" from person p join club c on c.id = p.club_id
       where p.password_hash is not null and p.email is not null and p.shelved_at is null`,
    );
    return new Map(rows.map(({ key, hash }) => [key, hash]));
  };
  const [before, after] = [await withClient(now, hashes), await withClient(coming, hashes)];
  return [...after].flatMap(([key, hash]) => (before.has(key) && before.get(key) !== hash ? [key] : []));
}

/** A serving process keeps what it has prepared by stamps: none of before may come again with another meaning. */
async function renewStamps(client: pg.Client): Promise<void> {
  await client.query(
    `select setval('catalogue_stamp', (extract(epoch from clock_timestamp()) * 1000)::bigint),
       setval('kit_stamp', (extract(epoch from clock_timestamp()) * 1000)::bigint)`,
  );
  await client.query("update model set catalogue_stamp = nextval('catalogue_stamp')");
  await client.query("update club set kit_stamp = nextval('kit_stamp')");
}
