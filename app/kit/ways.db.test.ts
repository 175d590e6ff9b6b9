// Ways of programming from the demo's kit: our own times count once there are three, a programmer that nobody has charged is not counted on.
import { afterAll, beforeAll, expect, it } from "vitest";
import { lastsFor } from "#core/bluetooth/index.ts";
import type { Happening, RunPlan } from "#core/run/index.ts";
import { deviceRows } from "#db/kit/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { addThings } from "#db/run/index.ts";
import { seedRun } from "#db/seed.ts";
import { unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { loadWays } from "./load-ways.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const wicket = async (tx: Tx) => {
  const model = (await modelsToPick(tx)).find(({ name }) => name === "Wicket");
  if (!model) throw new Error("the demo has Wickets");
  return model;
};

it("counts what there is: leads and computers that go together, the charge that is known", () =>
  club.ask(async (tx) => {
    const model = await wicket(tx);
    const { compared, charges } = await loadWays(tx, model, 5, 16);
    const of = (id: string) => compared.find((one) => one.id === id);
    const b01 = (await deviceRows(tx)).find(({ tag }) => tag === "B-01");
    expect(charges.map(({ tag }) => tag)).toEqual(["B-01"]);
    expect(of("bluetooth")?.lasts).toBe(lastsFor(charges[0]?.percent, b01?.per_use ?? null));
    expect(of("bluetooth")?.atOnce).toBe(1);
    expect(of("cable")?.atOnce).toBeGreaterThan(1);
    expect(compared.every(({ measured }) => measured === 0)).toBe(true);
    // The quickest comes first.
    const minutes = compared.map((one) => one.minutes ?? Number.POSITIVE_INFINITY);
    expect([...minutes].sort((a, b) => a - b)).toEqual(minutes);
  }));

it("our own times count from the third on, by their middle; of real radios only, that came to their end, by one kind of lead", () =>
  club.trial(async (tx, who) => {
    const model = await wicket(tx);
    const plan: RunPlan = {
      purpose: "restore",
      stages: [{ name: "put-away", title: "away", steps: [{ kind: "put-away", what: "it", minutes: 1 }] }],
    };
    const lead = async (tag: string) =>
      (await tx.query<{ id: string }>("select id from lead where tag = $1", [tag])).rows[0]?.id ?? "";
    const wrote = async (tag: string, minutes: number, leads: readonly string[], last: Happening) => {
      const unit = (await unitByTag(tx, tag))?.id ?? "";
      const at = (minute: number) =>
        new Date(Date.parse("2026-01-05T19:00:00Z") + minute * 60_000).toISOString();
      const run = await seedRun(tx, {
        unit,
        title: "Write a backup back",
        plan,
        by: who.person,
        begunAt: at(0),
        endedAt: at(minutes),
        events: [
          { what: { kind: "started" }, at: at(0) },
          { what: { kind: "seen" }, at: at(minutes) },
          { what: last, at: at(minutes) },
        ],
      });
      for (const name of leads) await addThings(tx, run, [{ kind: "lead", id: await lead(name), name }]);
    };
    const done: Happening = { kind: "finished" };
    const cable = async () => (await loadWays(tx, model, 1, 16)).compared.find(({ id }) => id === "cable");
    await wrote("S-05", 9, ["K-01"], done);
    await wrote("S-05", 2, ["K-02"], done);
    // A simulated radio, a stop half-way, two leads at once, and a programmer say nothing of a cable.
    await wrote("W-01", 50, ["K-01"], done);
    await wrote("S-05", 50, ["K-01"], { kind: "stopped", reason: "late" });
    await wrote("S-05", 50, ["K-01", "B-01"], done);
    await wrote("S-05", 50, ["B-01"], done);
    expect(await cable()).toMatchObject({ measured: 0 });
    await wrote("S-05", 5, ["K-07"], done);
    expect(await cable()).toMatchObject({ measured: 3, minutes: 13 });
  }));
