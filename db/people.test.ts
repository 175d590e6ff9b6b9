// People, their sessions and how often somebody may try to sign in; and the log, read by what it is about.
import pg from "pg";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { countAttempt, forgetAttempts } from "#app/door/attempts.server.ts";
import { hashPassword, newToken, tokenHash } from "#app/door/password.server.ts";
import { plain } from "#core/quantities/date.ts";
import { readLog, tell } from "./log.ts";
import {
  anyClub,
  closeSession,
  findAccount,
  foundClub,
  openSession,
  otherKeepers,
  people,
  putPerson,
  sessionPerson,
  shelvePerson,
} from "./people.ts";
import { type Actor, withClub } from "./pool.ts";
import * as seed from "./seed.ts";
import { PLAIN_UNIT, type TestDatabase, testDatabase, twoClubs } from "./testing.ts";
import { addUnit } from "./units.ts";

let database: TestDatabase;
let one: Actor;
let two: Actor;
beforeAll(async () => {
  database = await testDatabase();
  expect(await anyClub()).toBe(false);
  [one, two] = await twoClubs(database);
});
afterAll(() => database.close());

const inOne = <Value>(act: Parameters<typeof withClub<Value>>[1]) => withClub(one, act);
async function asOwner(text: string, values: unknown[] = []): Promise<pg.QueryResult> {
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  try {
    return await owner.query(text, values);
  } finally {
    await owner.end();
  }
}

describe("founding", () => {
  it("happens once", async () => {
    expect(await anyClub()).toBe(true);
    const again = await foundClub({
      club: "Three",
      timeZone: "UTC",
      keeper: "X",
      email: "x@three.example",
      passwordHash: "-",
    });
    expect(again).toBeUndefined();
  });
});

describe("people", () => {
  it("are found by their e-mail in any case, until they are shelved", async () => {
    await inOne((tx) =>
      putPerson(tx, undefined, {
        name: "Tern",
        email: "Tern@one.example",
        role: "bench",
        callSign: null,
        licence: null,
        passwordHash: "hash of tern",
      }),
    );
    expect(await findAccount("tERN@ONE.example")).toMatchObject({
      password_hash: "hash of tern",
      club_id: one.club,
    });
    const id = await inOne(async (tx) => (await people(tx)).find((p) => p.name === "Tern")?.id ?? "");
    await inOne((tx) => shelvePerson(tx, id));
    expect(await findAccount("tern@one.example")).toBeUndefined();
    expect(await inOne(async (tx) => (await people(tx)).map((p) => p.name))).toEqual(["K"]);
  });

  it("keep their password if a form brings none", async () => {
    const fields = {
      name: "Rail",
      email: "rail@one.example",
      role: "member",
      callSign: "QZ1R",
      licence: null,
    };
    await inOne((tx) => putPerson(tx, undefined, { ...fields, passwordHash: "first" }));
    const id = await inOne(async (tx) => (await people(tx)).find((p) => p.name === "Rail")?.id ?? "");
    await inOne((tx) => putPerson(tx, id, { ...fields, name: "Rail the Second" }));
    expect((await findAccount("rail@one.example"))?.password_hash).toBe("first");
    await inOne((tx) => putPerson(tx, id, { ...fields, passwordHash: "second" }));
    expect((await findAccount("rail@one.example"))?.password_hash).toBe("second");
  });

  it("two of one e-mail there are not, not even in two clubs", async () => {
    const twin = { name: "Twin", email: "L@two.example", role: "member", callSign: null, licence: null };
    await expect(inOne((tx) => putPerson(tx, undefined, twin))).rejects.toMatchObject({ code: "23505" });
  });

  it("the last keeper who can sign in is known as such", async () => {
    expect(await inOne((tx) => otherKeepers(tx, one.person))).toBe(0);
    const second = { name: "Second", email: null, role: "keeper", callSign: null, licence: null };
    await inOne((tx) => putPerson(tx, undefined, second));
    // Without a password nobody can sign in.
    expect(await inOne((tx) => otherKeepers(tx, one.person))).toBe(0);
    const third = { ...second, name: "Third", email: "third@one.example", passwordHash: "x" };
    await inOne((tx) => putPerson(tx, undefined, third));
    expect(await inOne((tx) => otherKeepers(tx, one.person))).toBe(1);
  });
});

describe("sessions", () => {
  it("name their person until they are closed, run out, or the person is shelved", async () => {
    const tokens = [newToken(), newToken(), newToken()];
    const [a = "", b = "", c = ""] = tokens;
    expect(new Set(tokens).size).toBe(3);
    for (const token of [a, b]) await openSession(tokenHash(token), one.club, one.person);
    expect(await sessionPerson(tokenHash(a))).toMatchObject({
      person_id: one.person,
      club_name: "One",
      role: "keeper",
    });
    expect(await sessionPerson(tokenHash(c))).toBeUndefined();
    await closeSession(tokenHash(a));
    expect(await sessionPerson(tokenHash(a))).toBeUndefined();
    await asOwner("update session set expires_at = now() - interval '1 second' where token_hash = $1", [
      tokenHash(b),
    ]);
    expect(await sessionPerson(tokenHash(b))).toBeUndefined();
    await openSession(tokenHash(c), two.club, two.person);
    expect(await sessionPerson(tokenHash(c))).toMatchObject({ club_name: "Two" });
    await withClub(two, (tx) => shelvePerson(tx, two.person));
    expect(await sessionPerson(tokenHash(c))).toBeUndefined();
  });

  it("only the hash of what the cookie carries is stored", async () => {
    const token = newToken();
    await openSession(tokenHash(token), one.club, one.person);
    const { rows } = await asOwner("select encode(token_hash, 'hex') stored from session");
    expect(rows.map((r) => r.stored)).toContain(tokenHash(token).toString("hex"));
    expect(rows.some((r) => Buffer.from(r.stored, "hex").toString("utf8").includes(token))).toBe(false);
  });

  it("passwords are kept as argon2id, each with a salt of its own", async () => {
    const [first, second] = [await hashPassword("lantern"), await hashPassword("lantern")];
    expect(first).toMatch(/^\$argon2id\$/);
    expect(first).not.toBe(second);
  });
});

describe("trying to sign in", () => {
  it("ends after eight tries for one account, from wherever they come, and begins anew after a right one", async () => {
    for (let i = 0; i < 8; i++) expect(await countAttempt("k@one.example", `10.0.0.${i}`)).toBeUndefined();
    const minutes = await countAttempt("K@one.example", "10.0.0.99");
    expect(minutes).toBeGreaterThanOrEqual(1);
    expect(minutes).toBeLessThanOrEqual(15);
    expect(await countAttempt("other@one.example", "10.0.0.1")).toBeUndefined();
    await forgetAttempts("K@ONE.example");
    expect(await countAttempt("k@one.example", "10.0.0.1")).toBeUndefined();
  });

  it("ends after forty tries from one address, at whatever accounts", async () => {
    for (let i = 0; i < 40; i++) expect(await countAttempt(`a${i}@one.example`, "10.9.9.9")).toBeUndefined();
    expect(await countAttempt("a41@one.example", "10.9.9.9")).toBeGreaterThanOrEqual(1);
    expect(await countAttempt("a41@one.example", "10.9.9.8")).toBeUndefined();
  });
});

describe("the log", () => {
  it("is read by unit, person, kind and the club's own days, newest first, page by page", async () => {
    await asOwner("update club set time_zone = 'Pacific/Auckland' where id = $1", [one.club]);
    const { units, model } = await inOne(async (tx) => {
      const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
      const add = (tag: string) => addUnit(tx, { tag, model, ...PLAIN_UNIT }, plain("2026-01-01"));
      return { model, units: [await add("A-1"), await add("A-2")] as const };
    });
    await inOne(async (tx) => {
      // In Auckland the first two are on 2 March, the third is on the 3rd.
      await tell(tx, { kind: "note", text: "a" }, { unit: units[0] }, "2026-03-01T12:00:00Z");
      await tell(tx, { kind: "hold-lifted" }, { unit: units[0] }, "2026-03-02T10:59:00Z");
      await tell(tx, { kind: "note", text: "b" }, { unit: units[1] }, "2026-03-02T11:01:00Z");
      await tell(tx, { kind: "model-added", name: "N" }, { model }, "2026-03-04T00:00:00Z");
    });
    const read = (filter: Parameters<typeof readLog>[1], limit = 50) =>
      inOne(async (tx) =>
        (await readLog(tx, filter, limit)).map((e) => [e.kind, e.tag ?? e.model, e.person]),
      );
    expect(await read({ unit: units[0] })).toEqual([
      ["hold-lifted", "A-1", "K"],
      ["note", "A-1", "K"],
    ]);
    expect(await read({ kind: "note" })).toEqual([
      ["note", "A-2", "K"],
      ["note", "A-1", "K"],
    ]);
    expect(await read({ from: "2026-03-02", to: "2026-03-02" })).toHaveLength(2);
    expect(await read({ from: "2026-03-03", to: "2026-03-03" })).toEqual([["note", "A-2", "K"]]);
    expect(await read({ kind: "note", unit: units[1], person: one.person })).toHaveLength(1);
    expect(await read({ person: two.person })).toEqual([]);
    const first = await inOne((tx) => readLog(tx, {}, 3));
    const rest = await inOne((tx) => readLog(tx, { before: first.at(-1)?.id ?? "" }, 50));
    const whole = await inOne((tx) => readLog(tx, {}, 53));
    expect([...first, ...rest].map((e) => e.id)).toEqual(whole.map((e) => e.id));
    expect(await withClub(two, (tx) => readLog(tx, {}, 50))).toEqual([]);
  });
});
