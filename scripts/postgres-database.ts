// The database in a cluster and the roles that own and use it: made where there never was one.
import fs from "node:fs";
import path from "node:path";
import pg from "pg";
import { PlainFailure } from "./plain.ts";

const MADE = "database-made";

/**
 * Makes the database where there never was one, or for a restore to put records in. Where there was, it is made by nobody: whoever started would see an empty club in place of the
 * records, and the next restore would take their last copy away.
 */
export type Say = (line: string) => void;
export type Secrets = { admin: string; owner: string; app: string };

type About = { readonly home: string; readonly say: Say; readonly isRestoring: boolean };

async function ensureDatabase(client: pg.Client, { home, say, isRestoring }: About): Promise<void> {
  const { rows } = await client.query<{ name: string; open: boolean }>(
    `select datname "name", datallowconn "open" from pg_database where datname like 'mossy%' order by datname`,
  );
  const found = rows.find(({ name }) => name === "mossy");
  const note = path.join(home, MADE);
  if (found) {
    if (!found.open) {
      say("A restore was interrupted here before it changed anything: the records are as they were.");
      await client.query("alter database mossy with allow_connections true");
    }
  } else if (!isRestoring && (rows.length > 0 || fs.existsSync(note))) {
    const others = rows.map(({ name }) => name).join(", ");
    throw new PlainFailure(
      `The database of this folder is gone${others ? `; there is ${others}` : ""}. Nothing was made in its place. ` +
        "Bring a backup back with ./restore FILE, or begin again in an empty folder (MOSSY_DATA).",
    );
  } else await client.query("create database mossy owner mossy_owner");
  fs.writeFileSync(note, "");
}

export async function ensureOwner(adminUrl: string, secrets: Secrets, about: About): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    const role = await client.query("select from pg_roles where rolname = 'mossy_owner'");
    if (role.rows.length === 0) {
      await client.query("create role mossy_owner login createrole createdb");
    }
    await client.query(`alter role mossy_owner password ${pg.escapeLiteral(secrets.owner)}`);
    await ensureDatabase(client, about);
  } finally {
    await client.end();
  }
}
