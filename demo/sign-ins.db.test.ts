// What a start prints for signing in: only what is so.
import { afterAll, beforeAll, expect, test } from "vitest";
import { hashPassword } from "#app/auth/password.server.ts";
import { foundClub } from "#db/club/index.ts";
import { closePool, withClub } from "#db/pool.ts";
import { testDatabase } from "#db/testing.ts";
import { PEOPLE } from "./data/club.ts";
import { demoSignIns } from "./load.ts";
import { demoClub } from "./testing.ts";

beforeAll(async () => {
  await testDatabase();
});
afterAll(closePool);

test("of a club that is not the demo's nobody's address is printed", async () => {
  expect(await demoSignIns()).toEqual([]);
  await foundClub({
    club: "Alder Ford Radio",
    timeZone: "UTC",
    keeper: "Ash",
    email: "ash@alderford.example",
    passwordHash: "their own",
  });
  expect(await demoSignIns()).toEqual([]);
});

test("of the demo's people, those who still have its password", async () => {
  const club = await demoClub();
  const all = PEOPLE.filter(({ email }) => email !== undefined);
  const lines = await demoSignIns();
  expect(lines).toHaveLength(all.length + 1);
  const another = await hashPassword("a sentence of their own");
  await withClub(club.who, (tx) =>
    tx.query("update person set password_hash = $2 where id = $1", [club.who.person, another]),
  );
  expect((await demoSignIns()).join()).not.toContain(all[0]?.email);
  await club.close();
});
