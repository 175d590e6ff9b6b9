// The reasons of a need, asked for one by one: all that the board shows have some, and they lead to records that are there.
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ACTIONS } from "#core/needs/index.ts";
import { groupBy } from "#core/quantities/index.ts";
import type { Tx } from "#db/pool.ts";
import { type BoardGroup, boardGroups, needsOfUnit } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import type { SignedIn } from "../context.ts";
import { actOnUnit } from "./act.server.ts";
import { whyOf } from "./load-why.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const GROUPS: readonly BoardGroup[] = [...ACTIONS, "held"];
const rowsOf = async (tx: Tx, who: SignedIn) => {
  const groups = await boardGroups(tx, GROUPS, who.today, {}, "urgency", 500);
  return [...groups.values()].flat();
};
const asked = (row: { kind: string; component: string; due_from: string }) =>
  new URLSearchParams({ kind: row.kind, component: row.component, due: row.due_from });

describe("why", () => {
  it("every row of the board has reasons, with what was read and releases by their names, and they lead to records", () =>
    club.ask(async (tx, who) => {
      const rows = await rowsOf(tx, who);
      expect(rows.length).toBeGreaterThan(20);
      for (const row of rows) {
        const { why = [] } = await whyOf(tx, who, row.tag, asked(row));
        const stored = (await needsOfUnit(tx, row.unit_id, who.today)).find(
          (n) => n.kind === row.kind && n.component_id === row.component_id && n.due_from === row.due_from,
        );
        expect([row.tag, why.length]).toEqual([row.tag, stored?.because.length]);
        expect([row.tag, why.some(([text]) => text.includes(`“${row.raw}”`))]).toEqual([
          row.tag,
          row.raw !== null,
        ]);
        for (const [text, to] of why) {
          expect(text, row.tag).toMatch(/^\S.*[.)]$/);
          expect(text, row.tag).not.toContain("that was shelved");
          expect(to ?? "/log", row.tag).toMatch(
            /^\/(units\/[\w%-]+(#(readings|mode|pairings)|\/channels)|models\/\d+|club|log(\?unit=\d+)?)$/,
          );
        }
      }
    }));

  it("reasons differ as needs differ: a radio with two needs gets the ones it asks for", () =>
    club.ask(async (tx, who) => {
      const rows = await rowsOf(tx, who);
      const several = groupBy(rows, (row) => row.tag);
      const [first, second] = [...several.values()].find((own) => own.length > 1) ?? [];
      if (!first || !second) throw new Error("the demo has radios with several needs");
      const of = async (row: typeof first) => (await whyOf(tx, who, row.tag, asked(row))).why;
      expect(await of(first)).not.toEqual(await of(second));
    }));

  it("a need that was met meanwhile, or that never was, has none; a radio that is not there is 404", () =>
    club.trial(async (tx, who) => {
      const row = (await rowsOf(tx, who)).find((r) => r.tag === "W-03");
      if (!row) throw new Error("W-03 has a need");
      const form = new FormData();
      const fields = { intent: "reading", typed: "1.14", source: "screen", key: crypto.randomUUID() };
      for (const [name, value] of Object.entries(fields)) form.append(name, value);
      await actOnUnit(tx, who, "W-03", form);
      expect(await whyOf(tx, who, "W-03", asked(row))).toEqual({});
      expect(await whyOf(tx, who, "W-03", new URLSearchParams())).toEqual({});
      const lost = await whyOf(tx, who, "W-99", asked(row)).catch((answer: Response) => answer.status);
      expect(lost).toBe(404);
    }));
});
