// How often the database is asked from a form to its answer: for a reading, a run's answer, a pasted table that is looked at.
import pg from "pg";
import { afterAll, beforeAll, expect, it } from "vitest";
import { only } from "#db/only.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { answerPlainly } from "./bench/run/answer.server.ts";
import { readImport } from "./import/read.server.ts";
import { actOnUnit } from "./unit/act.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

/** Opening and saving the transaction apart. */
const MOST = { reading: 15, answer: 17, table: 8 };

const formOf = (fields: Readonly<Record<string, string>>) => {
  const form = new FormData();
  for (const [name, value] of Object.entries({ key: crypto.randomUUID(), ...fields }))
    form.append(name, value);
  return form;
};

/** How many statements are sent while it works. */
async function asked(work: () => Promise<void>): Promise<number> {
  const proto = pg.Client.prototype as unknown as { query: (...all: unknown[]) => unknown };
  const { query } = proto;
  let count = 0;
  proto.query = function (this: unknown, ...all) {
    count++;
    return query.apply(this, all);
  };
  try {
    await work();
  } finally {
    proto.query = query;
  }
  return count;
}

/** The least of three: what else the process asks now and then is not counted. */
async function leastAsked(work: () => Promise<void>): Promise<number> {
  const counts = [await asked(work), await asked(work), await asked(work)];
  return Math.min(...counts);
}

it("a reading", () =>
  club.trial(async (tx, who) => {
    const read = async () => {
      const form = formOf({ intent: "reading", typed: "v1.08", source: "screen" });
      expect((await actOnUnit(tx, who, "W-05", form)).data.ok).toBe(true);
    };
    // What is prepared once and kept is there from then on.
    await read();
    const count = await leastAsked(read);
    expect(count).toBeGreaterThan(10);
    expect(count).toBeLessThanOrEqual(MOST.reading);
  }));

it("a run's answer", async () => {
  let count = Number.POSITIVE_INFINITY;
  const seen = () =>
    club.trial(async (tx, who) => {
      const { rows } = await tx.query<{ id: string; held_by: string; number: number }>(
        `select id, held_by, (select count(*)::int from run_event e where e.run_id = run.id) number
         from run where ended_at is null order by id desc limit 1`,
      );
      const run = only(rows);
      const now = await asked(async () => {
        const form = formOf({ intent: "seen", number: String(run.number) });
        const done = await answerPlainly({ ...who, person: run.held_by }, run.id, form, [{ kind: "seen" }]);
        expect(done.data.ok || done.data.says).toBe(true);
      });
      count = Math.min(count, now);
    });
  // Each is taken back; by the last, what is prepared once and kept is there.
  for (let i = 0; i < 3; i++) await seen();
  expect(count).toBeGreaterThan(3);
  expect(count).toBeLessThanOrEqual(MOST.answer);
});

it("a table that is looked at", () =>
  club.trial(async (tx, who) => {
    const text = "Tag,Maker,Model,main\nW-05,Fenwright,Wicket,1.08\nX-01,Fenwright,Wicket,1.10";
    const look = async () => {
      const reply = await readImport(tx, who, formOf({ intent: "open", text }));
      expect(reply).toHaveProperty("preview");
    };
    await look();
    const count = await leastAsked(look);
    expect(count).toBeGreaterThan(3);
    expect(count).toBeLessThanOrEqual(MOST.table);
  }));
