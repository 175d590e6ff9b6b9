// Databases for tests: each a copy of one that was made once on the test cluster, which takes a tenth of making it anew.
import pg from "pg";

export const databaseUrl = (url: string | undefined, database: string): string => {
  if (!url) throw new Error("run with scripts/with-postgres.ts");
  return url.replace(/\/[^/]*$/, `/${database}`);
};

const IS_MADE = "select from pg_database where datname = $1";

/** Makes a database called `name` like the one that `fill` makes; that one is made by whoever needs it first. */
export async function copyOf(
  template: string,
  name: string,
  owner: string | undefined,
  fill: (ownerUrl: string) => Promise<void>,
): Promise<void> {
  const admin = new pg.Client({ connectionString: databaseUrl(owner, "postgres") });
  await admin.connect();
  try {
    // One at a time: a database is copied only while nobody is connected to it.
    await admin.query("select pg_advisory_lock(7)");
    if ((await admin.query(IS_MADE, [template])).rowCount === 0) {
      const making = `${template}_making`;
      await admin.query(`drop database if exists ${making} with (force)`);
      await admin.query(`create database ${making}`);
      await fill(databaseUrl(owner, making));
      await admin.query(
        "select pg_terminate_backend(pid) from pg_stat_activity where datname = $1 and pid <> pg_backend_pid() and backend_type = 'client backend'",
        [making],
      );
      await admin.query(`alter database ${making} rename to ${template}`);
    }
    await admin.query(`create database ${name} template ${template}`);
  } finally {
    await admin.end();
  }
}
