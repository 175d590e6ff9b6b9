// What goes out: everything, once, as it stands; and what can come back in changes nothing.

import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { csvRows, needRows, outDocument, releaseRows } from "#core/club/index.ts";
import { csvOf, decodeTable, folded, guessColumns, planImport, readTable } from "#core/import/index.ts";
import { writtenUnit } from "#core/unit/index.ts";
import { addRelease } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { seedComponent, seedModel } from "#db/seed.ts";
import { PLAIN_RELEASE } from "#db/testing.ts";
import {
  changeUnit,
  knownClub,
  openNeeds,
  releaseNames,
  shelveUnit,
  unitByTag,
  wallUnits,
} from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { loadWall } from "../cabinet/load.server.ts";
import type { SignedIn } from "../context.ts";
import { collect } from "./write-out.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const tableOf = (csv: string) => {
  const decoded = decodeTable(new TextEncoder().encode(csv));
  const table = decoded.ok ? readTable(decoded.value.text) : decoded;
  if (!table.ok) throw new Error(table.problem.kind);
  return table.value;
};
const planned = async (tx: Tx, who: SignedIn, csv: string) => {
  const table = tableOf(csv);
  const settings = {
    meanings: guessColumns(table.head),
    decimal: ".",
    dates: "ymd",
    today: who.today,
  } as const;
  return planImport(
    table,
    settings,
    await knownClub(tx, new Set(table.rows.map(({ cells }) => folded(cells[0] ?? "")))),
  ).rows;
};

describe("the document", () => {
  it("is of the shape that its schema tells, and nothing else", () =>
    club.ask(async (tx, who) => {
      const out = await collect(tx, who);
      expect(outDocument.parse(JSON.parse(JSON.stringify(out)))).toEqual(out);
    }));

  it("has every radio once, with the standing that the wall shows and the needs that are stored", () =>
    club.ask(async (tx, who) => {
      const { units } = await collect(tx, who);
      const rows = await wallUnits(tx);
      expect(units.map((u) => u.tag).sort()).toEqual(rows.map((r) => r.tag).sort());
      const drawers = new Map(
        (await loadWall(tx, who.today)).shelves.flatMap((s) => s.drawers).map((d) => [d.tag, d]),
      );
      const needs = await openNeeds(tx, who.today);
      const names = await releaseNames(
        tx,
        needs.flatMap((n) => n.targets.map((t) => t.release)),
      );
      const ids = new Map(rows.map((r) => [r.tag, r.id]));
      let withTarget = 0;
      for (const unit of units) {
        const drawer = drawers.get(unit.tag);
        const [first] = unit.components;
        expect([unit.tag, first?.standing, first?.reading ?? undefined, unit.with ?? undefined]).toEqual([
          unit.tag,
          drawer?.standing,
          drawer?.version,
          drawer?.holder,
        ]);
        const own = needs
          .filter((n) => n.unit_id === ids.get(unit.tag))
          .map((n) => {
            const now = n.targets.filter((t) => t.from <= who.today).at(-1);
            if (now) withTarget++;
            return [n.cause, n.due_from, now ? names[now.release] : null];
          });
        const told = unit.needs.map((n) => [n.cause, n.dueFrom, n.target]);
        expect([unit.tag, told.sort()]).toEqual([unit.tag, own.sort()]);
      }
      expect(withTarget).toBeGreaterThan(5);
    }));

  it("has the releases of models without a radio too, withdrawn ones with why, and drafts marked as such", () =>
    club.trial(async (tx, who) => {
      const before = (await collect(tx, who)).releases;
      const model = await seedModel(tx, {
        maker: "Tarn",
        name: "Gorse",
        kind: "base",
        note: "",
        suffixes: [],
      });
      const component = await seedComponent(tx, {
        model,
        name: "main",
        position: 0,
        numbering: undefined,
        by: who.person,
      });
      const source = { kind: "maker", what: "leaflet" } as const;
      await addRelease(tx, { component, version: "1.0", ...PLAIN_RELEASE, source });
      await addRelease(tx, { component, version: "1.1", ...PLAIN_RELEASE, source, draft: true });
      const { releases } = await collect(tx, who);
      expect(releases).toHaveLength(before.length + 2);
      expect(releases.filter((r) => r.model === "Gorse").map((r) => [r.version, r.draft])).toEqual([
        ["1.0", false],
        ["1.1", true],
      ]);
      expect(releases.filter((r) => r.withdrawnOn !== null).length).toBeGreaterThan(0);
      for (const r of releases) expect(r.withdrawnOn === null).toBe(r.withdrawnWhy === null);
      const { rows } = await tx.query<{ n: number }>(
        "select count(*)::int n from release where shelved_at is null",
      );
      expect(releases).toHaveLength(rows[0]?.n ?? 0);
    }));

  it("leaves out what is shelved", () =>
    club.trial(async (tx, who) => {
      const unit = await unitByTag(tx, "W-03");
      await shelveUnit(tx, unit?.id ?? "", true);
      expect((await collect(tx, who)).units.some((u) => u.tag === "W-03")).toBe(false);
    }));
});

describe("the tables", () => {
  it("have a row for each component, each need, each release, under the same heads throughout", () =>
    club.ask(async (tx, who) => {
      const out = await collect(tx, who);
      const tables = [
        [csvRows(out.units), out.units.flatMap((u) => u.components).length],
        [needRows(out.units), out.units.flatMap((u) => u.needs).length],
        [releaseRows(out.releases), out.releases.length],
      ] as const;
      for (const [rows, count] of tables) {
        const { head, rows: read } = tableOf(csvOf(rows as object[]));
        expect(read).toHaveLength(count);
        expect(head).toEqual(Object.keys(rows[0] ?? {}));
        read.forEach(({ cells }, i) => {
          expect(cells.map((cell) => cell.replace(/^'(?=[=+\-@])/, ""))).toEqual(
            Object.values(rows[i] ?? {}).map(String),
          );
        });
      }
    }));

  it("each open need stands once beside its component", () =>
    club.ask(async (tx, who) => {
      const { units } = await collect(tx, who);
      const beside = csvRows(units).flatMap((row) => String(row.needs).split("; ").filter(Boolean));
      expect(beside).toHaveLength(needRows(units).length);
    }));

  it("come back in as they went out, a row for each component: nothing changes", () =>
    club.trial(async (tx, who) => {
      const unit = await unitByTag(tx, "W-03");
      if (!unit) throw new Error("W-03 is there");
      const odd = { serial: "-1;2,3", note: "", region: "=north" };
      await changeUnit(tx, unit.id, { ...writtenUnit(unit), ...odd });
      const { units } = await collect(tx, who);
      const sheet = csvRows(units);
      expect(sheet.length).toBeGreaterThan(units.length);
      const rows = await planned(tx, who, csvOf(sheet));
      expect(rows).toHaveLength(units.length);
      expect(rows.filter((row) => row.act !== "same")).toEqual([]);
      expect(rows.find((row) => row.values.tag === "W-03")?.values).toMatchObject({
        serial: odd.serial,
        region: odd.region,
      });
    }));
});
