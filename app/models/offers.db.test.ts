// What the form of a release offers, as the tables tell it.
import { afterAll, beforeAll, expect, it } from "vitest";
import { releaseOffers } from "#db/model/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

it("the versions of this model's parts and of no other's, software of kit and releases, regions of radios and releases, each once", () =>
  club.trial(async (tx) => {
    const model = async (name: string) => {
      const { rows } = await tx.query<{ id: string }>("select id::text from model where name = $1", [name]);
      return rows[0]?.id ?? "";
    };
    const id = await model("Heron");
    const { rows: own } = await tx.query<{ version: string; part: string }>(
      `select r.version, c.name part from release r join component c on c.id = r.component_id
       where c.model_id = $1 and r.shelved_at is null`,
      [id],
    );
    const before = await releaseOffers(tx, id);
    expect(new Set(before.versions.map((v) => `${v.part} ${v.version}`))).toEqual(
      new Set(own.map((v) => `${v.part} ${v.version}`)),
    );
    expect(before.versions).toHaveLength(own.length);
    expect(own.length).toBeGreaterThan(2);
    expect(before.tools).toContain("Hedgewriter");
    expect(before.toolVersions).toContain("1.8");
    await tx.query("update unit set region = 'fen' where model_id = $1", [id]);
    await tx.query(
      `update release set regions = '{fen,weir}', conditions = '{"tool": {"name": "Nightjar"}}'
       where id = (select min(r.id) from release r join component c on c.id = r.component_id where c.model_id = $1)`,
      [id],
    );
    const after = await releaseOffers(tx, id);
    expect(after.regions).toEqual(["fen", "weir"]);
    expect(after.tools).toContain("Nightjar");
    await tx.query("update tool set shelved_at = now() where name = 'Hedgewriter'");
    await tx.query(
      "update release set shelved_at = now() where component_id in (select id from component where model_id = $1)",
      [id],
    );
    const gone = await releaseOffers(tx, id);
    expect(gone.versions).toEqual([]);
    expect(gone.tools).not.toContain("Hedgewriter");
    expect(gone.tools).not.toContain("Nightjar");
    // Of another model nothing of this one is offered.
    const other = await releaseOffers(tx, await model("Wicket"));
    expect(other.regions).not.toContain("fen");
    expect(other.versions.length).toBeGreaterThan(0);
  }));
