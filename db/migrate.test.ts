// The application's login can do what the application does and no more; and a start can tell how far the tables are.
import pg from "pg";
import { afterAll, beforeAll, expect, test } from "vitest";
import { mayBecomeOwner, pendingMigrations } from "./migrate.ts";
import { type TestDatabase, testDatabase } from "./testing.ts";

let database: TestDatabase;
beforeAll(async () => {
  database = await testDatabase();
});
afterAll(() => database.close());

async function asApp(text: string): Promise<unknown> {
  const client = new pg.Client({ connectionString: database.appUrl });
  await client.connect();
  try {
    return await client.query(text);
  } finally {
    await client.end();
  }
}

test("the owner's login is told from the application's", async () => {
  expect(await mayBecomeOwner(database.ownerUrl)).toMatch(/make roles/);
  expect(await mayBecomeOwner(database.appUrl)).toBeUndefined();
});

test.each([
  "set role mossy_owner",
  "set session authorization mossy_owner",
  "alter table log disable trigger log_only_grows",
  "alter table person disable row level security",
  "select * from signing_key",
  "select token_hash from one_time_link, pg_read_file('/etc/passwd')",
  "create table public.mine (a int)",
  "create role mine",
])("the application's login may not: %s", async (text) => {
  await expect(asApp(text)).rejects.toMatchObject({ code: "42501" });
});

test("how many steps the tables are behind is known without their owner", async () => {
  expect(await pendingMigrations(database.appUrl)).toBe(0);
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  await owner.query("delete from migration where id in (select max(id) from migration)");
  expect(await pendingMigrations(database.appUrl)).toBe(1);
  await owner.query("drop table migration");
  await owner.end();
  expect(await pendingMigrations(database.appUrl)).toBeGreaterThan(10);
});
