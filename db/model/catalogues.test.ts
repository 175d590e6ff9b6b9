// Kept catalogues: never older than what stands, never another database's.
import { expect, test } from "vitest";
import { plain } from "#core/quantities/index.ts";
import { type Actor, closePool, type Tx, withClub } from "../pool.ts";
import * as seed from "../seed.ts";
import { PLAIN_RELEASE, testDatabase, twoClubs } from "../testing.ts";
import { loadCatalogues } from "./catalogues.ts";
import { confirmNumbering } from "./models.ts";
import { addRelease, correctRelease, shelveRelease, withdrawRelease } from "./releases.ts";

const fields = (component: string, version: string) => ({
  component,
  version,
  ...PLAIN_RELEASE,
});

const seen = async (tx: Tx, model: string) =>
  [...((await loadCatalogues(tx, [model])).get(model)?.values() ?? [])].flatMap((p) =>
    p.releases.map((r) => `${r.version}${r.withdrawn ? " withdrawn" : ""} ${p.reader.scheme.numbering.kind}`),
  );

async function begin(actor: Actor, version: string) {
  return withClub(actor, async (tx) => {
    const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
    const component = await seed.seedComponent(tx, {
      model,
      name: "main",
      position: 0,
      numbering: { kind: "dotted" },
      by: actor.person,
    });
    const release = await addRelease(tx, fields(component, version));
    return { model, component, release };
  });
}

test("every kind of change is seen at once, in its own transaction and after; what was undone is not", async () => {
  const database = await testDatabase();
  const [actor] = await twoClubs(database);
  const { model, component, release } = await begin(actor, "1.0");
  const after = async (change: (tx: Tx) => Promise<unknown>) => {
    const within = await withClub(actor, async (tx) => {
      await seen(tx, model);
      await change(tx);
      return seen(tx, model);
    });
    expect(await withClub(actor, (tx) => seen(tx, model))).toEqual(within);
    return within;
  };
  expect(await after(async () => {})).toEqual(["1.0 dotted"]);
  expect(await after((tx) => addRelease(tx, fields(component, "1.1")))).toEqual(["1.0 dotted", "1.1 dotted"]);
  expect(await after((tx) => withdrawRelease(tx, release, { on: plain("2026-02-01"), why: "x" }))).toContain(
    "1.0 withdrawn dotted",
  );
  expect(
    await after((tx) =>
      correctRelease(tx, release, {
        ...fields(component, "1.0.1"),
        withdrawn: { on: plain("2026-02-01"), why: "x" },
      }),
    ),
  ).toContain("1.0.1 withdrawn dotted");
  expect(await after((tx) => shelveRelease(tx, release))).toEqual(["1.1 dotted"]);
  expect(await after((tx) => confirmNumbering(tx, component, { kind: "decimal" }, actor.person))).toEqual([
    "1.1 decimal",
  ]);
  const undone = withClub(actor, async (tx) => {
    await addRelease(tx, fields(component, "9.9"));
    expect(await seen(tx, model)).toContain("9.9 decimal");
    throw new Error("undone");
  });
  await expect(undone).rejects.toThrow("undone");
  expect(await withClub(actor, (tx) => seen(tx, model))).toEqual(["1.1 decimal"]);
  await database.close();
});

test("another database in the same process has catalogues of its own, though its stamps are the same", async () => {
  for (const version of ["3.0", "4.0"]) {
    const database = await testDatabase();
    const [actor] = await twoClubs(database);
    const { model } = await begin(actor, version);
    expect(await withClub(actor, (tx) => seen(tx, model))).toEqual([`${version} dotted`]);
    await closePool();
  }
});
