// The board and the wall of the demo club, against needs worked out one by one: groups, filters, sorts, moss, and the words
// beside an install.
import { afterAll, beforeAll, describe, expect, it, test } from "vitest";
import { ACTIONS, followsStanding, isOpen, mossOf, needsOf } from "#core/needs/index.ts";
import { isHeld } from "#core/needs/need.ts";
import { addDays } from "#core/quantities/index.ts";
import { URGENCIES } from "#core/release/index.ts";
import type { Tx } from "#db/pool.ts";
import {
  BOARD_SORTS,
  type BoardGroup,
  type BoardRow,
  boardGroup,
  boardNames,
  loadSituations,
  openNeeds,
  shelveUnit,
  unitsDue,
  wallUnits,
} from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { loadWall } from "../cabinet/load.server.ts";
import type { SignedIn } from "../context.ts";
import { holdSeveral } from "./hold-several.server.ts";
import { toolingKey, toolingOfRows } from "./tooling.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const GROUPS: readonly BoardGroup[] = [...ACTIONS, "held"];
const all = async (tx: Tx, who: SignedIn, filter = {}, sort: (typeof BOARD_SORTS)[number] = "urgency") => {
  const rows: (BoardRow & { group: BoardGroup })[] = [];
  for (const group of GROUPS) {
    const found = await boardGroup(tx, group, who.today, filter, sort, 500);
    rows.push(...found.map((row) => ({ ...row, group })));
  }
  return rows;
};
const keyOf = (n: { unit: string; kind: string; component: string; dueFrom: string }) =>
  [n.unit, n.kind, n.component, n.dueFrom].join();
const rowKey = (n: BoardRow) =>
  keyOf({ unit: n.unit_id, kind: n.kind, component: n.component_id, dueFrom: n.due_from });

describe("the board", () => {
  it("has every open and every held need once, and no other", () =>
    club.ask(async (tx, who) => {
      const situations = await loadSituations(tx, { of: "club" }, who.today);
      const needs = situations.all.flatMap((s) => needsOf(s.unit, s.catalogue, s.policy));
      const rows = await all(tx, who);
      const keys = (group: (g: BoardGroup) => boolean) =>
        rows
          .filter((r) => group(r.group))
          .map(rowKey)
          .sort();
      expect(keys((g) => g !== "held")).toEqual(
        needs
          .filter((n) => isOpen(n, who.today))
          .map(keyOf)
          .sort(),
      );
      expect(keys((g) => g === "held")).toEqual(
        needs
          .filter((n) => isHeld(n, who.today))
          .map(keyOf)
          .sort(),
      );
      for (const group of GROUPS) {
        const own = rows.filter((r) => r.group === group);
        expect([group, own.length > 0]).toEqual([group, true]);
        // The page tells its rows apart by these.
        expect(new Set(own.map((r) => `${r.unit_id} ${r.kind} ${r.component}`)).size).toBe(own.length);
      }
    }));

  it("puts what is away under Away, whatever it needs, but for our own list", () =>
    club.ask(async (tx, who) => {
      const units = (await loadSituations(tx, { of: "club" }, who.today)).all.map(({ unit }) => unit);
      const away = new Set(units.filter((u) => u.away).map((u) => u.id));
      expect(away.size).toBeGreaterThan(2);
      for (const row of await all(tx, who)) {
        if (row.group === "held" || row.group === "look-up") continue;
        expect([row.tag, row.group === "ask-back" || row.group === "get-back"]).toEqual([
          row.tag,
          away.has(row.unit_id),
        ]);
      }
    }));

  test.each(["place", "model", "group", "person"] as const)(
    "filtered by %s shows those and only those",
    (kind) =>
      club.ask(async (tx, who) => {
        const units = new Map((await wallUnits(tx)).map((u) => [u.id, u]));
        const names = (await boardNames(tx)).filter((n) => n.kind === kind);
        const everything = await all(tx, who);
        let shown = 0;
        for (const { id } of names) {
          const of = (row: BoardRow) => {
            const unit = units.get(row.unit_id);
            const own = {
              place: unit?.place_id,
              model: unit?.model_id,
              group: unit?.group_id,
              person: unit?.holder_id,
            };
            return own[kind] === id;
          };
          const rows = await all(tx, who, { [kind]: id });
          expect(rows.map(rowKey)).toEqual(everything.filter(of).map(rowKey));
          shown += rows.length;
        }
        expect(shown).toBeGreaterThan(kind === "person" ? 1 : 10);
      }),
  );

  it("says of each need who has the radio and what was read last, whatever it asks for and leaves out", () =>
    club.ask(async (tx, who) => {
      const units = (await loadSituations(tx, { of: "club" }, who.today)).all.map(({ unit }) => unit);
      const holders = new Map((await wallUnits(tx)).map((u) => [u.id, u.holder_id]));
      const rows = await all(tx, who);
      for (const row of rows) {
        expect([row.tag, row.holder_id]).toEqual([row.tag, holders.get(row.unit_id) ?? null]);
        const newest = units
          .find((u) => u.id === row.unit_id)
          ?.readings.find((r) => r.component === row.component_id);
        // What is of the whole radio stands on no reading.
        const isWhole = !followsStanding(row.kind);
        expect([row.tag, row.raw]).toEqual([row.tag, isWhole ? null : (newest?.raw ?? null)]);
      }
      expect(rows.filter((row) => row.holder_id !== null).length).toBeGreaterThan(1);
    }));

  it("filtered by urgency, and by several at once", () =>
    club.ask(async (tx, who) => {
      const everything = await all(tx, who);
      for (const urgency of [0, 1, 2] as const) {
        const rows = await all(tx, who, { urgency });
        expect(rows.map(rowKey)).toEqual(everything.filter((r) => r.urgency === urgency).map(rowKey));
        expect(rows.length).toBeGreaterThan(0);
      }
      const [first] = everything.filter((r) => r.place_id !== null);
      const both = { model: first?.model_id, place: first?.place_id ?? undefined };
      const rows = await all(tx, who, both);
      expect(rows.map(rowKey)).toEqual(
        everything.filter((r) => r.model_id === both.model && r.place_id === both.place).map(rowKey),
      );
    }));

  it("sorted any way it holds the same rows, in that order", () =>
    club.ask(async (tx, who) => {
      const numbers = new Intl.Collator("en", { numeric: true });
      const by: Record<string, (a: BoardRow, b: BoardRow) => number> = {
        urgency: (a, b) =>
          b.urgency - a.urgency || (a.due_from < b.due_from ? -1 : a.due_from > b.due_from ? 1 : 0),
        since: (a, b) => (a.due_from < b.due_from ? -1 : a.due_from > b.due_from ? 1 : 0),
        tag: (a, b) => numbers.compare(a.tag, b.tag),
      };
      for (const sort of BOARD_SORTS) {
        const sorted = await all(tx, who, {}, sort);
        expect(sorted.map(rowKey).sort()).toEqual((await all(tx, who)).map(rowKey).sort());
        const compare = by[sort];
        if (!compare) continue;
        for (const group of GROUPS) {
          const rows = sorted.filter((r) => r.group === group);
          rows.forEach((row, i) => {
            const next = rows[i + 1];
            if (next) expect(compare(row, next), `${sort} ${row.tag} ${next.tag}`).toBeLessThanOrEqual(0);
          });
        }
      }
    }));

  it("a first page is the beginning of the whole", () =>
    club.ask(async (tx, who) => {
      const whole = await boardGroup(tx, "install", who.today, {}, "urgency", 500);
      for (const limit of [1, 2, 5]) {
        expect(await boardGroup(tx, "install", who.today, {}, "urgency", limit)).toEqual(
          whole.slice(0, limit),
        );
      }
    }));

  it("tomorrow holds what today holds, and what falls due tomorrow", () =>
    club.ask(async (tx, who) => {
      const { all: situations } = await loadSituations(tx, { of: "club" }, who.today);
      for (const days of [1, 30, 365]) {
        const day = addDays(who.today, days);
        const needs = situations.flatMap((s) => needsOf(s.unit, s.catalogue, s.policy));
        const open = new Set(needs.filter((n) => isOpen(n, day)).map((n) => n.unit));
        expect(await unitsDue(tx, day)).toBe(open.size);
      }
    }));

  it("what is shelved is on no board and no wall", () =>
    club.trial(async (tx, who) => {
      const [row] = await boardGroup(tx, "install", who.today, {}, "urgency", 1);
      if (!row) throw new Error("nothing stands ready");
      const before = await unitsDue(tx, who.today);
      await shelveUnit(tx, row.unit_id, true);
      expect((await all(tx, who)).some((r) => r.unit_id === row.unit_id)).toBe(false);
      expect(await unitsDue(tx, who.today)).toBe(before - 1);
      const { shelves } = await loadWall(tx, who.today);
      expect(shelves.flatMap((s) => s.drawers).some((d) => d.tag === row.tag)).toBe(false);
    }));
});

describe("beside an install", () => {
  it("stands with what it goes, or what is missing, as the board groups it", () =>
    club.ask(async (tx, who) => {
      const rows = await all(tx, who);
      const told = await toolingOfRows(tx, who, rows);
      let ready = 0;
      for (const row of rows.filter((r) => r.kind === "firmware")) {
        const tooling = told[toolingKey(row)];
        if (row.action === "install") {
          expect(tooling?.words, row.tag).toMatch(/,/);
          expect(tooling?.verdict, row.tag).toMatch(/proven|likely|mixed|untried/);
          ready++;
        }
        if (row.action === "kit") {
          expect(tooling?.verdict, row.tag).toBeUndefined();
          expect(tooling?.words, row.tag).toMatch(/\S/);
        }
      }
      expect(ready).toBeGreaterThan(3);
    }));
});

describe("the wall", () => {
  it("has every radio once, with the moss of its needs, and the safety fix nobody has noticed", () =>
    club.ask(async (tx, who) => {
      const { shelves, items } = await loadWall(tx, who.today);
      const drawers = shelves.flatMap((s) => s.drawers);
      const units = await wallUnits(tx);
      expect(drawers.map((d) => d.tag).sort()).toEqual(units.map((u) => u.tag).sort());
      const needs = await openNeeds(tx, who.today);
      const ids = new Map(units.map((u) => [u.tag, u.id]));
      for (const drawer of drawers) {
        const own = needs.filter((n) => n.unit_id === ids.get(drawer.tag));
        expect(drawer.needs ?? 0).toBe(own.length);
        const plain = own.map((n) => ({ dueFrom: n.due_from, urgency: URGENCIES[n.urgency] ?? "routine" }));
        expect([drawer.tag, drawer.moss]).toEqual([drawer.tag, mossOf(plain, who.today)]);
      }
      expect(new Set(drawers.map((d) => d.moss)).size).toBe(5);
      expect(items[0]).toMatchObject({ kind: "safety", tags: expect.arrayContaining([expect.any(String)]) });
      const safe = drawers.filter((d) => d.safety).map((d) => d.tag);
      expect(items.flatMap((i) => (i.kind === "safety" ? i.tags : [])).sort()).toEqual(safe.sort());
    }));
});

describe("several on hold at once", () => {
  const form = (fields: Record<string, string>, units: readonly string[]) => {
    const data = new FormData();
    data.append("key", crypto.randomUUID());
    for (const [name, value] of Object.entries(fields)) data.append(name, value);
    for (const id of units) data.append("unit", id);
    return data;
  };

  it("needs radios, a day to come and a reason; then they are held, told of, and off the board", () =>
    club.trial(async (tx, who) => {
      const ready = await boardGroup(tx, "install", who.today, { urgency: 0 }, "urgency", 500);
      const ids = [...new Set(ready.map((r) => r.unit_id))].slice(0, 2);
      const until = addDays(who.today, 20);
      const refused = async (fields: Record<string, string>, units: readonly string[]) =>
        (await holdSeveral(tx, who, form(fields, units))).says;
      expect(await refused({ until, why: "x" }, [])).toBe("Pick at least one radio.");
      expect(await refused({ until: "soon", why: "x" }, ids)).toContain("until which day");
      expect(await refused({ until, why: " " }, ids)).toBe("Say why, so that others know.");
      expect(await refused({ until: addDays(who.today, -1), why: "x" }, ids)).toContain("passed already");
      expect(await refused({ until, why: "x" }, ["1; drop table unit"])).toMatch(/\S/);
      expect(await holdSeveral(tx, who, form({ until: "soon", why: "the fair" }, ids))).toMatchObject({
        ok: false,
        kept: { units: ids, until: "soon", why: "the fair" },
      });
      const done = await holdSeveral(tx, who, form({ until, why: "the procession" }, [...ids, ...ids]));
      expect(done).toMatchObject({ ok: true, says: `${ids.length} radios on hold.` });
      const now = await all(tx, who);
      for (const row of now.filter((r) => ids.includes(r.unit_id) && r.urgency < 2)) {
        expect([row.tag, row.group]).toEqual([row.tag, "held"]);
      }
    }));
});
