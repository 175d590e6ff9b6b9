// Two models that are one: radios, readings, modes, tools, pins and what was picked go along; what was not picked stays as it was.
import { afterAll, beforeAll, expect, it } from "vitest";
import { type Dossier, factsOf, mergeEffect } from "#core/dossier/index.ts";
import { plain } from "#core/quantities/index.ts";
import { type PolicyRule, standingsOf } from "#core/unit/index.ts";
import { groups, putGroup } from "#db/club/index.ts";
import { addUnitMode, becameOf, modelById, modesOf, releasesOf, writeDossier } from "#db/model/index.ts";
import { modelByName } from "#db/model/models.ts";
import type { Tx } from "#db/pool.ts";
import { PLAIN_UNIT } from "#db/testing.ts";
import { addUnit, loadSituation, shelveUnit, unitById } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "../../demo/testing.ts";
import { performIn } from "../define.ts";
import { recordReading } from "../reading/record-reading.ts";
import { bringInDossier } from "./bring-in-dossier.ts";
import { mergeModels } from "./merge-models.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const asked = (input: Readonly<Record<string, unknown>>) => ({ input, key: crypto.randomUUID() });
const wicket = async (tx: Tx, name = "Wicket") => {
  const { rows } = await tx.query<{ id: string }>("select id from model where name = $1", [name]);
  return rows[0]?.id ?? "";
};
const merge = (tx: Tx, input: Readonly<Record<string, unknown>>) =>
  performIn(tx, mergeModels, club.who, asked(input));

/** Wicket once more under another name: without its notes, with a release and a quirk of its own, and one release told otherwise. */
async function twin(
  tx: Tx,
): Promise<{ readonly gone: string; readonly into: string; readonly unit: string }> {
  const into = await wicket(tx);
  const ours = await writeDossier(tx, club.who, into);
  const [part, ...parts] = ours?.components ?? [];
  const [release, ...releases] = part?.releases ?? [];
  if (!ours || !part || !release) throw new Error("no dossier");
  const told: Dossier = {
    ...ours,
    model: { ...ours.model, name: "Wicket B" },
    components: [
      {
        ...part,
        releases: [
          { ...release, releasedOn: plain("2020-02-03") },
          ...releases,
          { ...release, version: "9.9", notes: "" },
        ],
      },
      ...parts,
    ],
    quirks: [
      {
        symptom: "rattles",
        cause: "a loose screw",
        cure: "fasten it",
        source: { kind: "bench", what: "June" },
      },
    ],
  };
  const accepted = factsOf(told).map(({ key }) => key);
  const done = await performIn(tx, bringInDossier, club.who, asked({ text: JSON.stringify(told), accepted }));
  const gone = done.ok ? done.value.answer.model : "";
  const unit = await addUnit(tx, { tag: "Z-77", model: gone, ...PLAIN_UNIT }, plain("2026-01-01"));
  return { gone, into, unit };
}

it("a model is not merged into itself, into none, nor while one of its radios is at the bench", () =>
  club.trial(async (tx) => {
    const into = await wicket(tx);
    expect(await merge(tx, { model: into, into })).toMatchObject({ ok: false, problem: { kind: "same" } });
    expect(await merge(tx, { model: into, into: "999999" })).toMatchObject({ problem: { kind: "no-model" } });
    const { gone, unit } = await twin(tx);
    await performIn(tx, recordReading, club.who, asked({ unit, typed: "1.08", source: "screen" }));
    await tx.query(
      "insert into run (club_id, unit_id, title, plan, begun_by, held_by) values (current_club(), $1, 'R', '{}', $2, $2)",
      [unit, club.who.person],
    );
    expect(await merge(tx, { model: gone, into })).toMatchObject({
      problem: { kind: "on-bench", tags: ["Z-77"] },
    });
    expect(await modelById(tx, gone)).toBeDefined();
  }));

it("radios, readings, mode, tools and pins go along; of the dossier what was picked", () =>
  club.trial(async (tx) => {
    const { gone, into, unit } = await twin(tx);
    const read = await performIn(
      tx,
      recordReading,
      club.who,
      asked({ unit, typed: "1.08", source: "screen" }),
    );
    expect(read.ok).toBe(true);
    const [mode] = await modesOf(tx, gone);
    if (!mode) throw new Error("no mode");
    await addUnitMode(tx, { unit, mode: mode.id, how: "told", why: "", by: club.who.person });
    const tool = await tx.query<{ tool_id: string }>(
      `insert into tool_support (club_id, tool_id, model_id, operations)
       select current_club(), t.id, $1, '{read}' from tool t
       where not exists (select from tool_support s where s.tool_id = t.id and s.model_id = $2) order by t.id limit 1 returning tool_id`,
      [gone, into],
    );
    const [group] = await groups(tx);
    const pinned = (await releasesOf(tx, gone)).find(({ version }) => version === "1.08");
    if (!group || !pinned) throw new Error("no group");
    const { name, purpose, policy } = group;
    const rule: PolicyRule = { kind: "pinned", releases: [pinned.id], otherwise: { kind: "newest" } };
    await putGroup(tx, group.id, { name, purpose, policy: { ...policy, rule } });

    const stays = await writeDossier(tx, club.who, into);
    const goes = await writeDossier(tx, club.who, gone);
    if (!stays || !goes) throw new Error("no dossier");
    const effect = mergeEffect(stays, goes);
    expect(effect.gains.map(({ key }) => key).sort()).toEqual([
      "identity",
      "quirk rattles",
      "release main 9.9",
    ]);
    expect(effect.differs.map(({ key }) => key)).toEqual([
      `release main ${stays.components[0]?.releases[0]?.version}`,
    ]);

    const done = await merge(tx, { model: gone, into, accepted: effect.gains.map(({ key }) => key) });
    expect(done).toMatchObject({ ok: true, value: { answer: { units: 1, taken: 3, carried: 1, left: 0 } } });
    expect((await unitById(tx, unit))?.model).toBe("Wicket");
    const situation = await loadSituation(tx, unit, club.who.today);
    expect(situation && standingsOf(situation)[0]).toMatchObject({ reading: { raw: "1.08" } });
    expect(situation?.unit.mode?.now.name).toBe(mode.name);
    expect((await modesOf(tx, into)).some(({ id }) => id === situation?.unit.mode?.now.id)).toBe(true);
    const served = await tx.query(
      "select from tool_support where tool_id = $1 and model_id = $2 and operations = '{read}'",
      [tool.rows[0]?.tool_id, into],
    );
    expect(served.rowCount).toBe(1);
    expect((await tx.query("select from tool_support where model_id = $1", [gone])).rowCount).toBe(0);
    const now = (await groups(tx)).find(({ id }) => id === group.id)?.policy.rule;
    const same = (await releasesOf(tx, into)).find(({ version }) => version === "1.08");
    expect(now).toMatchObject({ kind: "pinned", releases: [same?.id] });

    const after = await writeDossier(tx, club.who, into);
    expect(after?.quirks.find(({ symptom }) => symptom === "rattles")?.source).toEqual(
      goes.quirks[0]?.source,
    );
    expect(after?.quirks.length).toBe(stays.quirks.length + 1);
    expect(after?.components[0]?.releases.some(({ releasedOn }) => releasedOn === "2020-02-03")).toBe(false);
    expect(after?.model.identity.soldAs).toContain("Wicket B");
    expect([await modelById(tx, gone), await becameOf(tx, gone)]).toEqual([undefined, into]);
    // Its name is free again, and nothing is left of it to merge.
    expect(await modelByName(tx, stays.model.maker, "Wicket B")).toBeUndefined();
    expect(await merge(tx, { model: gone, into })).toMatchObject({ problem: { kind: "no-model" } });
  }));

it("a radio on the shelf goes along with what was read of it, and is known when it comes back", () =>
  club.trial(async (tx) => {
    const { gone, into, unit } = await twin(tx);
    await performIn(tx, recordReading, club.who, asked({ unit, typed: "1.08", source: "screen" }));
    await shelveUnit(tx, unit, true);
    const done = await merge(tx, { model: gone, into });
    expect(done).toMatchObject({ ok: true, value: { answer: { units: 1, carried: 1, left: 0 } } });
    await shelveUnit(tx, unit, false);
    const situation = await loadSituation(tx, unit, club.who.today);
    expect(situation && standingsOf(situation)[0]).toMatchObject({ reading: { raw: "1.08" } });
  }));

it("what becomes of one that became another is told through all of them", () =>
  club.trial(async (tx) => {
    const { gone, into } = await twin(tx);
    await merge(tx, { model: gone, into });
    const last = await wicket(tx, "Wicket II");
    await tx.query("update run set ended_at = now() where ended_at is null");
    await merge(tx, { model: into, into: last });
    expect([await becameOf(tx, gone), await becameOf(tx, into), await becameOf(tx, last)]).toEqual([
      last,
      last,
      undefined,
    ]);
    // Nobody is worse known than before: its radios' needs are kept of the model that they are of now.
    const { rows } = await tx.query(
      `select from need n join unit u on u.club_id = n.club_id and u.id = n.unit_id
       where n.component_id <> 0 and not exists (
         select from component c where c.club_id = u.club_id and c.id = n.component_id and c.model_id = u.model_id)`,
    );
    expect(rows).toEqual([]);
  }));

it("a hardware revision becomes the one of its name, in whatever letters; where there is none it is not known", () =>
  club.trial(async (tx) => {
    const { gone, into, unit } = await twin(tx);
    const other = await addUnit(tx, { tag: "Z-78", model: gone, ...PLAIN_UNIT }, plain("2026-01-01"));
    const revision = async (model: string, name: string) => {
      const { rows } = await tx.query<{ id: string }>(
        "insert into hardware_revision (club_id, model_id, name) values (current_club(), $1, $2) returning id::text",
        [model, name],
      );
      return rows[0]?.id ?? "";
    };
    const [, second] = [await revision(into, "Rush one"), await revision(into, "Rush two")];
    await tx.query("update unit set hardware_revision_id = $2 where id = $1", [
      unit,
      await revision(gone, "RUSH TWO"),
    ]);
    await tx.query("update unit set hardware_revision_id = $2 where id = $1", [
      other,
      await revision(gone, "Rush nine"),
    ]);
    expect(await merge(tx, { model: gone, into })).toMatchObject({ ok: true });
    const revisions = [await unitById(tx, unit), await unitById(tx, other)].map(
      (u) => u?.hardware_revision_id,
    );
    expect(revisions).toEqual([second, null]);
  }));
