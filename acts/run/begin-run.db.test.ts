// What keeps a radio from the bench: whoever has it, practice that the club asks for; and a file that did not arrive as it was said to.
import { createHash } from "node:crypto";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { Tx } from "#db/pool.ts";
import { addTry, putBenchRules } from "#db/run/index.ts";
import { unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { beginRun } from "./begin-run.ts";
import { keepBackup } from "./keep-backup.ts";
import { keepFilePart } from "./keep-file-part.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const begin = async (tx: Tx, tag: string, errand: object = { update: {} }, who = club.who) =>
  performIn(tx, beginRun, who, {
    input: { unit: (await unitByTag(tx, tag))?.id, for: errand },
    key: crypto.randomUUID(),
  });

it("what somebody has is not worked on by others, and only they take it to the bench", () =>
  club.trial(async (tx) => {
    const unit = await unitByTag(tx, "W-06");
    expect(unit?.holder).toMatch(/^Ida/);
    const errands = [{ update: {} }, { backup: {} }, { mode: { mode: "1" } }, { restore: { backup: "1" } }];
    for (const errand of [...errands, { write: {} }, { program: { profile: "1" } }])
      expect(await begin(tx, "W-06", errand)).toMatchObject({
        ok: false,
        problem: { kind: "out", with: unit?.holder },
      });
    const ida = { ...club.who, person: unit?.holder_id ?? "" };
    expect(await begin(tx, "W-06", { backup: {} }, ida)).toMatchObject({ ok: true });
  }));

it("what erases a real radio waits for as many clean tries as the club asks for", () =>
  club.trial(async (tx) => {
    await putBenchRules(tx, { silence: 30, clean: 2 });
    const { rows } = await tx.query<{ id: string }>(
      "select p.id from procedure p join model m on m.id = p.model_id where m.name = 'Heron' and p.purpose = 'flash'",
    );
    const procedure = rows[0]?.id ?? "";
    const asked = () => begin(tx, "H-01");
    const lacks = (has: number) => ({ ok: false, problem: { kind: "practise", has, asks: 2 } });
    expect(await asked()).toMatchObject(lacks(0));
    const tried = (clean: boolean) => addTry(tx, { person: club.who.person, procedure, clean, ms: 9000 });
    await tried(true);
    await tried(false);
    expect(await asked()).toMatchObject(lacks(1));
    await tried(true);
    expect(await asked()).toMatchObject({ ok: true });
  }));

it("a file whose parts are not what its sum says is not kept", () =>
  club.trial(async (tx) => {
    const unit = (await unitByTag(tx, "S-01"))?.id;
    const content = new Uint8Array(70_000).fill(9);
    const sha256 = createHash("sha256").update(content).digest("hex");
    const act = (one: unknown, input: object) =>
      performIn(tx, one as never, club.who, { input, key: crypto.randomUUID() }) as Promise<object>;
    const other = Uint8Array.from(content, (byte, i) => (i === 69_999 ? byte + 1 : byte));
    await act(keepFilePart, { sha256, number: 0, content: other });
    const keep = () =>
      act(keepBackup, { unit, sha256, size: content.length, name: "s1.plug", confirmed: true });
    expect(await keep()).toMatchObject({ ok: false, problem: { kind: "not-whole" } });
  }));

it("one radio's backup is not written into another", () =>
  club.trial(async (tx) => {
    const { rows } = await tx.query<{ id: string; tag: string }>(
      "select b.id, u.tag from backup b join unit u on u.id = b.unit_id where u.shelved_at is null order by b.id limit 1",
    );
    const [kept] = rows;
    const other = kept?.tag === "S-01" ? "S-02" : "S-01";
    expect(await begin(tx, other, { restore: { backup: kept?.id } })).toMatchObject({
      ok: false,
      problem: { kind: "no-backup" },
    });
  }));
