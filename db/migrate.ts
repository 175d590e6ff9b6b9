// Brings a database to the present shape: SQL files in db/migrations, each run once, in order.
import { fileURLToPath } from "node:url";
import { runner } from "node-pg-migrate";
import pg from "pg";
import { makeQueue } from "./queue.ts";

const DIRECTORY = fileURLToPath(new URL("./migrations", import.meta.url));

/** Runs what has not run yet, as the owner of the tables. Answers the names of what ran. */
export async function migrate(ownerUrl: string): Promise<string[]> {
  const quiet = () => {};
  const ran = await runner({
    databaseUrl: ownerUrl,
    dir: DIRECTORY,
    direction: "up",
    migrationsTable: "migration",
    logger: { debug: quiet, info: quiet, warn: quiet, error: console.error },
  });
  await makeQueue(ownerUrl);
  return ran.map((migration) => migration.name);
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
