// What a reading costs: how often the database is asked from its form to its answer.
import pg from "pg";
import { afterAll, beforeAll, expect, it } from "vitest";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { actOnUnit } from "./act.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

/** Opening and saving the transaction apart. */
const MOST = 15;

it("a reading asks the database no more than it may", () =>
  club.trial(async (tx, who) => {
    const read = async () => {
      const form = new FormData();
      const fields = { key: crypto.randomUUID(), intent: "reading", typed: "v1.08", source: "screen" };
      for (const [name, value] of Object.entries(fields)) form.append(name, value);
      return actOnUnit(tx, who, "W-05", form);
    };
    // What is prepared once and kept is there from then on.
    await read();
    const proto = pg.Client.prototype as unknown as { query: (...all: unknown[]) => unknown };
    const { query } = proto;
    let asked = 0;
    proto.query = function (this: unknown, ...all) {
      asked++;
      return query.apply(this, all);
    };
    try {
      expect((await read()).data.ok).toBe(true);
    } finally {
      proto.query = query;
    }
    expect(asked).toBeGreaterThan(10);
    expect(asked).toBeLessThanOrEqual(MOST);
  }));
