// The file of a release: kept by what it is, told of when it comes, and never under another's hash.
import { createHash } from "node:crypto";
import { afterAll, beforeAll, expect, it } from "vitest";
import { readLog } from "#db/club/index.ts";
import { modelsToPick, releasesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { fileContent } from "#db/run/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { releaseStands, writeRelease } from "./write-release.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const content = new Uint8Array([7, 7, 7, 7]);
const sha256 = createHash("sha256").update(content).digest("hex");

async function someRelease(tx: Tx) {
  const [model = { id: "" }] = await modelsToPick(tx);
  const row = (await releasesOf(tx, model.id)).find((r) => !r.draft);
  const stands = row && (await releaseStands(tx, model.id, row.id));
  if (!row || !stands) throw new Error("the demo has a release");
  return { model: model.id, release: row.id, component: row.component_id, ...stands.written };
}
const write = (tx: Tx, input: object) =>
  performIn(tx, writeRelease, club.who, { input, key: crypto.randomUUID() });

it("a file that comes after its hash was known is kept and told of; the same again is neither", () =>
  club.trial(async (tx, who) => {
    const release = { ...(await someRelease(tx)), file: { sha256, size: content.length, name: "a.img" } };
    expect(await write(tx, release)).toMatchObject({ ok: true, value: { told: 1 } });
    expect(await fileContent(tx, sha256)).toBeUndefined();
    expect(await write(tx, { ...release, content })).toMatchObject({ ok: true, value: { told: 1 } });
    expect([...((await fileContent(tx, sha256)) ?? [])]).toEqual([...content]);
    const [entry] = await readLog(tx, { kind: "release-corrected", person: who.person }, 1, "keeper");
    expect(entry?.detail).toMatchObject({ what: "the file itself" });
    expect(await write(tx, { ...release, content })).toMatchObject({ ok: true, value: { told: 0 } });
  }));

it("a file that is not what is said of it is refused, with or without a hash, and not kept", () =>
  club.trial(async (tx) => {
    const release = await someRelease(tx);
    const lie = { sha256: "ab".repeat(32), size: content.length, name: "a.img" };
    for (const file of [lie, undefined]) {
      expect(await write(tx, { ...release, file, content })).toEqual({
        ok: false,
        problem: { kind: "other-file" },
      });
    }
    expect(await fileContent(tx, lie.sha256)).toBeUndefined();
  }));
