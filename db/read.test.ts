// Reading for pages: one transaction for what overlaps, nothing changed in it, nobody else's club seen, and no connection
// kept by what went wrong.
import net from "node:net";
import { afterAll, beforeAll, expect, test } from "vitest";
import { plain } from "#core/quantities/index.ts";
import { type Actor, withClub } from "./pool.ts";
import { readingOf } from "./read.ts";
import * as seed from "./seed.ts";
import { PLAIN_UNIT, type TestDatabase, testDatabase, twoClubs } from "./testing.ts";
import { addUnit } from "./unit/index.ts";

let database: TestDatabase;
let one: Actor;
let two: Actor;
beforeAll(async () => {
  database = await testDatabase();
  [one, two] = await twoClubs(database);
  for (const [actor, tag] of [
    [one, "A-1"],
    [two, "B-1"],
  ] as const) {
    await withClub(actor, async (tx) => {
      const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
      await addUnit(tx, { tag, model, ...PLAIN_UNIT }, plain("2026-01-01"));
    });
  }
});
afterAll(() => database.close());

const transaction = "select pg_current_xact_id_if_assigned() x, pg_backend_pid() pid, now() at";
type Seen = { pid: number; at: Date };

test("acts that overlap see the same transaction; one that comes after them another", async () => {
  const read = readingOf(one);
  const ask = () => read(async (tx) => (await tx.query<Seen>(transaction)).rows[0]);
  const [a, b, c] = await Promise.all([ask(), ask(), ask()]);
  expect(new Set([a, b, c].map((s) => `${s?.pid} ${s?.at.toISOString()}`)).size).toBe(1);
  const later = await ask();
  expect(later?.at.getTime()).toBeGreaterThan(a?.at.getTime() ?? 0);
});

test("each club's reading sees that club alone, however many are read at once", async () => {
  const tags = (actor: Actor) =>
    readingOf(actor)(async (tx) =>
      (await tx.query<{ tag: string }>("select tag from unit")).rows.map((r) => r.tag),
    );
  const many = await Promise.all(Array.from({ length: 60 }, (_, i) => tags(i % 2 ? two : one)));
  many.forEach((seen, i) => {
    expect(seen).toEqual([i % 2 ? "B-1" : "A-1"]);
  });
});

test("what is asked at the same moment comes back to whoever asked", async () => {
  const numbers = Array.from({ length: 200 }, (_, i) => i);
  const told = await readingOf(one)((tx) =>
    Promise.all(
      numbers.map(async (n) => (await tx.query<{ n: number }>("select $1::int n", [n])).rows[0]?.n),
    ),
  );
  expect(told).toEqual(numbers);
});

test("what is asked at the same moment goes out in one piece", async () => {
  const pieces: number[] = [];
  const sockets = net.Socket.prototype as unknown as Record<"_write" | "_writev", (...a: unknown[]) => void>;
  const { _write, _writev } = sockets;
  const noting = (write: typeof _write, count: (what: unknown) => number) =>
    function (this: net.Socket, ...args: unknown[]) {
      // What the tests' own runner writes elsewhere does not count.
      if (this.remotePort === Number(new URL(database.appUrl).port)) pieces.push(count(args[0]));
      write.apply(this, args);
    };
  sockets._write = noting(_write, () => 1);
  sockets._writev = noting(_writev, (list) => (list as unknown[]).length);
  try {
    await readingOf(one)(async (tx) => {
      // Whoever is first may have had to connect, and to say who reads.
      await tx.query("select $1::int n", [0]);
      pieces.length = 0;
      const asked = [1, 2, 3].map((n) => tx.query<{ n: number }>("select $1::int n", [n]));
      const later = (async () => tx.query<{ n: number }>("select $1::int n", [4]))();
      const told = await Promise.all([...asked, later]);
      expect(told.map(({ rows }) => rows[0]?.n)).toEqual([1, 2, 3, 4]);
      expect(pieces).toEqual([16]);
    });
  } finally {
    Object.assign(sockets, { _write, _writev });
  }
});

test("nothing can be changed in it", async () => {
  const change = readingOf(one)((tx) => tx.query("update unit set note = 'changed'"));
  await expect(change).rejects.toMatchObject({ code: "25006" });
  const notes = await withClub(one, async (tx) => (await tx.query("select note from unit")).rows);
  expect(notes).toEqual([{ note: "" }]);
});

test("a failure reaches whoever asked, and the connection serves the next", async () => {
  for (let i = 0; i < 30; i++) {
    const read = readingOf(one);
    await expect(read((tx) => tx.query("select 1 / 0"))).rejects.toMatchObject({ code: "22012" });
    await expect(
      read(async () => {
        throw new Error("a defect of ours");
      }),
    ).rejects.toThrow("a defect of ours");
  }
  const alive = await readingOf(one)(async (tx) => (await tx.query("select tag from unit")).rows);
  expect(alive).toEqual([{ tag: "A-1" }]);
});

test("one act that fails does not hide from the others what went wrong", async () => {
  const read = readingOf(one);
  const told = await Promise.allSettled([
    read((tx) => tx.query("select 1 / 0")),
    read((tx) => tx.query("select tag from unit")),
  ]);
  expect(told[0]).toMatchObject({ status: "rejected", reason: { code: "22012" } });
  // What comes after a failure in the same transaction is refused, and says so.
  expect(told[1]).toMatchObject({ status: "rejected", reason: { code: "25P02" } });
});
