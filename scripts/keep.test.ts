// All records kept in one file and brought back, while the server runs; and a database server that is killed comes back by itself.
import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import pg from "pg";
import { afterAll, beforeAll, expect, test } from "vitest";
import { scratchFolder } from "./keep.ts";
import { attachCluster, freePort, startCluster } from "./postgres.ts";

const root = fileURLToPath(new URL("..", import.meta.url));
let folder: string;
let port: number;
let server: ChildProcess;
let said = "";

const env = (data: string) => ({ ...process.env, MOSSY_DATA: data, NODE_ENV: "production" });
const run = (script: string, data: string, ...args: string[]) =>
  spawnSync(process.execPath, ["--import", "tsx", `scripts/${script}.ts`, ...args], {
    cwd: root,
    encoding: "utf8",
    env: env(data),
    input: "",
  });
const heard = (what: RegExp) =>
  new Promise<void>((resolve, reject) => {
    const look = () => what.test(said) && resolve();
    server.stdout?.on("data", look);
    server.once("exit", () => reject(new Error(`it ended: ${said}`)));
    look();
  });
const file = (name: string) => path.join(folder, name);

async function asAdmin<Row extends pg.QueryResultRow>(
  data: string,
  text: string,
  database = "mossy",
): Promise<Row[]> {
  const running = attachCluster(path.join(data, "postgres"));
  if (!running) throw new Error("it is not running");
  const client = new pg.Client({ connectionString: running.adminUrl.replace(/[^/]*$/, database) });
  await client.connect();
  try {
    return (await client.query<Row>(text)).rows;
  } finally {
    await client.end();
  }
}
const tagOf = (data: string, database?: string) =>
  asAdmin<{ tag: string }>(data, "select tag from unit where note = 'marked'", database);
const mark = (data: string, tag: string) =>
  asAdmin(data, `update unit set note = 'marked', tag = '${tag}' where id = (select min(id) from unit)`);

beforeAll(async () => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-keep-test-"));
  fs.chmodSync(folder, 0o755);
  port = await freePort();
  server = spawn(process.execPath, ["--import", "tsx", "scripts/start.ts", "--port", String(port)], {
    cwd: root,
    env: env(file("one")),
  });
  server.stdout?.on("data", (chunk) => (said += chunk));
  server.stderr?.on("data", (chunk) => (said += chunk));
  await heard(/Ctrl-C stops it/);
}, 180_000);
afterAll(async () => {
  const over = new Promise((resolve) => server.once("exit", resolve));
  server.kill("SIGINT");
  await over;
  fs.rmSync(folder, { recursive: true, force: true });
});

test("kept while serving, checked against what every table held, and never written over", async () => {
  await mark(file("one"), "KEPT-1");
  const made = run("backup", file("one"), file("a.mossy"), "--verify");
  expect(made.stderr).toBe("");
  expect(made.stdout).toMatch(/Kept in .*: \d+ rows of \d+ tables/);
  expect(made.stdout).toContain("are as they were on");
  expect(fs.statSync(file("a.mossy")).mode & 0o077).toBe(0);
  expect(run("backup", file("one"), file("a.mossy")).stderr).toContain("never written over");
  const noted = await asAdmin(file("one"), "select verified_at is not null checked from backup_made");
  expect(noted).toEqual([{ checked: true }]);
});

test("a file that is damaged, cut short, or none of ours is told apart from one that is whole", () => {
  const whole = fs.readFileSync(file("a.mossy"));
  const bent = Buffer.from(whole);
  bent[whole.length - 3000] = (bent[whole.length - 3000] ?? 0) ^ 1;
  const cases = [
    ["bent", bent, "is damaged"],
    ["short", whole.subarray(0, whole.length >> 1), "cut short"],
    ["other", Buffer.from("Dear keeper"), "is no backup"],
  ] as const;
  for (const [name, bytes, says] of cases) {
    fs.writeFileSync(file(name), bytes);
    for (const answer of [
      run("backup", file("one"), file(name), "--verify"),
      run("restore", file("one"), file(name), "--replace"),
    ]) {
      expect([name, answer.status, answer.stderr]).toEqual([name, 1, expect.stringContaining(says)]);
    }
  }
  expect(run("restore", file("one"), file("missing")).stderr).toContain("There is no file");
});

test("restored while serving: asks first, comes back whole, keeps what was there, and the server goes on", async () => {
  await mark(file("one"), "LATER-1");
  const asked = run("restore", file("one"), file("a.mossy"));
  expect([asked.status, asked.stderr]).toEqual([1, expect.stringContaining("Lanternfen Radio Circle")]);
  expect(await tagOf(file("one"))).toEqual([{ tag: "LATER-1" }]);
  const done = run("restore", file("one"), file("a.mossy"), "--replace");
  expect([done.status, done.stderr]).toEqual([0, ""]);
  expect(await tagOf(file("one"))).toEqual([{ tag: "KEPT-1" }]);
  expect(await tagOf(file("one"), "mossy_before")).toEqual([{ tag: "LATER-1" }]);
  expect((await fetch(`http://127.0.0.1:${port}/sign-in`)).status).toBe(200);
});

test("a restore does nothing that the file defines, ends what opens doors, and says whose password is older again", async () => {
  await asAdmin(
    file("one"),
    `create function evil() returns trigger language plpgsql as $$ begin raise exception 'evil'; end $$;
     create trigger evil before insert on unit for each row execute function evil();
     insert into session (token_hash, club_id, person_id, expires_at) select 'x', club_id, id, now() + interval '1 day' from person limit 1`,
  );
  expect(run("backup", file("one"), file("evil.mossy")).status).toBe(0);
  await asAdmin(file("one"), "update person set password_hash = 'newer' where name like 'Wren%'");
  const done = run("restore", file("one"), file("evil.mossy"), "--replace");
  expect([done.status, done.stderr]).toEqual([0, ""]);
  expect(done.stdout).toContain("Everybody signs in anew");
  expect(done.stdout).toMatch(/is the older one again, for:\n {2}Lanternfen Radio Circle: Wren/);
  expect(await asAdmin(file("one"), "select proname from pg_proc where proname = 'evil'")).toEqual([]);
  expect(await asAdmin(file("one"), "select count(*)::int n from session")).toEqual([{ n: 0 }]);
});

test("where records are on their way nobody else reads them, and what a killed one left is cleared away", () => {
  const within = path.join(folder, "tmp");
  fs.mkdirSync(within);
  const left = path.join(within, "mossy-scratch-killed");
  const others = path.join(within, "mossy-scratch-of-nobody");
  for (const one of [left, others]) fs.mkdirSync(one);
  fs.writeFileSync(path.join(left, "process"), "999999999");
  fs.writeFileSync(path.join(left, "records.dump"), "records");
  const before = process.umask();
  const scratch = scratchFolder(within);
  process.umask(before);
  expect(fs.readdirSync(within).sort()).toEqual([path.basename(scratch.path), path.basename(others)].sort());
  expect(fs.statSync(scratch.path).mode & 0o077).toBe(0);
  scratch.remove();
});

test("restored into a folder that has nothing yet, by a version that is newer; not by one that is older", async () => {
  const into = run("restore", file("two"), file("a.mossy"));
  expect([into.status, into.stderr]).toEqual([0, ""]);
  const kept = run("backup", file("two"), file("b.mossy"), "--verify");
  expect(kept.status).toBe(0);
  // As it was before the last steps: what they made and the notes of them are gone.
  await asAdmin(
    file("one"),
    "drop table antenna; alter table gear drop column socket; delete from need where action not in ('install', 'kit', 'no-route', 'read', 'look-up', 'ask-back'); alter table model drop column no_backup_why; alter table need alter action type smallint using array_position(array['install', 'kit', 'no-route', 'read', 'look-up', 'ask-back'], action) - 1; drop table profile_use; drop table profile; drop table pair_advice; drop table pairing_event; drop table pairing; drop table charge; drop table device; alter table gear drop column places; drop table identity; drop table channel_mapping; drop table repeater_heard; drop table repeater; alter table model drop column merged_into; alter table club drop column steps_unwanted; alter table log drop column on_day; alter table log drop column words; drop trigger log_told on log; drop function log_told; drop function log_plain; drop view carrying_rule; drop table carrying; drop table carrying_count; drop function carry cascade; drop function count_carrying; drop function carry_those cascade; drop function carry_new_units cascade; drop function carry_other_units cascade; drop function carry_plan cascade; drop table codeplug_now; drop table codeplug; drop table plan_table; drop table channel_plan; drop table codeplug_facts; drop table spectrum; drop table emission_limit; alter table confirmation drop column mode_id; alter table confirmation add constraint confirmation_of_one check (num_nonnulls(procedure_id, quirk_id, release_id, component_id) <= 1); drop table unit_setting; drop table service_item; drop table measurement; drop table unit_mode; drop table segment; drop table mode; drop table practice_try; alter table club drop column clean_tries; drop table run_thing; drop table simulated_radio; drop table backup; drop table file_part; alter table club drop column bench_silence; drop table run_event; drop table run; drop trigger session_end on session; drop function tell_session_end; alter table need rename column action to doing; drop table act_done; drop table backup_made cascade; drop function last_backup; drop function advance_ids; delete from migration where name >= '20261126130000000'",
  );
  expect(run("backup", file("one"), file("old.mossy")).status).toBe(0);
  expect(run("restore", file("one"), file("old.mossy"), "--replace").status).toBe(0);
  expect(await asAdmin(file("one"), "select count(*)::int n from backup_made")).toEqual([{ n: 0 }]);
  await asAdmin(
    file("one"),
    "insert into migration (name, run_on) values ('99999999999999999_ahead', now())",
  );
  run("backup", file("one"), file("ahead.mossy"));
  expect(run("restore", file("one"), file("ahead.mossy"), "--replace").stderr).toContain(
    "made by a newer version",
  );
  await asAdmin(file("one"), "delete from migration where name like '%_ahead'");
});

test("a database that is gone is not made anew in silence; a restore brings it back", async () => {
  const cluster = await startCluster(path.join(file("two"), "postgres"), { say: () => {} });
  const admin = new pg.Client({ connectionString: cluster.adminUrl });
  await admin.connect();
  await admin.query("drop database mossy with (force)");
  await admin.end();
  await cluster.stop();
  const refused = run("backup", file("two"), file("c.mossy"));
  expect([refused.status, refused.stderr]).toEqual([
    1,
    expect.stringContaining("The database of this folder is gone"),
  ]);
  expect(run("restore", file("two"), file("a.mossy")).status).toBe(0);
  expect(run("backup", file("two"), file("c.mossy")).status).toBe(0);
});

test("a restore that was killed before it changed anything leaves the records as they were", async () => {
  const cluster = await startCluster(path.join(file("two"), "postgres"), { say: () => {} });
  const admin = new pg.Client({ connectionString: cluster.adminUrl });
  await admin.connect();
  await admin.query("alter database mossy with allow_connections false");
  await admin.end();
  await cluster.stop();
  const kept = run("backup", file("two"), file("d.mossy"));
  expect([kept.status, kept.stdout]).toEqual([0, expect.stringContaining("A restore was interrupted here")]);
});

test("a database server that is killed comes back by itself; pages say so meanwhile", async () => {
  const [{ pid } = { pid: 0 }] = await asAdmin<{ pid: number }>(
    file("one"),
    "select pg_backend_pid() own, (regexp_match(pg_read_file('postmaster.pid'), '\\d+'))[1]::int pid",
  );
  process.kill(pid, "SIGKILL");
  await heard(/ended by itself; it is started again/);
  await expect
    .poll(async () => (await fetch(`http://127.0.0.1:${port}/sign-in`)).status, {
      timeout: 60_000,
      interval: 300,
    })
    .toBe(200);
});
