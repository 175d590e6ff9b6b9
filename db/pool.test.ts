// A database that hangs: nobody waits for it longer than ten seconds, and what comes after it finds good connections.
import net from "node:net";
import { afterAll, beforeAll, expect, test } from "vitest";
import { DatabaseAway, isAway } from "./errors.ts";
import { withClub, withoutClub } from "./pool.ts";
import { readingOf } from "./read.ts";
import { type TestDatabase, testDatabase, twoClubs } from "./testing.ts";

let database: TestDatabase;
let actor: Awaited<ReturnType<typeof twoClubs>>[0];
let holding = false;
const waiting: (() => void)[] = [];
let line: net.Server;

/** Passes on what it gets, or holds it back. */
function held(socket: net.Socket, to: net.Socket): void {
  socket.on("data", (data) => {
    if (holding) waiting.push(() => to.write(data));
    else to.write(data);
  });
  socket.once("close", () => to.destroy());
  socket.on("error", () => to.destroy());
}

beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
  await database.close();
  const url = new URL(database.appUrl);
  const port = Number(url.port);
  line = net.createServer((socket) => {
    const to = net.connect(port, url.hostname);
    held(socket, to);
    held(to, socket);
  });
  await new Promise<void>((resolve) => line.listen(0, "127.0.0.1", resolve));
  url.port = String((line.address() as net.AddressInfo).port);
  process.env.MOSSY_DATABASE_URL = url.href;
});
afterAll(async () => {
  await database.close();
  line.close();
});

const one = (tx: Parameters<Parameters<typeof withClub>[1]>[0]) => tx.query<{ one: number }>("select 1 one");

test("a database that hangs in the middle is away, for what changes, reads, and asks before a club is known", {
  timeout: 10_000,
}, async () => {
  const read = readingOf(actor);
  await Promise.all([withClub(actor, one), withoutClub(one), read(one)]);
  let hangs = () => {};
  const hanging = new Promise<void>((resolve) => {
    hangs = resolve;
  });
  const started = withClub(actor, async (tx) => {
    holding = true;
    hangs();
    await one(tx);
  });
  await hanging;
  await Promise.all([
    expect(started).rejects.toBeInstanceOf(DatabaseAway),
    expect(withoutClub(one)).rejects.toBeInstanceOf(DatabaseAway),
    expect(read(one)).rejects.toBeInstanceOf(DatabaseAway),
  ]);
  holding = false;
  for (const pass of waiting.splice(0)) pass();
  for (let i = 0; i < 4; i++) expect((await withClub(actor, one)).rows).toEqual([{ one: 1 }]);
  expect((await withoutClub(one)).rows).toEqual([{ one: 1 }]);
  expect((await readingOf(actor)(one)).rows).toEqual([{ one: 1 }]);
});

test("a statement that takes too long is ended by the server, and counts as away", {
  timeout: 10_000,
}, async () => {
  const slow = withClub(actor, (tx) => tx.query("select pg_sleep(20)"));
  await expect(slow).rejects.toSatisfy(isAway);
});

test("what may take its time takes it", async () => {
  const { rows } = await withClub(actor, (tx) => tx.query("show statement_timeout"), "work");
  expect(rows).toEqual([{ statement_timeout: "5min" }]);
});

test("what was undone for the sake of another is run again, twice at most; what failed otherwise is not", async () => {
  const undone = Object.assign(new Error("deadlock detected"), { code: "40P01" });
  const run = async (failing: number, error: Error) => {
    let runs = 0;
    const answer = await withClub(actor, async () => {
      runs++;
      if (runs <= failing) throw error;
      return "done";
    }).catch((failed: Error) => failed);
    return [answer, runs];
  };
  expect(await run(2, undone)).toEqual(["done", 3]);
  expect(await run(3, undone)).toEqual([undone, 3]);
  const other = new Error("something else");
  expect(await run(1, other)).toEqual([other, 1]);
});

test("what was opened to another database is not asked any more", async () => {
  const before = process.env.MOSSY_DATABASE_URL ?? "";
  const nameOf = async () =>
    (await withoutClub((tx) => tx.query<{ name: string }>("select current_database() name"))).rows[0]?.name;
  const readOf = () =>
    readingOf(actor)(
      async (tx) => (await tx.query<{ name: string }>("select current_database() name")).rows[0]?.name,
    );
  const own = await nameOf();
  expect(own).toBe(new URL(before).pathname.slice(1));
  expect(await readOf()).toBe(own);
  const other = new URL(before);
  other.pathname = "/postgres";
  process.env.MOSSY_DATABASE_URL = other.href;
  try {
    expect(await nameOf()).toBe("postgres");
    expect(await readOf()).toBe("postgres");
  } finally {
    process.env.MOSSY_DATABASE_URL = before;
  }
  expect(await nameOf()).toBe(own);
});
