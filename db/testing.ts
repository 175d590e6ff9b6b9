// A database of its own for each test file, migrated, on the cluster of scripts/with-postgres.ts.
import pg from "pg";
import { plain } from "#core/quantities/date.ts";
import { migrate } from "./migrate.ts";
import { foundClub } from "./people.ts";
import { type Actor, closePool, type Tx, withClub } from "./pool.ts";

const named = (url: string | undefined, database: string): string => {
  if (!url) throw new Error("run with scripts/with-postgres.ts");
  return url.replace(/\/[^/]*$/, `/${database}`);
};

export type TestDatabase = {
  readonly ownerUrl: string;
  readonly appUrl: string;
  readonly close: () => Promise<void>;
};

/** A unit of which only tag and model are known, and a release of which only the version is. */
export const PLAIN_UNIT = {
  hardwareRevision: null,
  region: null,
  serial: "",
  note: "",
  group: null,
  place: null,
} as const;
export const PLAIN_RELEASE = {
  aliases: [],
  track: "factory",
  releasedOn: plain("2026-01-01"),
  hardwareRevisions: null,
  regions: null,
  fixes: [],
  notes: "",
  source: null,
} as const;

let made = 0;

export async function testDatabase(): Promise<TestDatabase> {
  const name = `test_${process.pid}_${made++}`;
  const admin = new pg.Client({ connectionString: process.env.MOSSY_TEST_OWNER_URL });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  const ownerUrl = named(process.env.MOSSY_TEST_OWNER_URL, name);
  const appUrl = named(process.env.MOSSY_TEST_APP_URL, name);
  await migrate(ownerUrl);
  process.env.MOSSY_DATABASE_URL = appUrl;
  return { ownerUrl, appUrl, close: closePool };
}

class TakenBack extends Error {}

/** Runs an act in a transaction of its own and takes all of it back. */
export const takenBack = (actor: Actor, act: (tx: Tx) => Promise<void>): Promise<void> =>
  withClub(actor, async (tx) => {
    await act(tx);
    throw new TakenBack();
  }).catch((error: unknown) => {
    if (!(error instanceof TakenBack)) throw error;
  });

/** The first club, and a second one made behind the door as only the owner of the tables can. */
export async function twoClubs(database: TestDatabase): Promise<[Actor, Actor]> {
  const first = await foundClub({
    club: "One",
    timeZone: "UTC",
    keeper: "K",
    email: "k@one.example",
    passwordHash: "-",
  });
  if (!first) throw new Error("there was a club already");
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  const club = await owner.query("insert into club (name, time_zone) values ('Two', 'UTC') returning id");
  const person = await owner.query(
    "insert into person (club_id, name, email, email_key, password_hash, role) values ($1, 'L', 'l@two.example', 'l@two.example', '-', 'keeper') returning id",
    [club.rows[0].id],
  );
  await owner.end();
  return [
    { club: first.club_id, person: first.person_id },
    { club: club.rows[0].id, person: person.rows[0].id },
  ];
}
