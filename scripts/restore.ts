// ./restore: what ./backup kept comes back whole, while serving: into a database beside, checked, brought to the present shape, and only then in
// place of the one there was, which is kept under another name.
import path from "node:path";
import readline from "node:readline/promises";
import type pg from "pg";
import { knownMigrations, migrate } from "#db/migrate.ts";
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
  const reached = await reach(console.log);
  try {
    const dump = path.join(scratch.path, "records.dump");
    const manifest = await readArchive(path.resolve(file), dump);
    mustBeKnown(manifest);
    const clubs = await withClient(reached.adminUrl, clubsIn);
    if (clubs.length > 0 && !replace) await ask(clubs, manifest);
    await putInPlace(reached, dump, manifest);
    console.log(
      `Restored what was kept on ${manifest.madeAt}. ${clubs.length > 0 ? `What was there is kept as the database ${reached.database}_before, until the next restore.` : ""}`,
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
): Promise<void> {
  const [coming, before] = [`${database}_coming`, `${database}_before`];
  const maintenance = named(adminUrl, "postgres");
  const owner = decodeURIComponent(new URL(ownerUrl).username);
  await withClient(maintenance, async (client) => {
    await client.query(`drop database if exists "${coming}" with (force)`);
    await client.query(`create database "${coming}" owner "${owner}"`);
  });
  await bringBack(named(adminUrl, coming), dump, manifest.tables);
  await migrate(named(ownerUrl, coming));
  await withClient(named(adminUrl, coming), renewStamps);
  await withClient(maintenance, async (client) => {
    await client.query(`drop database if exists "${before}" with (force)`);
    await client.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = $1 and pid <> pg_backend_pid() and backend_type = 'client backend'",
      [database],
    );
    // A server that is connected again in this moment is put off once more.
    await client.query(`alter database "${database}" with allow_connections false`);
    await client.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = $1 and pid <> pg_backend_pid() and backend_type = 'client backend'",
      [database],
    );
    await client.query(`alter database "${database}" rename to "${before}"`);
    await client.query(`alter database "${coming}" rename to "${database}"`);
    await client.query(`alter database "${before}" with allow_connections true`);
  });
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
