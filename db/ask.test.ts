// Rows that are not what their shape says are found where tests run, not where a club waits.
import { readdirSync, readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { z } from "zod";
import { ask, askAtOnce } from "./ask.ts";
import { type Actor, withClub } from "./pool.ts";
import { type TestDatabase, testDatabase, twoClubs } from "./testing.ts";

let database: TestDatabase;
let actor: Actor;
beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
});
afterAll(() => database.close());

describe("a statement's rows", () => {
  it("come as they are where they fit, with what the shape does not speak of", () =>
    withClub(actor, async (tx) => {
      const shape = z.object({ n: z.number(), day: z.string() });
      const { rows } = await ask(tx, shape, "select $1::int n, '2026-06-01'::date as day, true more", [4]);
      expect(rows).toEqual([{ n: 4, day: "2026-06-01", more: true }]);
      expect(await askAtOnce(tx, shape, "select $1::int n, '2026-06-01'::date as day", [4])).toEqual([
        { n: 4, day: "2026-06-01" },
      ]);
    }));

  it.each([
    ["another kind", "select '4' n"],
    ["nothing", "select null::int n"],
    ["another name", "select 4 m"],
    ["one of several", "select 4 n union all select null"],
  ])("are refused where one is not what it should be: %s", (_, text) =>
    withClub(actor, async (tx) => {
      const shape = z.object({ n: z.number() });
      await expect(ask(tx, shape, text)).rejects.toThrow(/not what its shape says \(n: .*select/s);
      await expect(askAtOnce(tx, shape, text, [])).rejects.toThrow(/not what its shape says \(n: /);
    }),
  );

  it("are read through a shape in every statement of ours", () => {
    const without = ["db/", "acts/", "app/", "demo/"].flatMap((room) =>
      readdirSync(room, { recursive: true, encoding: "utf8" })
        .filter((file) => /\.tsx?$/.test(file) && !/test/.test(file))
        .map((file) => room + file)
        .filter((file) => /\btx\.query</.test(readFileSync(file, "utf8"))),
    );
    expect(without).toEqual(["db/ask.ts"]);
  });
});
