// People, their sessions and how often somebody may try to sign in; and the log, read by what it is about.
import pg from "pg";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  countAttempt,
  countOwn,
  forgetAttempts,
  forgetOwn,
  ofAccount,
  placeOf,
  refusalBeforeSignIn,
} from "#app/auth/attempts.server.ts";
import { signed, unsigned } from "#app/auth/device.server.ts";
import { keepForm, keptForm, packKept } from "#app/auth/pack.server.ts";
import { hashPassword, newToken, tokenHash } from "#app/auth/password.server.ts";
import { plain } from "#core/quantities/index.ts";
import { type Actor, withClub } from "../pool.ts";
import * as seed from "../seed.ts";
import { PLAIN_UNIT, type TestDatabase, testDatabase, twoClubs } from "../testing.ts";
import { addUnit } from "../unit/index.ts";
import { readLog } from "./log.ts";
import {
  anyClub,
  comings,
  foundClub,
  isLastKeeper,
  people,
  personById,
  putPerson,
  recoverPerson,
  shelvedPeople,
  shelvePerson,
} from "./people.ts";
import {
  closeSession,
  endSessions,
  findAccount,
  findLink,
  logSignIn,
  makeLink,
  openSession,
  redeemLink,
  sessionPerson,
  sessionsOf,
  setPassword,
  signingKey,
} from "./sessions.ts";

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

const TERN = { name: "Tern", email: "Tern@one.example", role: "bench", callSign: null, licence: null };
/** A person who can sign in. */
async function added(fields: Partial<typeof TERN>, hash = "a hash"): Promise<string> {
  const id = await inOne((tx) => putPerson(tx, undefined, { ...TERN, ...fields }));
  await asOwner("update person set password_hash = $2 where id = $1", [id, hash]);
  return id ?? "";
}

describe("people", () => {
  it("are found by their e-mail however it is written, until they are shelved, and again once they are back", async () => {
    const id = await added({});
    for (const email of ["tERN@ONE.example", " ＴERN@one.example"])
      expect(await findAccount(email)).toMatchObject({
        password_hash: "a hash",
        club_id: one.club,
        name: "Tern",
      });
    await inOne((tx) => shelvePerson(tx, id));
    expect(await findAccount("tern@one.example")).toBeUndefined();
    expect(await inOne(async (tx) => (await people(tx)).map((p) => p.name))).toEqual(["K"]);
    expect(await inOne(async (tx) => (await shelvedPeople(tx)).map((p) => p.name))).toEqual(["Tern"]);
    expect(await inOne((tx) => recoverPerson(tx, id))).toBe(true);
    expect(await inOne((tx) => recoverPerson(tx, id))).toBe(false);
    expect(await findAccount("tern@one.example")).toMatchObject({ person_id: id });
    await inOne((tx) => shelvePerson(tx, id));
  });

  it("a dotted capital I makes no second address", async () => {
    const id = await added({ name: "Iris", email: "iris@one.example" });
    const twin = { ...TERN, email: "\u0130RIS@one.example" };
    await expect(inOne((tx) => putPerson(tx, undefined, twin))).rejects.toMatchObject({ code: "23505" });
    await inOne((tx) => shelvePerson(tx, id));
  });

  it("two of one e-mail there are not, not even in two clubs", async () => {
    const twin = { ...TERN, email: "L@two.example" };
    await expect(inOne((tx) => putPerson(tx, undefined, twin))).rejects.toMatchObject({ code: "23505" });
  });

  it("whose role or address changes is signed out; whose name changes is not", async () => {
    const id = await added({ name: "Rail", email: "rail@one.example" });
    const open = async () => {
      const token = newToken();
      await openSession(tokenHash(token), one.club, id);
      return async () => (await sessionPerson(tokenHash(token))) !== undefined;
    };
    const fields = { ...TERN, name: "Rail", email: "rail@one.example" };
    const isOpen = await open();
    await inOne((tx) => putPerson(tx, id, { ...fields, name: "Rail the Second" }));
    expect(await isOpen()).toBe(true);
    await inOne((tx) => putPerson(tx, id, { ...fields, role: "member" }));
    expect(await isOpen()).toBe(false);
    const again = await open();
    await inOne((tx) => putPerson(tx, id, { ...fields, role: "member", email: "rail@elsewhere.example" }));
    expect(await again()).toBe(false);
  });
});

describe("the last keeper", () => {
  const demote = (id: string, email: string | null = "k@one.example") =>
    inOne((tx) => putPerson(tx, id, { ...TERN, name: "K", email, role: "member" }));

  it("stays one, by whatever door: role, shelf, address", async () => {
    for (const act of [
      () => demote(one.person),
      () => inOne((tx) => shelvePerson(tx, one.person)),
      () => inOne((tx) => putPerson(tx, one.person, { ...TERN, name: "K", email: null, role: "keeper" })),
    ])
      await expect(act()).rejects.toSatisfy(isLastKeeper);
    // A second one who cannot sign in does not help.
    await inOne((tx) => putPerson(tx, undefined, { ...TERN, email: null, role: "keeper" }));
    await expect(demote(one.person)).rejects.toSatisfy(isLastKeeper);
    expect(await inOne(async (tx) => (await personById(tx, one.person))?.role)).toBe("keeper");
  });

  it("two that demote each other at the same moment do not both succeed", async () => {
    const other = await added({ name: "Other", email: "other@one.example", role: "keeper" });
    for (let i = 0; i < 5; i++) {
      const both = await Promise.allSettled([demote(one.person), demote(other, "other@one.example")]);
      expect(both.filter((result) => result.status === "fulfilled")).toHaveLength(1);
      await asOwner("update person set role = 'keeper' where id = any($1::bigint[])", [[one.person, other]]);
    }
    await demote(other, "other@one.example");
  });
});

describe("sessions", () => {
  it("name their person until they are closed, run out, were long unused, or the person is shelved", async () => {
    const tokens = [newToken(), newToken(), newToken(), newToken()];
    const [a = "", b = "", c = "", d = ""] = tokens;
    expect(new Set(tokens).size).toBe(4);
    for (const token of [a, b, d]) await openSession(tokenHash(token), one.club, one.person, "x".repeat(999));
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
    // Used again in time it goes on; left alone for longer it ends, though its own time is not over.
    await asOwner("update session set seen_at = now() - interval '13 days' where token_hash = $1", [
      tokenHash(d),
    ]);
    expect(await sessionPerson(tokenHash(d))).toBeDefined();
    const { rows } = await asOwner(
      "select now() - seen_at < interval '1 minute' fresh from session where token_hash = $1",
      [tokenHash(d)],
    );
    expect(rows).toEqual([{ fresh: true }]);
    await asOwner("update session set seen_at = now() - interval '15 days' where token_hash = $1", [
      tokenHash(d),
    ]);
    expect(await sessionPerson(tokenHash(d))).toBeUndefined();
    const id = await added({ name: "Gone", email: "gone@one.example" });
    await openSession(tokenHash(c), one.club, id);
    expect(await sessionPerson(tokenHash(c))).toMatchObject({ name: "Gone" });
    await inOne((tx) => shelvePerson(tx, id));
    expect(await sessionPerson(tokenHash(c))).toBeUndefined();
  });

  it("are seen and ended by their own person, one or all others; a new password ends all others", async () => {
    const id = await added({ name: "Many", email: "many@one.example" });
    const [here = "", ...others] = Array.from({ length: 4 }, newToken);
    for (const token of [...others, here]) await openSession(tokenHash(token), one.club, id, "A kettle");
    const session = (await sessionPerson(tokenHash(here)))?.session_id ?? "";
    const seen = await inOne((tx) => sessionsOf(tx, id));
    expect(seen).toHaveLength(4);
    expect(seen.map((s) => s.browser)).toEqual(Array(4).fill("A kettle"));
    const third = seen.find((s) => s.id !== session)?.id ?? "";
    expect(await inOne((tx) => endSessions(tx, one.person, { only: third }))).toBe(0);
    expect(await inOne((tx) => endSessions(tx, id, { only: third }))).toBe(1);
    await inOne((tx) => setPassword(tx, id, "new", session));
    expect((await inOne((tx) => sessionsOf(tx, id))).map((s) => s.id)).toEqual([session]);
    expect((await findAccount("many@one.example"))?.password_hash).toBe("new");
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

describe("a link for one use", () => {
  const token = () => tokenHash(newToken());
  it("sets the password once, ends every session, and is told in the log", async () => {
    const id = await added({ name: "Linked", email: "linked@one.example" });
    await openSession(token(), one.club, id);
    const link = token();
    await inOne((tx) => makeLink(tx, id, link));
    expect(await findLink(link)).toMatchObject({ name: "Linked", club_name: "One", has_password: true });
    const both = await Promise.all([redeemLink(link, "chosen"), redeemLink(link, "chosen twice")]);
    expect(both.filter((person) => person?.person_id === id)).toHaveLength(1);
    expect(await inOne((tx) => sessionsOf(tx, id))).toEqual([]);
    expect(await findLink(link)).toBeUndefined();
    const log = await inOne((tx) => readLog(tx, { person: id }, 5, "keeper"));
    expect(log.map((entry) => [entry.kind, entry.detail])).toEqual([["password-changed", { how: "link" }]]);
  });

  it("is good for a day, until another is made, and not for somebody on the shelf", async () => {
    const id = await added({ name: "Late", email: "late@one.example" });
    const [old, aged, shelved] = [token(), token(), token()];
    for (const link of [old, aged]) await inOne((tx) => makeLink(tx, id, link));
    expect(await findLink(old)).toBeUndefined();
    expect(await redeemLink(old, "x")).toBeUndefined();
    const { rows } = await asOwner(
      "select extract(epoch from expires_at - made_at)::int lasts from one_time_link where token_hash = $1",
      [aged],
    );
    expect(rows).toEqual([{ lasts: 86_400 }]);
    await asOwner("update one_time_link set expires_at = now() where token_hash = $1", [aged]);
    expect(await redeemLink(aged, "x")).toBeUndefined();
    await inOne((tx) => makeLink(tx, id, shelved));
    await inOne((tx) => shelvePerson(tx, id));
    expect(await redeemLink(shelved, "x")).toBeUndefined();
    expect((await asOwner("select password_hash from person where id = $1", [id])).rows).toEqual([
      { password_hash: "a hash" },
    ]);
  });
});

describe("what was handed over before", () => {
  const token = () => tokenHash(newToken());
  it("a link is good no more once the person's role or address is another; a new name changes nothing", async () => {
    const fields = { ...TERN, name: "Handed", email: "handed@one.example" };
    const id = await added({ name: "Handed", email: "handed@one.example" });
    for (const [change, good] of [
      [{ name: "Handed Over" }, true],
      [{ role: "member" as const }, false],
      [{ email: "elsewhere@one.example" }, false],
    ] as const) {
      await inOne((tx) => putPerson(tx, id, fields));
      const link = token();
      await inOne((tx) => makeLink(tx, id, link));
      await inOne((tx) => putPerson(tx, id, { ...fields, ...change }));
      expect([change, (await findLink(link)) !== undefined]).toEqual([change, good]);
      expect((await redeemLink(link, "x")) !== undefined).toBe(good);
    }
  });

  it("an end that a clock set too far ahead has passed: of links, sessions, and waits", async () => {
    const id = await added({ name: "Ahead", email: "ahead@one.example" });
    const [link, session] = [token(), token()];
    await inOne((tx) => makeLink(tx, id, link));
    await openSession(session, one.club, id);
    expect(await sessionPerson(session)).toMatchObject({ name: "Ahead" });
    await asOwner(
      "update one_time_link set expires_at = expires_at + interval '1 day' where token_hash = $1",
      [link],
    );
    await asOwner("update session set expires_at = expires_at + interval '1 day' where token_hash = $1", [
      session,
    ]);
    expect(await findLink(link)).toBeUndefined();
    expect(await redeemLink(link, "x")).toBeUndefined();
    expect(await sessionPerson(session)).toBeUndefined();
    const tried = { email: "ahead@one.example", address: "10.8.0.1" };
    for (let i = 0; i < 9; i++) await countAttempt(tried);
    expect(await countAttempt(tried)).toBeGreaterThan(0);
    await asOwner("update sign_in_attempt set expire = expire + 86400000");
    expect(await countAttempt(tried)).toBeUndefined();
  });
});

describe("trying to sign in", () => {
  it("a browser's mark counts at its own account; at any other it is a stranger, and so is any at an address nobody has", () => {
    const mark = { id: "mark", club: one.club, person: one.person };
    const account = { club_id: one.club, person_id: one.person };
    expect(ofAccount(mark, account)).toBe(mark);
    expect(ofAccount(mark, { ...account, person_id: two.person })).toBeUndefined();
    expect(ofAccount(mark, { ...account, club_id: two.club })).toBeUndefined();
    expect(ofAccount(mark, undefined)).toBeUndefined();
    expect(ofAccount(undefined, account)).toBeUndefined();
  });

  it("the own password is counted for the person, whatever address it is tried from", async () => {
    for (let i = 0; i < 8; i++) expect(await countOwn(one.person)).toBeUndefined();
    expect(await countOwn(one.person)).toBeGreaterThan(0);
    expect(await countOwn(two.person)).toBeUndefined();
    await forgetOwn(one.person);
    expect(await countOwn(one.person)).toBeUndefined();
  });

  const from = (email: string, address: string) => ({ email, address });
  it("ends after eight tries at one account from one address, and begins anew after a right one", async () => {
    for (let i = 0; i < 8; i++) expect(await countAttempt(from("k@one.example", "10.0.0.1"))).toBeUndefined();
    const minutes = await countAttempt(from("K@one.example", "::ffff:10.0.0.1"));
    expect(minutes).toBeGreaterThanOrEqual(1);
    expect(minutes).toBeLessThanOrEqual(15);
    expect(await countAttempt(from("other@one.example", "10.0.0.1"))).toBeUndefined();
    await forgetAttempts(from("K@ONE.example", "10.0.0.1"));
    expect(await countAttempt(from("k@one.example", "10.0.0.1"))).toBeUndefined();
  });

  it("never ends for somebody because of what others try elsewhere, nor in a browser that signed in before", async () => {
    for (let i = 0; i < 60; i++) await countAttempt(from("m@one.example", `10.1.${i}.1`));
    expect(await countAttempt(from("m@one.example", "10.2.0.1"))).toBeUndefined();
    // At one's own address, too: the mark of the browser counts by itself.
    for (let i = 0; i < 60; i++) await countAttempt(from("m@one.example", "10.3.0.1"));
    const device = { id: "mark", club: one.club, person: one.person };
    expect(await countAttempt(from("m@one.example", "10.3.0.1"))).toBeGreaterThan(0);
    expect(await countAttempt({ ...from("m@one.example", "10.3.0.1"), device })).toBeUndefined();
    for (let i = 0; i < 8; i++) await countAttempt({ ...from("m@one.example", "10.3.0.1"), device });
    expect(await countAttempt({ ...from("m@one.example", "10.3.0.1"), device })).toBeGreaterThan(0);
  });

  it("ends after forty tries from one address, at whatever accounts, before anything is read", async () => {
    const refusal = (path: string, address = "10.9.9.9") => refusalBeforeSignIn(path, address, undefined);
    for (let i = 0; i < 40; i++)
      expect(await countAttempt(from(`a${i}@one.example`, "10.9.9.9"))).toBeUndefined();
    expect(await refusal("/sign-in")).toBeUndefined();
    expect(await countAttempt(from("a41@one.example", "10.9.9.9"))).toBeGreaterThanOrEqual(1);
    expect(await countAttempt(from("a41@one.example", "10.9.9.8"))).toBeUndefined();
    for (const path of ["/sign-in", "/sign-in.data", "/first", "/join/abc"])
      expect(await refusal(path)).toMatchObject({
        status: 429,
        why: expect.stringContaining("Try again in"),
      });
    expect(await refusal("/sign-in", "10.9.9.8")).toBeUndefined();
    expect(await refusal("/units/W-03")).toBeUndefined();
  });

  it("an address that folds to more than a key may hold is counted all the same", async () => {
    expect(await countAttempt(from("\u0130".repeat(200), "10.4.0.1"))).toBeUndefined();
    expect(await findAccount("\ufdfa".repeat(200))).toBeUndefined();
  });

  it("is told in the log, whether it went well or not; of an address nobody has, only that it was tried", async () => {
    const account = await findAccount("k@one.example");
    await logSignIn(account, "sign-in-failed", "10.0.0.7");
    await logSignIn(account, "signed-in", "10.0.0.7");
    const log = await inOne((tx) => readLog(tx, { person: one.person }, 2, "keeper"));
    expect(log.map((entry) => [entry.kind, entry.detail])).toEqual([
      ["signed-in", { from: "10.0.0.7" }],
      ["sign-in-failed", { from: "10.0.0.7" }],
    ]);
    // There are two clubs here: an address nobody has belongs to neither.
    const count = async () => (await asOwner("select count(*)::int n from log")).rows[0].n;
    const before = await count();
    await logSignIn(undefined, "sign-in-failed", "10.0.0.7");
    expect(await count()).toBe(before);
  });
});

describe("where somebody comes from", () => {
  it.each([
    ["::ffff:10.0.0.7", "10.0.0.7"],
    ["2001:db8:1:2:3:4:5:6", "2001:db8:1:2"],
    ["2001:0DB8:0001:0002::1", "2001:db8:1:2"],
    ["2001:db8::1", "2001:db8:0:0"],
    ["::1", "0:0:0:0"],
    ["fe80::1%eth0", "fe80:0:0:0"],
    ["", ""],
  ])("%s is %s", (address, place) => expect(placeOf(address)).toBe(place));
});

describe("what the server signs", () => {
  it("comes back for just what it was signed for, and not otherwise", async () => {
    expect((await signingKey()).length).toBe(32);
    const told = await signed("a text. with dots", "form 7");
    expect(await unsigned(told, "form 7")).toBe("a text. with dots");
    expect(await unsigned(told, "form 8")).toBeUndefined();
    expect(await unsigned(`b${told}`, "form 7")).toBeUndefined();
    expect(await unsigned(told.slice(0, -1), "form 7")).toBeUndefined();
    expect(await unsigned("", "form 7")).toBeUndefined();
  });

  it("a form is kept for its person, page and hour, and for no other", async () => {
    const form = new FormData();
    form.append("note", "fuse changed");
    const of = { club: "1", person: "2", path: "/units/M-02/edit?x=1", now: 10.5 * 3_600_000 };
    const kept = (await keepForm(form, of)) ?? "";
    expect(await keptForm(kept, of)).toEqual([["note", "fuse changed"]]);
    expect(await keptForm(kept, { ...of, now: 11.9 * 3_600_000 })).toEqual([["note", "fuse changed"]]);
    for (const other of [
      { club: "2" },
      { person: "3" },
      { path: "/units/M-02/edit" },
      { now: 12.1 * 3_600_000 },
      { now: 9.9 * 3_600_000 },
    ])
      expect([other, await keptForm(kept, { ...of, ...other })]).toEqual([other, undefined]);
    expect(await keptForm(packKept(form) ?? "", of)).toBeUndefined();
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
    const by = one.person;
    await inOne((tx) =>
      // In Auckland the first two are on 2 March, the third is on the 3rd.
      seed.seedLog(tx, [
        { at: "2026-03-01T12:00:00Z", by, entry: { kind: "note", text: "a" }, unit: units[0] },
        { at: "2026-03-02T10:59:00Z", by, entry: { kind: "hold-lifted" }, unit: units[0] },
        { at: "2026-03-02T11:01:00Z", by, entry: { kind: "note", text: "b" }, unit: units[1] },
        { at: "2026-03-04T00:00:00Z", by, entry: { kind: "model-added", name: "N" }, model },
      ]),
    );
    const read = (filter: Parameters<typeof readLog>[1], limit = 50) =>
      inOne(async (tx) =>
        (await readLog(tx, filter, limit, "keeper")).map((e) => [e.kind, e.tag ?? e.model, e.person]),
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
    const first = await inOne((tx) => readLog(tx, {}, 3, "keeper"));
    const rest = await inOne((tx) => readLog(tx, { before: first.at(-1)?.id ?? "" }, 50, "keeper"));
    const whole = await inOne((tx) => readLog(tx, {}, 53, "keeper"));
    expect([...first, ...rest].map((e) => e.id)).toEqual(whole.map((e) => e.id));
    expect(await withClub(two, (tx) => readLog(tx, {}, 50, "keeper"))).toEqual([]);
  });
});

describe("when somebody came", () => {
  it("is the later of their sessions and the log; they have what is lent to them and not back, in the order of tags", async () => {
    const id = await added({ name: "Whinchat", email: "whinchat@one.example" });
    const of = () => inOne(async (tx) => (await comings(tx)).find((person) => person.id === id));
    expect(await of()).toEqual({ id, came: null, holds: [] });
    const seen = async (day: string) => {
      const token = tokenHash(newToken());
      await openSession(token, one.club, id);
      await asOwner("update session set seen_at = $2 where token_hash = $1", [token, day]);
    };
    await seen("2026-03-04");
    await seen("2026-03-02");
    expect((await of())?.came?.toISOString().slice(0, 10)).toBe("2026-03-04");
    await inOne(async (tx) => {
      const model = await seed.seedModel(tx, { maker: "M", name: "W", kind: "base", note: "", suffixes: [] });
      for (const [tag, back] of [
        ["L-10", null],
        ["L-9", null],
        ["L-8", "2026-02-01"],
      ] as const) {
        const unit = await addUnit(tx, { tag, model, ...PLAIN_UNIT }, plain("2026-01-01"));
        await tx.query(
          "insert into custody (club_id, unit_id, person_id, out_on, back_on) values (current_club(), $1, $2, '2026-01-01', $3)",
          [unit, id, back],
        );
      }
      await seed.seedLog(tx, [{ at: "2026-03-09T12:00:00Z", by: id, entry: { kind: "note", text: "a" } }]);
    });
    expect(await of()).toMatchObject({ holds: ["L-9", "L-10"] });
    expect((await of())?.came?.toISOString().slice(0, 10)).toBe("2026-03-09");
    // In the other club nobody is told of; nor are those on the shelf.
    expect((await withClub(two, comings)).map((person) => person.id)).not.toContain(id);
    await asOwner("update custody set back_on = '2026-03-10' where person_id = $1", [id]);
    await inOne((tx) => shelvePerson(tx, id));
    expect(await of()).toBeUndefined();
  });
});
