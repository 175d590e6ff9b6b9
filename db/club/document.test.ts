// A whole club goes out as one document and comes into a new one: everything is as it was, and nothing is laid over what is there.
import { afterAll, beforeAll, expect, test } from "vitest";
import { recompute } from "#acts/needs/recompute.ts";
import { type ClubDocument, clubDocument, readClubDocument } from "#core/club/index.ts";
import { loadDemo } from "#demo/load.ts";
import { type Actor, closePool, type Tx, withClub } from "../pool.ts";
import { takenBack, testDatabase } from "../testing.ts";
import { bringClubBack, filesBeyond, writeClub } from "./document.ts";
import { foundClub } from "./people.ts";
import { findAccount } from "./sessions.ts";

let document: ClubDocument;
let needs: unknown[];
let actor: Actor;

/** Needs as they are worked out, without the numbers of people, which are others elsewhere. */
const needsOf = async (tx: Tx) =>
  (
    await tx.query(
      "select unit_id, kind, component_id, due_from, cause, urgency, action, targets from need order by 1, 2, 3, 4",
    )
  ).rows;

beforeAll(async () => {
  await testDatabase();
  await loadDemo();
  const keeper = await findAccount("wren@lanternfen.example");
  if (!keeper) throw new Error("the demo has a keeper");
  const demo = { club: keeper.club_id, person: keeper.person_id };
  document = await withClub(demo, writeClub, "work");
  needs = await withClub(demo, needsOf);
  await closePool();
  await testDatabase();
  const founded = await foundClub({
    club: "New",
    timeZone: "UTC",
    keeper: "Wren Oldacre",
    email: "WREN@lanternfen.example",
    passwordHash: "their own",
  });
  actor = { club: founded?.club_id ?? "", person: founded?.person_id ?? "" };
});
afterAll(closePool);

const trial = (act: (tx: Tx) => Promise<void>) => takenBack(actor, act);
/** Without the numbers of people, and what tells of its being brought back. */
function comparable({ tables, club }: ClubDocument): unknown {
  const people = new Map((tables.person ?? []).map((p) => [p.id, p.name]));
  const named = (row: Record<string, unknown>) =>
    Object.fromEntries(
      Object.entries(row).map(([column, value]) => [
        column,
        /person|_by$/.test(column) ? (people.get(value) ?? value) : value,
      ]),
    );
  const all = Object.entries(tables)
    .filter(([name]) => name !== "person")
    .map(([name, rows]) => [
      name,
      rows
        .filter((row) => !/^(club-founded|club-changed)$/.test(String(row.kind)))
        .map(named)
        .map((row) => (name === "log" ? { ...row, id: 0 } : row)),
    ]);
  return { club, ...Object.fromEntries(all) };
}

test("is of the shape that its schema tells, and holds no password", () => {
  expect(clubDocument.safeParse(JSON.parse(JSON.stringify(document))).success).toBe(true);
  expect(JSON.stringify(document)).not.toMatch(/argon2|password_hash|token_hash/);
  expect(Object.keys(document.tables).length).toBeGreaterThan(25);
  expect(document.files.length).toBeGreaterThan(0);
});

test("comes into a new club as it went out: every row, every need, whoever has the address stays who they are", () =>
  trial(async (tx) => {
    const told = readClubDocument(JSON.stringify(document));
    if (!told.ok) throw new Error(told.problem.kind);
    expect(await bringClubBack(tx, told.value)).toMatchObject({ ok: true, filesMissing: 0 });
    const back = await writeClub(tx);
    expect(comparable(back)).toEqual(comparable(document));
    expect(back.files).toEqual(document.files);
    // What is needed is worked out by the act that brings it back.
    await recompute(tx, { of: "club" });
    expect(await needsOf(tx)).toEqual(needs);
    const { rows } = await tx.query("select password_hash from person where id = $1", [actor.person]);
    expect(rows).toEqual([{ password_hash: "their own" }]);
    // What is new from here on gets numbers that nothing has.
    const made = await tx.query(
      "insert into place (club_id, name, kind) values (current_club(), 'Loft', 'room') returning id::int",
    );
    expect(made.rows[0]?.id).toBeGreaterThan(
      Math.max(...(document.tables.place ?? []).map((p) => Number(p.id))),
    );
  }));

test("is laid over nothing, and taken from no newer version", () =>
  trial(async (tx) => {
    const newer = { ...document, migrations: [...document.migrations, "99999999999999999_ahead"] };
    expect(await bringClubBack(tx, newer)).toEqual({ ok: false, problem: "newer" });
    await tx.query("insert into place (club_id, name, kind) values (current_club(), 'Loft', 'room')");
    expect(await bringClubBack(tx, document)).toEqual({ ok: false, problem: "not-empty" });
  }));

test("files beyond what it may weigh are named without what is in them, and counted; small ones go first", () =>
  trial(async (tx) => {
    await bringClubBack(tx, document);
    expect(await filesBeyond(tx)).toEqual({ files: 0, bytes: 0 });
    await tx.query(
      "insert into file (club_id, sha256, size, content) select current_club(), repeat('0', 64), 41000000, decode(repeat('ab', 41000000), 'hex')",
    );
    expect(await filesBeyond(tx)).toEqual({ files: 1, bytes: 41_000_000 });
    const files = new Map((await writeClub(tx)).files.map((file) => [file.sha256, file]));
    expect(files.get("0".repeat(64))).toEqual({ sha256: "0".repeat(64), size: 41_000_000 });
    for (const { sha256 } of document.files) expect(files.get(sha256)?.content).toBeDefined();
  }));

test("with something in it that does not fit together comes in not at all", async () => {
  const bent = structuredClone(document);
  for (const unit of bent.tables.unit ?? []) unit.model_id = 999_999;
  await expect(trial(async (tx) => void (await bringClubBack(tx, bent)))).rejects.toMatchObject({
    code: "23503",
  });
  const file = { ...document, files: document.files.map((f) => ({ ...f, content: "bm90IGl0" })) };
  await trial(async (tx) => {
    await bringClubBack(tx, file);
    expect((await tx.query("select from file")).rowCount).toBe(0);
  });
});

test("what is no document is told with the place that is wrong", () => {
  expect(readClubDocument("{")).toMatchObject({ problem: { kind: "no-document" } });
  expect(readClubDocument(JSON.stringify({ ...document, tables: { unit: [7] } }))).toMatchObject({
    problem: { kind: "no-document", at: "tables.unit.0" },
  });
  const many = { ...document, tables: { unit: Array(400_001).fill({}) } };
  expect(readClubDocument(JSON.stringify(many))).toMatchObject({ problem: { kind: "too-many-rows" } });
});
