// ./backup: all records in one file, from one moment, while serving; and whether a file can be brought back.
import fs from "node:fs";
import path from "node:path";
import { hashOf, readArchive, tablesOf, writeArchive } from "./archive.ts";
import {
  bringBack,
  fileAndFlag,
  letThrough,
  named,
  reach,
  runPostgres,
  scratchFolder,
  withClient,
} from "./keep.ts";
import { orExit, PlainFailure } from "./plain.ts";
import { startCluster } from "./postgres.ts";

const HELP = `./backup FILE [--verify]

  FILE            where to keep all records: every club, files too. It must not be there yet.
  --verify        bring the file back into a scratch database and hold every table against what it held: of a FILE that is
                  there already nothing else is done
  MOSSY_DATA      if set, the folder of the records instead of .data
  MOSSY_ADMIN_URL with MOSSY_OWNER_URL: the records are on a server of your own (docs/hosting.md)`;

await orExit(async () => {
  const asked = fileAndFlag(HELP, "verify");
  if (!asked) return;
  const { file, flagged } = asked;
  const target = path.resolve(file);
  const there = fs.existsSync(target);
  if (there && !flagged)
    throw new PlainFailure(
      `${file} is there already, and a backup is never written over. Choose another name.`,
    );
  const made = there ? undefined : await make(target);
  if (flagged) await verify(target);
  if (made) await note(made, flagged);
});

/** Dumps from one snapshot and counts in the same one, while others go on writing. Answers the bytes of the file. */
async function make(target: string): Promise<number> {
  const reached = await reach(console.log);
  const scratch = scratchFolder();
  try {
    const dump = path.join(scratch.path, "records.dump");
    const manifest = await withClient(reached.adminUrl, async (client) => {
      await client.query("begin isolation level repeatable read read only");
      const { rows } = await client.query<{ snapshot: string; at: Date }>(
        "select pg_export_snapshot() snapshot, now() at",
      );
      const migrations = await client.query<{ name: string }>("select name from migration order by id");
      const tables = await tablesOf(client);
      await runPostgres("pg_dump", reached.adminUrl, [
        "--format=custom",
        `--snapshot=${rows[0]?.snapshot}`,
        "--exclude-table-data=public.backup_made",
        "--no-owner",
        `--file=${dump}`,
      ]);
      return {
        format: "mossy-cabinet/backup" as const,
        version: 1 as const,
        madeAt: (rows[0]?.at ?? new Date()).toISOString(),
        migrations: migrations.rows.map((row) => row.name),
        tables,
        dumpSha256: await hashOf(dump),
        dumpBytes: fs.statSync(dump).size,
      };
    });
    fs.mkdirSync(path.dirname(target), { recursive: true });
    await writeArchive(target, manifest, dump);
    const rows = Object.values(manifest.tables).reduce((sum, table) => sum + BigInt(table.rows), 0n);
    const { size } = fs.statSync(target);
    console.log(
      `Kept in ${target}: ${rows} rows of ${Object.keys(manifest.tables).length} tables, ${(size / 1e6).toFixed(1)} MB. It holds everything: keep it where only you can read it.`,
    );
    return size;
  } finally {
    scratch.remove();
    await reached.stop();
  }
}

async function verify(file: string): Promise<void> {
  const scratch = scratchFolder();
  const beside = scratchFolder();
  letThrough(beside.path);
  const cluster = await startCluster(path.join(beside.path, "cluster"), { say: () => {}, fast: true });
  try {
    const dump = path.join(scratch.path, "records.dump");
    const manifest = await readArchive(file, dump);
    await bringBack({ ...cluster, adminUrl: named(cluster.adminUrl, "mossy") }, dump, manifest);
    console.log(
      `Checked: brought back into a scratch database, all ${Object.keys(manifest.tables).length} tables are as they were on ${manifest.madeAt}.`,
    );
  } finally {
    await cluster.stop();
    beside.remove();
    scratch.remove();
  }
}

async function note(bytes: number, verified: boolean): Promise<void> {
  const reached = await reach(() => {});
  try {
    await withClient(reached.adminUrl, async (client) => {
      // Records of an older version have no place for it yet.
      const { rows } = await client.query("select to_regclass('public.backup_made') is not null there");
      if (rows[0].there)
        await client.query(
          "insert into backup_made (bytes, verified_at) values ($1, case when $2 then now() end)",
          [bytes, verified],
        );
    });
  } finally {
    await reached.stop();
  }
}
