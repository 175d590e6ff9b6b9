// Dossiers out and in again: nothing is lost on the way, nothing changes the second time, and only what is accepted is taken.
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { performIn } from "#acts/define.ts";
import { bringInDossier } from "#acts/model/bring-in-dossier.ts";
import { type Dossier, differencesOf, factKey, factsOf, readDossier } from "#core/dossier/index.ts";
import { plain } from "#core/quantities/index.ts";
import { readLog } from "#db/club/index.ts";
import { models, oursFor, writeDossier } from "#db/model/index.ts";
import { modelByName } from "#db/model/models.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituations, openNeeds } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import type { SignedIn } from "../context.ts";

const TODAY = plain("2026-11-24");

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const acceptDossier = async (tx: Tx, who: SignedIn, theirs: Dossier, accepted: ReadonlySet<string>) => {
  const asked = {
    input: { text: JSON.stringify(theirs), accepted: [...accepted] },
    key: crypto.randomUUID(),
  };
  const done = await performIn(tx, bringInDossier, who, asked);
  if (!done.ok) throw new Error(JSON.stringify(done.problem));
  return done.value.answer;
};

const all = (dossier: Dossier) => new Set(factsOf(dossier).map((fact) => fact.key));
const written = async (tx: Tx, who: SignedIn, id: string): Promise<Dossier> => {
  const dossier = await writeDossier(tx, who, id);
  if (!dossier) throw new Error("no such model");
  return dossier;
};
const named = async (tx: Tx, who: SignedIn, name: string) => {
  const found = (await models(tx, who.today)).find((m) => m.name === name);
  if (!found) throw new Error(`no model ${name}`);
  return { id: found.id, dossier: await written(tx, who, found.id) };
};
/** As it would come from another club, through the file. */
const sent = (dossier: Dossier): Dossier => {
  const read = readDossier(JSON.stringify({ ...dossier, from: "Reedbank Radio Group" }), TODAY);
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  expect(read.value.unknown).toEqual([]);
  return read.value.dossier;
};
/** Two documents that say the same of everything but whence it is known. */
const expectSame = (one: Dossier, other: Dossier) => {
  expect(differencesOf(one, other)).toEqual([]);
  expect(differencesOf(other, one)).toEqual([]);
};

describe("a dossier", () => {
  it("of every model of the club comes in elsewhere as it went out", () =>
    club.trial(async (tx, who) => {
      const known = await models(tx, who.today);
      expect(known.length).toBeGreaterThan(8);
      for (const { id, name } of known) {
        const out = sent(await written(tx, who, id));
        const theirs = { ...out, model: { ...out.model, name: `${name} elsewhere` } };
        expect(await oursFor(tx, theirs)).toBeUndefined();
        const { model, taken } = await acceptDossier(tx, who, theirs, all(theirs));
        expect([name, taken]).toEqual([name, factsOf(theirs).length]);
        const back = await written(tx, who, model);
        expect(back.model.name).toBe(`${name} elsewhere`);
        expectSame(back, theirs);
      }
    }));

  it("that is our own is no difference, and accepted whole it changes nothing but whence things are known", () =>
    club.trial(async (tx, who) => {
      for (const { id } of await models(tx, who.today)) {
        const before = await written(tx, who, id);
        expect(differencesOf(before, sent(before))).toEqual([]);
        await acceptDossier(tx, who, sent(before), all(before));
        expectSame(await written(tx, who, id), before);
      }
    }));

  it("that is silent takes nothing away: withdrawals, conditions, files, notes and how to tell revisions stay", () =>
    club.trial(async (tx, who) => {
      let withdrawn = 0;
      for (const { id } of await models(tx, who.today)) {
        const before = await written(tx, who, id);
        withdrawn += before.components.flatMap((c) => c.releases).filter((r) => r.withdrawn).length;
        const { maker, name, kind, hardwareRevisions } = before.model;
        const bare = sent({
          ...before,
          model: {
            maker,
            name,
            kind,
            note: "",
            suffixes: [],
            hardwareRevisions: hardwareRevisions.map((r) => ({ name: r.name, howToTell: "", serials: [] })),
            identity: { soldAs: [], pickInTool: "", plugs: [], labels: [], screens: [], antennaSocket: "" },
          },
          components: before.components.map((part) => ({
            name: part.name,
            reading: { how: "", sample: "" },
            releases: part.releases.map(({ version, track, releasedOn }) => ({
              version,
              track,
              releasedOn,
              aliases: [],
              fixes: [],
              notes: "",
              draft: false,
            })),
          })),
        });
        await acceptDossier(tx, who, bare, all(bare));
        expectSame(await written(tx, who, id), before);
      }
      expect(withdrawn).toBeGreaterThan(0);
    }));

  it("is taken fact by fact: what was not accepted stays as it was, and the source says from whom the rest is", () =>
    club.trial(async (tx, who) => {
      const { id, dossier } = await named(tx, who, "Wicket");
      const theirs = sent({
        ...dossier,
        model: { ...dossier.model, note: "another note" },
        components: dossier.components.map((part) => ({
          ...part,
          releases: part.releases.map((r) => ({ ...r, notes: "read the leaflet first" })),
        })),
        quirks: [
          ...dossier.quirks,
          { symptom: "hums", cause: "", cure: "turn it", source: { kind: "bench", what: "" } },
        ],
      });
      const [release] = theirs.components[0]?.releases ?? [];
      if (!release) throw new Error("it has releases");
      const wanted = new Set([factKey.release("main", release.version), factKey.quirk({ symptom: "hums" })]);
      expect((await acceptDossier(tx, who, theirs, wanted)).taken).toBe(2);
      const after = await written(tx, who, id);
      expect(after.model.note).toBe(dossier.model.note);
      const left = new Set(differencesOf(after, theirs).map((d) => d.key));
      const asked = new Set(differencesOf(dossier, theirs).map((d) => d.key));
      expect([...asked].filter((key) => !left.has(key)).sort()).toEqual([...wanted].sort());
      const taken = after.components[0]?.releases.find((r) => r.version === release.version);
      expect(taken).toMatchObject({ notes: "read the leaflet first", source: { kind: "club" } });
      expect(taken?.source?.what).toContain("Reedbank Radio Group");
      expect((await readLog(tx, { kind: "dossier-brought-in" }, 1, "keeper"))[0]).toMatchObject({
        kind: "dossier-brought-in",
      });
    }));

  it("in other letters of the same shape is of the same model, and its names do not replace ours", () =>
    club.trial(async (tx, who) => {
      const { id, dossier } = await named(tx, who, "Wicket");
      const theirs = sent({
        ...dossier,
        model: {
          ...dossier.model,
          maker: dossier.model.maker.toUpperCase(),
          name: "WICKET",
          note: "new note",
        },
      });
      expect(await oursFor(tx, theirs)).toBe(id);
      await acceptDossier(tx, who, theirs, all(theirs));
      expect((await written(tx, who, id)).model).toMatchObject({
        name: "Wicket",
        maker: dossier.model.maker,
        note: "new note",
      });
      expect(await modelByName(tx, dossier.model.maker, "Wicket")).toBe(id);
    }));

  it("whose release contradicts ours is kept as a draft, and no radio is sent to it", () =>
    club.trial(async (tx, who) => {
      const { id, dossier } = await named(tx, who, "Wicket");
      const [main] = dossier.components;
      if (!main) throw new Error("it has a part");
      const theirs = sent({
        ...dossier,
        components: [
          {
            ...main,
            releases: [
              {
                version: "9.9",
                track: "factory",
                releasedOn: who.today,
                aliases: [],
                fixes: [],
                notes: "",
                draft: false,
                conditions: {
                  requires: [],
                  erases: "nothing",
                  ways: [],
                  minutes: 5,
                  risk: 2,
                  unchanged: "",
                  from: [{ atLeast: "10.0" }],
                },
              },
            ],
          },
        ],
      });
      await acceptDossier(tx, who, theirs, new Set([factKey.release("main", "9.9")]));
      const after = await written(tx, who, id);
      expect(after.components[0]?.releases.find((r) => r.version === "9.9")?.draft).toBe(true);
      const { all: loaded, catalogues } = await loadSituations(tx, { of: "model", id }, who.today);
      const units = loaded.map(({ unit }) => unit);
      expect(units.length).toBeGreaterThan(3);
      const drafts = [...(catalogues.get(id)?.values() ?? [])].flatMap((c) =>
        c.releases.filter((r) => r.draft),
      );
      const ids = new Set(drafts.map((draft) => draft.id));
      expect(ids.size).toBeGreaterThan(0);
      const targets = (await openNeeds(tx, who.today)).flatMap((need) => need.targets);
      expect(targets.length).toBeGreaterThan(5);
      expect(targets.filter((target) => ids.has(target.release))).toEqual([]);
    }));
});
