// A radio's story: work written down afterwards, a reading that goes to the right radio, and a log that is found by day and by words.
import { afterAll, beforeAll, expect, it } from "vitest";
import { addDays } from "#core/quantities/index.ts";
import { standingsOf } from "#core/unit/index.ts";
import { type LogFilter, readLog } from "#db/club/index.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituation, readingsOf, unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "../../demo/testing.ts";
import { performIn } from "../define.ts";
import { moveReading } from "../reading/move-reading.ts";
import { changeUnit } from "./change-unit.ts";
import { writeDown } from "./write-down.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const unitOf = async (tx: Tx, tag: string) => (await unitByTag(tx, tag))?.id ?? "";
const write = (tx: Tx, input: Readonly<Record<string, unknown>>) =>
  performIn(tx, writeDown, club.who, { input, key: crypto.randomUUID() });
const ago = (days: number) => addDays(club.who.today, -days);
const said = async (tx: Tx, filter: LogFilter) =>
  (await readLog(tx, filter, 50, "keeper")).map(({ tag, kind, on_day }) => `${tag} ${kind} ${on_day}`);

it("work of last year stands under its day, with what it was done; a flash that worked is a reading of it", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-04");
    const done = await write(tx, {
      unit,
      did: "flash",
      on: ago(20),
      from: "1.14",
      to: "1.15",
      lead: "K-07",
      computer: "Reed desk",
      text: "went through at the second try",
    });
    expect(done).toMatchObject({ ok: true, value: { answer: { read: "1.15" } } });
    const [newest] = await readingsOf(tx, unit);
    expect(newest).toMatchObject({ raw: "1.15", source: "flash" });
    expect(await said(tx, { unit, from: ago(20), to: ago(20) })).toEqual([
      `W-04 reading ${ago(20)}`,
      `W-04 work-done ${ago(20)}`,
    ]);
    expect(await said(tx, { unit, from: ago(19) })).toEqual([]);
    // As it was written it comes first.
    const [first, second] = await readLog(tx, { asWritten: true }, 2, "keeper");
    expect([first?.kind, second?.kind]).toEqual(["reading", "work-done"]);
    expect(await write(tx, { unit, did: "flash", worked: false, to: "1.2", on: ago(3) })).toMatchObject({
      ok: true,
      value: { answer: { read: undefined } },
    });
  }));

it("a day to come is refused; one before the radio was known, or between two readings of the same, is asked about", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-04");
    const row = await unitByTag(tx, "W-04");
    const problem = async (input: Readonly<Record<string, unknown>>) => {
      const done = await write(tx, { unit, ...input });
      return done.ok ? "kept" : done.problem.kind;
    };
    expect(await problem({ did: "note", text: " " })).toBe("nothing");
    expect(await problem({ did: "note", text: "x", on: addDays(club.who.today, 1) })).toBe("ahead");
    const early = { did: "repair", text: "knob", on: addDays(row?.added_on ?? ago(0), -1) };
    expect(await problem(early)).toBe("doubts");
    expect(await problem({ ...early, sure: true })).toBe("kept");
    // 1.08 was read 400 days ago; read so again, nothing else can have been on it in between.
    await tx.query(
      "insert into reading (club_id, unit_id, component_id, raw, source, read_at) select club_id, unit_id, component_id, raw, source, read_at + interval '9 days' from reading where unit_id = $1 and raw = '1.08'",
      [unit],
    );
    const between = { did: "flash", to: "1.12", on: ago(396) };
    expect(await problem(between)).toBe("doubts");
    expect(await problem({ ...between, worked: false })).toBe("kept");
    expect(await problem({ ...between, sure: true })).toBe("kept");
    const shelved = await write(tx, { unit: "999999", did: "note", text: "x" });
    expect(shelved).toMatchObject({ ok: false, problem: { kind: "no-unit" } });
  }));

it("a reading goes to the radio it is of, with its day and source; here it is struck, and not moved twice", () =>
  club.trial(async (tx) => {
    const [unit, other] = [await unitOf(tx, "W-04"), await unitOf(tx, "W-05")];
    const reading = (await readingsOf(tx, unit)).find(({ raw }) => raw === "1.08");
    const move = (tag: string) =>
      performIn(tx, moveReading, club.who, {
        input: { unit, reading: reading?.id, tag },
        key: crypto.randomUUID(),
      });
    expect(await move("Z-99")).toMatchObject({ problem: { kind: "no-target" } });
    expect(await move("w-04")).toMatchObject({ problem: { kind: "same" } });
    expect(await move("w-05")).toMatchObject({ ok: true, value: { answer: { tag: "W-05", raw: "1.08" } } });
    const there = (await readingsOf(tx, other)).find(({ raw }) => raw === "1.08");
    expect(there).toMatchObject({ source: reading?.source, component: "main", struck_at: null });
    expect(there?.read_at?.toISOString().slice(0, 10)).toBe(reading?.read_at?.toISOString().slice(0, 10));
    expect((await readingsOf(tx, unit)).find(({ id }) => id === reading?.id)?.struck_why).toBe(
      "it is of W-05",
    );
    expect(await move("W-05")).toMatchObject({ problem: { kind: "struck" } });
  }));

it("a reading of a day that nobody knows stays one", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "W-04");
    const { rows } = await tx.query<{ id: string }>(
      "insert into reading (club_id, unit_id, component_id, raw, source, read_at) select club_id, unit_id, component_id, '1.06', 'screen', null from reading where unit_id = $1 limit 1 returning id",
      [unit],
    );
    const input = { unit, reading: rows[0]?.id, tag: "W-05" };
    await performIn(tx, moveReading, club.who, { input, key: crypto.randomUUID() });
    const there = await readingsOf(tx, await unitOf(tx, "W-05"));
    expect(there.find(({ raw }) => raw === "1.06")?.read_at).toBeNull();
  }));

it("the log is found by words: tags with or without their zeros, names, versions, whether it failed", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "H-04");
    const work = { unit, did: "flash", to: "2.2.0", lead: "K-07", computer: "Reed desk", worked: false };
    await write(tx, { ...work, on: ago(300), text: "the lamp went out" });
    const of = (words: string) => said(tx, { words, from: ago(300), to: ago(300) });
    const entry = `H-04 work-done ${ago(300)}`;
    for (const words of [
      ...["H-04 lamp", "h 4 k-07 failed", "reed desk flash", "2.2.0", "heron lam", "wren lamp"],
      "Lamp went",
    ])
      expect([words, await of(words)]).toEqual([words, [entry]]);
    for (const words of ["H-05 lamp", "lamp worked", "2.2.1", "lamp K-08", "!!!", "went lampe"])
      expect([words, await of(words)]).toEqual([words, []]);
    // In the demo's own story: what was done with radio 3, and with which lead.
    expect((await said(tx, { words: "W-03 flashed K-07" })).length).toBeGreaterThan(0);
  }));

it("a radio of another model takes along what was read of it, as it was read; what has no part there stays and is told of", () =>
  club.trial(async (tx) => {
    const unit = await unitOf(tx, "M-01");
    const row = await unitByTag(tx, "M-01");
    const { rows } = await tx.query<{ id: string }>("select id from model where name = 'Wicket'");
    const before = (await readingsOf(tx, unit)).filter(({ struck_at }) => !struck_at);
    const main = before.filter(({ component }) => component === "main");
    const input = { unit, tag: "M-01", model: rows[0]?.id, place: row?.place_id ?? undefined };
    const done = await performIn(tx, changeUnit, club.who, { input, key: crypto.randomUUID() });
    expect(done).toMatchObject({
      ok: true,
      value: {
        answer: {
          what: expect.stringContaining(`; ${main.length} of its readings go along; 2 are of parts`),
        },
      },
    });
    const after = (await readingsOf(tx, unit)).filter(({ struck_at }) => !struck_at);
    const plain = (some: typeof before) =>
      some.map(({ raw, read_at, person, source }) => ({ raw, read_at, person, source }));
    expect(plain(after.filter(({ component }) => component === "main"))).toEqual(plain(main));
    const standings = standingsOf((await loadSituation(tx, unit, club.who.today)) ?? never());
    expect(standings[0]?.reading?.raw).toBe(main[0]?.raw);
  }));

const never = () => {
  throw new Error("there is a situation");
};
