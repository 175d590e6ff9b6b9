// Brings a database to the present shape: SQL files in db/migrations, each run once, in order.
import fs from "node:fs";
import { fileURLToPath } from "node:url";
import { runner } from "node-pg-migrate";
import pg from "pg";
import { makeQueue } from "./queue.ts";

const DIRECTORY = fileURLToPath(new URL("./migrations", import.meta.url));

/** Runs what has not run yet, as the owner of the tables; of an empty database the first `most` steps. Answers the names of what ran. */
export async function migrate(ownerUrl: string, most?: number): Promise<string[]> {
  const quiet = () => {};
  const ran = await runner({
    databaseUrl: ownerUrl,
    dir: DIRECTORY,
    direction: "up",
    ...(most !== undefined && { count: most }),
    migrationsTable: "migration",
    logger: { debug: quiet, info: quiet, warn: quiet, error: console.error },
  });
  await makeQueue(ownerUrl);
  await letAppSeeMigrations(ownerUrl);
  return ran.map((migration) => migration.name);
}

/** So that a start without the owner's address can say whether the tables are up to date. */
async function letAppSeeMigrations(ownerUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query("grant select on migration to mossy_app");
  } finally {
    await client.end();
  }
}

/** What a login could do that the application's must not, in words; undefined if it is as it should be. */
export async function mayBecomeOwner(url: string): Promise<string | undefined> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  await client.connect();
  try {
    const { rows } = await client.query<{ super: boolean; bypass: boolean; makes: boolean; owner: boolean }>(
      `select r.rolsuper super, r.rolbypassrls bypass, r.rolcreaterole makes,
         exists (select from pg_class c join pg_namespace n on n.oid = c.relnamespace
                 where n.nspname = 'public' and c.relkind = 'r' and pg_has_role(session_user, c.relowner, 'member')) owner
       from pg_roles r where r.rolname = session_user`,
    );
    const [role] = rows;
    if (role?.super) return "may do everything (a superuser)";
    if (role?.bypass) return "passes by row-level security";
    if (role?.makes) return "may make roles, and so become any";
    return role?.owner ? "owns the tables" : undefined;
  } finally {
    await client.end();
  }
}

/** The names of all steps that this version has, in order. */
export const knownMigrations = (): string[] =>
  fs
    .readdirSync(DIRECTORY)
    .map((file) => file.replace(/\.sql$/, ""))
    .sort();

/** How many steps of ours the tables have not seen yet; all of them where there are no tables. */
export async function pendingMigrations(url: string): Promise<number> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  await client.connect();
  try {
    const known = knownMigrations();
    const there = await client.query("select to_regclass('public.migration') is not null there");
    if (!there.rows[0].there) return known.length;
    const { rows } = await client.query<{ name: string }>("select name from migration");
    const had = new Set(rows.map((row) => row.name));
    return known.filter((name) => !had.has(name)).length;
  } finally {
    await client.end();
  }
}

/** Makes the role the application acts as, if the server does not have it yet. */
export async function ensureAppRole(ownerUrl: string, password?: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    const { rows } = await client.query("select from pg_roles where rolname = 'mossy_app'");
    if (rows.length === 0) await client.query("create role mossy_app nosuperuser nobypassrls");
    await client.query("grant mossy_app to current_user");
    if (password) await client.query(`alter role mossy_app login password ${pg.escapeLiteral(password)}`);
  } finally {
    await client.end();
  }
}
