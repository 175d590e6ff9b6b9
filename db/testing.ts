// A database of its own for each test file, migrated, on the cluster of scripts/with-postgres.ts.
import pg from "pg";
import { plain } from "#core/quantities/index.ts";
import { foundClub } from "./club/index.ts";
import { migrate } from "./migrate.ts";
import { type Actor, closePool, type Tx, trial, withClub } from "./pool.ts";
import { copyOf, databaseUrl } from "./testing-template.ts";

export type TestDatabase = {
  readonly ownerUrl: string;
  readonly appUrl: string;
  readonly close: () => Promise<void>;
};

/** A unit of which only tag and model are known, and a release of which only the version is. */
export const PLAIN_UNIT = { serial: "", note: "" } as const;
export const PLAIN_RELEASE = {
  aliases: [],
  track: "factory",
  releasedOn: plain("2026-01-01"),
  fixes: [],
  notes: "",
} as const;

let made = 0;

/** A database with all its tables; `like`: what a template of that name is filled with besides. */
export async function testDatabase(
  like: { readonly name: string; readonly fill: () => Promise<void> } = {
    name: "empty",
    fill: async () => {},
  },
): Promise<TestDatabase> {
  const { MOSSY_TEST_OWNER_URL: owner, MOSSY_TEST_APP_URL: app } = process.env;
  const name = `test_${process.pid}_${made++}`;
  const use = (url: string) => {
    const database = url.slice(url.lastIndexOf("/") + 1);
    process.env.MOSSY_DATABASE_URL = databaseUrl(app, database);
    return closePool();
  };
  await copyOf(`like_${like.name}`, name, owner, async (ownerUrl) => {
    await migrate(ownerUrl);
    await use(ownerUrl);
    await like.fill();
    await closePool();
  });
  const ownerUrl = databaseUrl(owner, name);
  await use(ownerUrl);
  return { ownerUrl, appUrl: databaseUrl(app, name), close: closePool };
}

class TakenBack extends Error {}

/** Runs an act in a transaction of its own and takes all of it back. */
export const takenBack = (actor: Actor, act: (tx: Tx) => Promise<void>): Promise<void> =>
  withClub(actor, async (tx) => {
    await trial.run(tx, () => act(tx));
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
