// Service settings and codes: written, corrected, noted; what is never to be touched asks why; what unlocks is shown to few, and noted.
import { afterAll, beforeAll, expect, it } from "vitest";
import { serviceItems, unitSettings } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { noteSetting } from "./note-setting.ts";
import { shelveServiceItem } from "./shelve-service-item.ts";
import { showUnlocking } from "./show-unlocking.ts";
import { writeServiceItem } from "./write-service-item.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const act = (tx: Tx, one: unknown, input: object, who = club.who, key: string = crypto.randomUUID()) =>
  performIn(tx, one as never, who, { input, key }) as Promise<{
    ok: boolean;
    value: { answer: { item: string }; again: boolean };
    problem: { kind: string };
  }>;
const radio = async (tx: Tx, tag: string) => {
  const unit = await unitByTag(tx, tag);
  if (!unit) throw new Error(tag);
  const items = await serviceItems(tx, unit.model_id);
  const item = (name: string) => items.find((one) => one.name === name)?.id ?? "";
  return { unit: unit.id, model: unit.model_id, item };
};

it("a value is noted as found or set; what is never to be touched asks why it was", () =>
  club.trial(async (tx) => {
    const { unit, item } = await radio(tx, "W-01");
    const drive = item("11 PA-HI");
    const note = (more: object) =>
      act(tx, noteSetting, { unit, item: drive, changed: false, why: "", ...more });
    const found = async () => (await unitSettings(tx, unit, 9)).map(({ value, changed }) => [value, changed]);
    expect(await note({ value: "80", changed: true })).toMatchObject({ problem: { kind: "no-reason" } });
    expect(await note({ value: "80" })).toMatchObject({ ok: true });
    expect(await note({ value: "80" })).toMatchObject({ ok: true });
    expect(await found()).toEqual([["80", false]]);
    expect(await note({ value: "62.0", changed: true })).toMatchObject({ ok: true });
    expect(await note({ value: "80", changed: true, why: "measured into the load" })).toMatchObject({
      ok: true,
    });
    expect(await found()).toEqual([
      ["80", true],
      ["62.0", true],
      ["80", false],
    ]);
    expect(await note({ value: "x".repeat(61) })).toMatchObject({ problem: { kind: "input" } });
    const heron = await radio(tx, "H-01");
    expect(await note({ item: heron.item("VOX-G"), value: "3" })).toMatchObject({
      problem: { kind: "no-setting" },
    });
    const member = { ...club.who, role: "member" as const };
    expect(
      await act(tx, noteSetting, { unit, item: drive, value: "62", changed: false, why: "" }, member),
    ).toMatchObject({ problem: { kind: "not-allowed" } });
  }));

it("an item has one name of its kind, stays of its kind, and goes to the shelf", () =>
  club.trial(async (tx) => {
    const { model, item } = await radio(tx, "W-01");
    const source = { kind: "bench", what: "" };
    const setting = { kind: "setting", model, name: "11 pa-hi", meaning: "twice", source };
    expect(await act(tx, writeServiceItem, setting)).toMatchObject({ problem: { kind: "taken" } });
    const code = { kind: "code", model, name: "11 PA-HI", source };
    expect(await act(tx, writeServiceItem, code)).toMatchObject({ ok: true });
    expect(await act(tx, writeServiceItem, { ...code, item: item("04 TOT") })).toMatchObject({
      problem: { kind: "no-item" },
    });
    expect(
      await act(tx, writeServiceItem, { ...setting, name: "04 TOT", item: item("04 TOT") }),
    ).toMatchObject({
      ok: true,
      value: { answer: { item: item("04 TOT") } },
    });
    expect(await act(tx, shelveServiceItem, { model, item: item("04 TOT") })).toMatchObject({ ok: true });
    expect(await act(tx, shelveServiceItem, { model, item: item("04 TOT") })).toMatchObject({
      problem: { kind: "no-item" },
    });
    expect((await serviceItems(tx, model)).map(({ name }) => name)).not.toContain("04 TOT");
  }));

it("that steps were shown which unlock is noted, once with the same key; of others nothing is", () =>
  club.trial(async (tx) => {
    const { rows } = await tx.query<{ model: string; procedure: string; effect: string }>(
      "select model_id model, id procedure, effect from procedure where effect in ('unlock', 'erase') order by effect desc, id",
    );
    const unlocking = rows.find(({ effect }) => effect === "unlock");
    const other = rows.find(({ effect }) => effect === "erase");
    if (!unlocking || !other) throw new Error("the demo has both");
    const { effect: _, ...input } = unlocking;
    expect(await act(tx, showUnlocking, input, club.who, "shown this hour")).toMatchObject({
      value: { again: false },
    });
    expect(await act(tx, showUnlocking, input, club.who, "shown this hour")).toMatchObject({
      value: { again: true },
    });
    const { rows: told } = await tx.query("select detail from log where kind = 'unlocking-shown'");
    expect(told).toHaveLength(1);
    expect(await act(tx, showUnlocking, { model: other.model, procedure: other.procedure })).toMatchObject({
      problem: { kind: "not-guarded" },
    });
    const member = { ...club.who, role: "member" as const };
    expect(await act(tx, showUnlocking, input, member)).toMatchObject({ problem: { kind: "not-allowed" } });
  }));
