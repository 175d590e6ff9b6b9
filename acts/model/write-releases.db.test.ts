// Several releases at once: all of them, the oldest first, or none.
import { afterAll, beforeAll, expect, it } from "vitest";
import { readLog } from "#db/club/index.ts";
import { releasesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { type DemoClub, demoClub } from "../../demo/testing.ts";
import { performIn } from "../define.ts";
import { writeReleases } from "./write-releases.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const wicket = async (tx: Tx) => {
  const { rows } = await tx.query<{ model: string; component: string }>(
    "select m.id::text model, c.id::text component from model m join component c on c.model_id = m.id where m.name = 'Wicket' and c.name = 'main'",
  );
  return rows[0] ?? { model: "", component: "" };
};
const write = async (tx: Tx, releases: readonly object[], key: string = crypto.randomUUID()) =>
  performIn(tx, writeReleases, club.who, { input: { ...(await wicket(tx)), releases }, key });
const one = (version: string, releasedOn: string, more: object = {}) => ({
  version,
  track: "factory",
  releasedOn,
  ...more,
});
const versions = async (tx: Tx) =>
  (await releasesOf(tx, (await wicket(tx)).model)).map(({ version }) => version);

it("a later one may be installed over an earlier one of the same notes, in whatever order they stand", () =>
  club.trial(async (tx) => {
    const over = { conditions: { from: [{ atLeast: "9.1" }] } };
    const done = await write(tx, [one("9.2", "2026-03-01", over), one("9.1", "2026-02-01")]);
    expect(done).toMatchObject({ ok: true, value: { answer: { versions: ["9.2", "9.1"] } } });
    expect(await versions(tx)).toEqual(expect.arrayContaining(["9.1", "9.2"]));
    const log = await readLog(tx, { asWritten: true }, 2, "keeper");
    expect(log.map(({ kind, detail }) => [kind, detail.version]).sort()).toEqual([
      ["release-added", "9.1"],
      ["release-added", "9.2"],
    ]);
  }));

it("one that contradicts stops all of them, and is named; sent twice they are there once", () =>
  club.trial(async (tx) => {
    const before = await versions(tx);
    expect(await write(tx, [one("9.1", "2026-02-01"), one("1.14", "2026-02-02")])).toMatchObject({
      ok: false,
      problem: { kind: "contradicts", version: "1.14", contradictions: [{ kind: "two-of-one-version" }] },
    });
    expect(await write(tx, [one("9.1", "2026-02-01"), one("9.1", "2026-02-02")])).toMatchObject({
      problem: { kind: "contradicts", version: "9.1" },
    });
    expect(await versions(tx)).toEqual(before);
    expect(await write(tx, [])).toMatchObject({ problem: { kind: "input" } });
    const key = crypto.randomUUID();
    for (const _ of [1, 2])
      expect(await write(tx, [one("9.1", "2026-02-01")], key)).toMatchObject({ ok: true });
    expect((await versions(tx)).filter((version) => version === "9.1")).toHaveLength(1);
  }));
