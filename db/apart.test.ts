// Clubs are kept apart by the database itself, through every table, for reading and for writing.

import pg from "pg";
import { afterAll, beforeAll, expect, test } from "vitest";
import { bringUpToDate } from "#acts/needs/bring-up-to-date.ts";
import { recompute } from "#acts/needs/recompute.ts";
import { plain } from "#core/quantities/index.ts";
import { PLAIN_POLICY } from "#core/unit/index.ts";
import { claimAct } from "./acts-done.ts";
import { appendLog, makeLink } from "./club/index.ts";
import {
  addCodeplug,
  addPlan,
  addPlanTable,
  noteHeard,
  putCodeplugFacts,
  putRepeater,
  sumOf,
} from "./codeplug/index.ts";
import { addCharge, addPairing, addPairingEvent, addProfile, addProfileUse, putThing } from "./kit/index.ts";
import {
  addConfirmation,
  addRelease,
  addSegments,
  addUnitMode,
  addUnitSetting,
  modeFacts,
  putMode,
  putProcedure,
  putQuirk,
  putServiceItem,
} from "./model/index.ts";
import { type Actor, withClub } from "./pool.ts";
import { addBackup, addEvent, addRun, addThings, addTry, keepFile, keepPart } from "./run/index.ts";
import * as seed from "./seed.ts";
import {
  PLAIN_RELEASE,
  PLAIN_UNIT,
  type TestDatabase,
  takenBack,
  testDatabase,
  twoClubs,
} from "./testing.ts";
import { layTestKit } from "./testing-kit.ts";
import { addMeasurement, addSpectrum, addUnit, putLimit, putSimulated, rememberSheet } from "./unit/index.ts";

let database: TestDatabase;
let one: Actor;
let two: Actor;
let tables: string[];

beforeAll(async () => {
  database = await testDatabase();
  [one, two] = await twoClubs(database);
  await withClub(one, async (tx) => {
    const place = await seed.seedPlace(tx, { name: "P", kind: "shelf", note: "", position: 0 });
    const group = await seed.seedGroup(tx, { name: "G", purpose: "", policy: PLAIN_POLICY, position: 0 });
    const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
    await seed.seedRevision(tx, model, { name: "A", tell: "", serials: [] });
    const component = await seed.seedComponent(tx, {
      model,
      name: "main",
      position: 0,
      numbering: undefined,
      by: one.person,
    });
    await addRelease(tx, {
      component,
      version: "1.0",
      ...PLAIN_RELEASE,
    });
    const unit = await addUnit(tx, { tag: "T-1", model, ...PLAIN_UNIT, group, place }, plain("2026-01-01"));
    await tx.query("update unit set tag = 'T-0' where id = $1", [unit]);
    await seed.seedReading(tx, {
      unit,
      component,
      raw: "1.0",
      source: "screen",
      at: "2026-01-02T12:00:00Z",
      by: one.person,
    });
    await seed.seedCustody(tx, {
      unit,
      person: one.person,
      outOn: plain("2026-01-03"),
      dueBack: null,
      backOn: null,
    });
    await appendLog(tx, { kind: "note", text: "x" }, { unit, model });
    const source = { kind: "bench", what: "" } as const;
    const quirk = await putQuirk(tx, model, undefined, {
      symptom: "S",
      cause: "",
      cure: "",
      component_id: component,
      firmware: null,
      source,
    });
    await addConfirmation(tx, { model, kind: "quirk", subject: quirk, firmware: "1.0", by: one.person });
    const procedure = await putProcedure(tx, model, undefined, {
      purpose: "flash",
      title: "P",
      effect: "harmless",
      steps: [{ kind: "turn", to: "on" }],
      component_id: null,
      firmware: null,
      hardware_revisions: null,
      minutes: 1,
      source,
      draft: false,
    });
    await tx.query(
      "insert into file (club_id, sha256, size, content) values (current_club(), repeat('a', 64), 1, '\\x00')",
    );
    await layTestKit(tx, model, one.person);
    await makeLink(tx, one.person, Buffer.alloc(32));
    const run = await addRun(tx, {
      unit,
      title: "R",
      plan: { purpose: "procedure", stages: [] },
      by: one.person,
    });
    const mode = await putMode(tx, model, undefined, {
      name: "M",
      facts: modeFacts.parse({ transmit: [], receive: [] }),
      component_id: null,
      firmware: null,
      hardware_revisions: null,
      enter_id: null,
      leave_id: null,
      source,
    });
    await addUnitMode(tx, { unit, mode, how: "told", why: "", by: one.person });
    await addMeasurement(
      tx,
      unit,
      one.person,
      { kind: "power", value: 5, meter: "", error: "", note: "" },
      undefined,
    );
    const channels = [{ position: 1, name: "A", receive: 1, digital: false }];
    await putCodeplugFacts(
      tx,
      model,
      {
        capacity: 1,
        nameSigns: 8,
        plainSigns: false,
        digital: false,
        everyTone: false,
        tonesFrom: "",
        powers: [],
        byPosition: false,
      },
      mode,
    );
    await keepFile(tx, "f".repeat(64), new Uint8Array([1]));
    const plan = await addPlan(tx, { blocks: [], by: one.person });
    await addPlanTable(tx, {
      plan,
      model,
      sum: sumOf(channels),
      sha256: "f".repeat(64),
      laid: { channels, left: [], listening: [], cut: [], blocks: [] },
    });
    await addCodeplug(tx, { unit, source: "brought", name: "c", channels, by: one.person });
    const repeater = await putRepeater(tx, undefined, {
      name: "R",
      receive: 2,
      transmit: 1,
      digital: false,
      open: true,
      access: {},
      note: "",
    });
    await noteHeard(tx, { repeater, on: "2026-05-02", how: "heard", by: one.person });
    await tx.query(
      "insert into channel_mapping (club_id, name, mapping, person_id) values (current_club(), 'm', '{}', $1)",
      [one.person],
    );
    await tx.query(
      "insert into identity (club_id, kind, unit_id, person_id) values (current_club(), 'call', $1, $2)",
      [unit, one.person],
    );
    const limit = await putLimit(tx, undefined, { name: "L", dbc: 60, source: "S" });
    await addSpectrum(
      tx,
      unit,
      one.person,
      { carrier: { frequency: 1, dbm: 1 }, lines: [], attenuation: 0, meter: "", known: {}, limit, note: "" },
      undefined,
    );
    const item = await putServiceItem(tx, model, undefined, {
      kind: "setting",
      name: "S",
      facts: { where: "", meaning: "m", usual: "", never: "" },
      source,
    });
    await addUnitSetting(tx, { unit, item, value: "1", changed: false, why: "", by: one.person });
    await addSegments(tx, [{ class: "C", from: 1, to: 2, note: "" }]);
    await addThings(tx, run, [{ kind: "lead", id: "1", name: "K" }]);
    await putSimulated(tx, unit, { some: "state" });
    await keepPart(tx, "a".repeat(64), 0, new Uint8Array([1]));
    const backup = await addBackup(tx, { unit, sha256: "a".repeat(64), name: "b", run, by: one.person });
    const device = await putThing(tx, "device", undefined, { tag: "D", kind: "button" });
    await addCharge(tx, one.person, { device, kind: "level", how: "typed", percent: 50 });
    const pairing = await addPairing(tx, { device, unit, by: one.person });
    await addPairingEvent(tx, { pairing, kind: "proved", note: "", by: one.person });
    await putThing(tx, "pair_advice", undefined, { what: "button", source });
    const profile = await addProfile(tx, { device, name: "P", backup, by: one.person });
    await addProfileUse(tx, { profile, unit, by: one.person });
    await addTry(tx, { person: one.person, procedure, clean: true, ms: 1 });
    await addEvent(tx, run, { id: "an event", number: 1, what: { kind: "started" } }, one.person);
    await claimAct(tx, "for-the-test", "0".repeat(64));
    await rememberSheet(tx, [["tag", "tag"]], ["-"]);
    await recompute(tx, { of: "club" });
    await bringUpToDate(tx, { of: "club" }, "for the test", 0);
  });
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  const { rows } = await owner.query(
    "select tablename from pg_tables where schemaname = 'public' and tablename not in ('migration', 'sign_in_attempt', 'signing_key', 'backup_made') order by 1",
  );
  tables = rows.map((row) => row.tablename);
  await owner.end();
});
afterAll(() => database.close());

const clubColumn = (table: string) => (table === "club" ? "id" : "club_id");

test("every table of records is under forced row-level security", async () => {
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  const { rows } = await owner.query(
    "select relname from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace and relname = any($1) and not (relrowsecurity and relforcerowsecurity)",
    [tables],
  );
  const owned = await owner.query("select from pg_class where relowner = 'mossy_app'::regrole");
  await owner.end();
  expect(rows).toEqual([]);
  expect(owned.rowCount).toBe(0);
  expect(tables.length).toBeGreaterThanOrEqual(14);
});

test("another club reads nothing of ours through any table, and we read our own", async () => {
  for (const table of tables) {
    const foreign = await withClub(two, (tx) =>
      tx.query(`select from ${table} where ${clubColumn(table)} = $1`, [one.club]),
    );
    expect([table, foreign.rowCount]).toEqual([table, 0]);
    const own = await withClub(one, (tx) => tx.query(`select from ${table}`));
    if (table !== "session") expect([table, own.rowCount === 0]).toEqual([table, false]);
  }
});

test("another club changes, deletes and adds nothing of ours through any table", async () => {
  for (const table of tables) {
    const column = clubColumn(table);
    const attempts = [
      `update ${table} set ${column} = ${column} where ${column} = ${one.club}`,
      `delete from ${table} where ${column} = ${one.club}`,
      table === "club"
        ? "insert into club (name, time_zone) values ('x', 'UTC')"
        : `insert into ${table} (club_id) values (${one.club})`,
    ];
    for (const attempt of attempts) {
      const touched = await withClub(two, (tx) => tx.query(attempt)).then(
        (result) => result.rowCount,
        (error: Error) => error.message,
      );
      expect([
        attempt,
        touched === 0 ||
          /permission denied|row-level security|null value|only grows|never edited|never changed|only be updated to DEFAULT/.test(
            String(touched),
          ),
      ]).toEqual([attempt, true]);
    }
  }
});

test("a reference cannot cross clubs either", async () => {
  const unit = await withClub(one, (tx) =>
    tx.query<{ id: string; model_id: string }>("select id, model_id from unit"),
  );
  const foreign = unit.rows[0];
  await expect(
    withClub(two, (tx) =>
      addUnit(
        tx,
        {
          tag: "X",
          model: foreign?.model_id ?? "",
          ...PLAIN_UNIT,
        },
        plain("2026-01-01"),
      ),
    ),
  ).rejects.toThrow(/foreign key/);
});

test("without a club nothing is seen, and the role cannot be put off", async () => {
  const client = new pg.Client({ connectionString: database.appUrl });
  await client.connect();
  expect((await client.query("select from unit")).rowCount).toBe(0);
  await expect(client.query("set role mossy_owner")).rejects.toThrow(/permission denied/);
  await expect(client.query("alter table unit disable row level security")).rejects.toThrow(/must be owner/);
  await client.end();
});

test("the log and the readings only grow, even for the owner of the tables", async () => {
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  await expect(owner.query("delete from log")).rejects.toThrow(/only grows/);
  await expect(owner.query("truncate log")).rejects.toThrow(/only grows/);
  for (const table of ["reading", "attempt"])
    await expect(owner.query(`truncate ${table}`)).rejects.toThrow(/stays/);
  await owner.end();
  // Who is not the owner sees the rows of one club; that is as far as any change could reach.
  const changes = [
    "update reading set raw = 'x'",
    "update reading set struck_at = now(), struck_why = 'w', read_at = now() - interval '1 day'",
    "delete from reading",
    "update attempt set worked = not worked",
  ];
  for (const change of changes)
    await expect(withClub(one, (tx) => tx.query(change))).rejects.toThrow(/permission denied|never edited/);
  const strike = "update reading set struck_at = now(), struck_why = 'a slip'";
  await takenBack(one, async (tx) => {
    expect((await tx.query(strike)).rowCount).toBe(1);
  });
  await expect(withClub(one, (tx) => tx.query(`${strike}; ${strike}`))).rejects.toThrow(/never edited/);
});
