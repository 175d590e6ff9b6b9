// What is told of a change: once it is saved, only then, in the order of saving; and what was missed is known to be.
import pg from "pg";
import { afterAll, beforeAll, expect, it, vi } from "vitest";
import { addPlace } from "#acts/club/add-place.ts";
import { perform } from "#acts/define.ts";
import { recordReading } from "#acts/reading/record-reading.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { announce, type Heard, type Listening, listen, TOPIC_OF } from "./live.ts";
import { withClub } from "./pool.ts";

let club: DemoClub;
let listening: Listening;
const heard: Heard[] = [];
let ready = false;
const missed = vi.fn();

beforeAll(async () => {
  club = await demoClub();
  listening = listen(club.appUrl, {
    heard: (what) => {
      if ("what" in what && what.what[0] === "ready") ready = true;
      else heard.push(what);
    },
    missed,
    retryMs: 20,
  });
  await vi.waitFor(async () => {
    await withClub(club.who, (tx) => announce(tx, ["ready"]));
    expect(ready).toBe(true);
  });
});
afterAll(async () => {
  await listening.stop();
  await club.close();
});

it("an act is told of once it is saved; what is taken back is not", async () => {
  await withClub(club.who, async (tx) => {
    await announce(tx, ["unit:1"]);
    throw new Error("taken back");
  }).catch(() => {});
  const units = await withClub(club.who, (tx) => tx.query<{ id: string }>("select id from unit order by id"));
  const unit = units.rows[0]?.id ?? "";
  const input = { unit, typed: "1.02", source: "screen" };
  const done = await perform(recordReading, club.who, { input, key: "live-test-1" });
  expect(done.ok).toBe(true);
  await vi.waitFor(() => expect(heard.length).toBe(1));
  expect(heard[0]).toEqual({ club: club.who.club, what: [`unit:${unit}`, "log", "need"] });
  // The same again changes nothing and is not told.
  await perform(recordReading, club.who, { input, key: "live-test-1" });
  await withClub(club.who, (tx) => announce(tx, ["work"]));
  await vi.waitFor(() => expect(heard.length).toBe(2));
  expect(heard[1]).toEqual({ club: club.who.club, what: ["work"] });
});

it("what an act has touched is told although it names nothing of it", async () => {
  heard.length = 0;
  const done = await perform(addPlace, club.who, {
    input: { name: "Far shelf", kind: "shelf" },
    key: "live-test-2",
  });
  expect(done.ok).toBe(true);
  await vi.waitFor(() => expect(heard.length).toBe(1));
  expect(heard[0]).toEqual({ club: club.who.club, what: ["club", "log"] });
});

it("knows of every table by which topic its rows are shown", async () => {
  const owner = new pg.Client({ connectionString: club.ownerUrl });
  await owner.connect();
  const { rows } = await owner.query<{ name: string }>(
    "select relname name from pg_stat_user_tables t where schemaname = 'public' and exists (select from information_schema.columns c where c.table_name = t.relname and column_name = 'club_id') order by 1",
  );
  await owner.end();
  const tables = rows.map(({ name }) => name);
  expect(tables.length).toBeGreaterThan(50);
  expect(tables.filter((name) => !(name in TOPIC_OF))).toEqual([]);
});

it("after its connection was lost it listens again, and says that something may have been missed", async () => {
  vi.spyOn(console, "error").mockImplementation(() => {});
  const owner = new pg.Client({ connectionString: club.ownerUrl });
  await owner.connect();
  await owner.query(
    "select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'mossy-cabinet live' and datname = current_database()",
  );
  await owner.end();
  await vi.waitFor(() => expect(missed).toHaveBeenCalledTimes(1), { timeout: 10_000 });
  heard.length = 0;
  await withClub(club.who, (tx) => announce(tx, ["log"]));
  await vi.waitFor(() => expect(heard).toEqual([{ club: club.who.club, what: ["log"] }]));
  expect(console.error).toHaveBeenCalledOnce();
});
