// Facts of a dossier in the database: parts renamed where they are spoken of, and every kind of fact confirmed.
import { beforeAll, expect, test } from "vitest";
import { conditionsShape } from "#core/release/index.ts";
import { type Actor, type Tx, withClub } from "../pool.ts";
import * as seed from "../seed.ts";
import { PLAIN_RELEASE, testDatabase, twoClubs } from "../testing.ts";
import {
  addConfirmation,
  allIdentities,
  CONFIRMABLE,
  confirmationsOf,
  putProcedure,
  putQuirk,
} from "./dossier.ts";
import { releasesOf, revisionsOf } from "./models.ts";
import { modeFacts, putMode } from "./modes.ts";
import { addParts, renamePart } from "./parts.ts";
import { addRelease } from "./releases.ts";

let actor: Actor;
beforeAll(async () => {
  [actor] = await twoClubs(await testDatabase());
});

async function twoParts(tx: Tx, by: string, name: string) {
  const model = await seed.seedModel(tx, { maker: "M", name, kind: "base", note: "", suffixes: [] });
  const part = (of: string, position: number) =>
    seed.seedComponent(tx, { model, name: of, position, numbering: undefined, by });
  const main = await part("main", 0);
  const dsp = await part("dsp", 1);
  const requires = [
    { component: "DSP", range: [{ atLeast: "2.0" }] },
    { component: "main", range: [{ atLeast: "1.0" }] },
  ];
  const release = await addRelease(tx, {
    component: main,
    version: "1.1",
    ...PLAIN_RELEASE,
    source: { kind: "maker", what: "leaflet" },
    conditions: conditionsShape.parse({ requires }),
  });
  return { model, main, dsp, release };
}

test("a part's new name stands in the requirements of its own model's releases, and in no other's", async () => {
  const told = await withClub(actor, async (tx) => {
    const one = await twoParts(tx, actor.person, "One");
    const other = await twoParts(tx, actor.person, "Other");
    await renamePart(tx, one.model, one.dsp, "sound");
    const asked = async (model: string) =>
      (await releasesOf(tx, model)).flatMap((r) =>
        conditionsShape.parse(r.conditions).requires.map((q) => q.component),
      );
    return { one: await asked(one.model), other: await asked(other.model) };
  });
  expect(told).toEqual({ one: ["sound", "main"], other: ["DSP", "main"] });
});

test("each kind of fact is confirmed by itself, with the firmware of the last time", async () => {
  const told = await withClub(actor, async (tx) => {
    const { model, main, release } = await twoParts(tx, actor.person, "Three");
    const source = { kind: "bench", what: "" } as const;
    const procedure = await putProcedure(tx, model, undefined, {
      purpose: "flash",
      title: "t",
      effect: "harmless",
      steps: [],
      component_id: null,
      firmware: null,
      hardware_revisions: null,
      minutes: 1,
      source,
      draft: false,
    });
    const quirk = await putQuirk(tx, model, undefined, {
      symptom: "s",
      cause: "",
      cure: "",
      component_id: null,
      firmware: null,
      source,
    });
    const mode = await putMode(tx, model, undefined, {
      name: "m",
      facts: modeFacts.parse({ transmit: [], receive: [] }),
      source,
      component_id: null,
      firmware: null,
      hardware_revisions: null,
      enter_id: null,
      leave_id: null,
    });
    const subjects = { procedure, quirk, release, part: main, mode, identity: model };
    for (const kind of CONFIRMABLE) {
      for (const firmware of ["1.0", `1.1 ${kind}`])
        await addConfirmation(tx, { model, kind, subject: subjects[kind], firmware, by: actor.person });
    }
    return { rows: await confirmationsOf(tx, model), subjects };
  });
  expect(told.rows).toHaveLength(CONFIRMABLE.length);
  for (const kind of CONFIRMABLE) {
    const row = told.rows.find((r) => r.kind === kind);
    expect(row).toMatchObject({ subject: told.subjects[kind], times: 2 });
    expect([...(row?.on ?? [])].sort()).toEqual(["1.0", `1.1 ${kind}`]);
  }
});

test("revisions keep their serial numbers, and the models are known by them", async () => {
  await withClub(actor, async (tx) => {
    const { model } = await twoParts(tx, actor.person, "Four");
    const serials = [{ from: "LF 1", to: "LF 9" }];
    await addParts(tx, model, [], [{ name: "A", tell: "red", serials }]);
    expect(await revisionsOf(tx, model)).toMatchObject([{ name: "A", how_to_tell: "red", serials }]);
    const known = (await allIdentities(tx)).find((m) => m.id === model);
    expect(known?.revisions).toEqual([{ name: "A", serials }]);
  });
});
