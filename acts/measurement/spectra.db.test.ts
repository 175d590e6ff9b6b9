// Spectra and limits: what cannot be a harmonic is refused, the meter's own error goes along, limits have one name each.
import { afterAll, beforeAll, expect, it } from "vitest";
import { addDays } from "#core/quantities/index.ts";
import { gearRows } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { limitsOf, spectraOf, unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { noteSpectrum } from "./note-spectrum.ts";
import { shelveLimit } from "./shelve-limit.ts";
import { strikeSpectrum } from "./strike-spectrum.ts";
import { writeLimit } from "./write-limit.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const act = (tx: Tx, one: unknown, input: object) =>
  performIn(tx, one as never, club.who, { input, key: crypto.randomUUID() }) as Promise<object>;
const refused = (kind: string, more: object = {}) => ({ ok: false, problem: { kind, ...more } });

it("is taken with the error of its meter; what is no multiple of the carrier, or stronger, is asked about", () =>
  club.trial(async (tx) => {
    const unit = (await unitByTag(tx, "W-01"))?.id ?? "";
    const meters = await gearRows(tx);
    const meter = (tag: string) => meters.find((one) => one.tag === tag)?.id;
    const [limit] = await limitsOf(tx);
    const plain = {
      unit,
      carrier: { frequency: 145_500_000, dbm: -3 },
      attenuation: 40,
      note: "",
      lines: [{ frequency: 291_000_000, dbm: -60 }],
    };
    const take = (more: object) => act(tx, noteSpectrum, { ...plain, ...more });
    const at = (frequency: number, dbm: number) => ({ lines: [{ frequency, dbm }] });
    expect(await take(at(300_000_000, -60))).toMatchObject(
      refused("no-harmonic", { frequency: 300_000_000 }),
    );
    expect(await take(at(291_000_000, -2))).toMatchObject(
      refused("above-carrier", { frequency: 291_000_000 }),
    );
    expect(await take({ on: addDays(club.who.today, 1) })).toMatchObject(refused("ahead"));
    expect(await take({ meter: meter("DL-1") })).toMatchObject(refused("no-meter"));
    expect(await take({ limit: "999999999" })).toMatchObject(refused("no-limit"));
    expect(await spectraOf(tx, unit)).toEqual([]);
    expect(await take({ meter: meter("MS-1"), limit: limit?.id, floor: -80 })).toMatchObject({ ok: true });
    // A share of full scale says nothing of decibels.
    expect(await take({ meter: meter("MW-1") })).toMatchObject({ ok: true });
    const [share, own] = await spectraOf(tx, unit);
    expect(share).toMatchObject({ meter: "MW-1", error: null, limit_id: null });
    expect(own).toMatchObject({ meter: "MS-1", error: 2, floor: -80, most: null, limit_id: limit?.id });
    const strike = () => act(tx, strikeSpectrum, { unit, spectrum: own?.id, why: "misread" });
    expect(await strike()).toMatchObject({ ok: true });
    expect(await strike()).toMatchObject(refused("struck"));
  }));

it("a limit has one name, says something, and goes to the shelf; what was held against it stays so", () =>
  club.trial(async (tx) => {
    const [limit] = await limitsOf(tx);
    const write = (more: object) => act(tx, writeLimit, { name: "Second", dbc: 40, source: "here", ...more });
    expect(await write({ name: limit?.name.toUpperCase() })).toMatchObject(refused("taken"));
    expect(await write({ dbc: undefined })).toMatchObject(refused("input"));
    expect(await write({ limit: "999999999" })).toMatchObject(refused("no-limit"));
    expect(await write({ dbm: -30, both: "laxer" })).toMatchObject({ ok: true });
    expect(await act(tx, shelveLimit, { limit: limit?.id })).toMatchObject({ ok: true });
    expect((await limitsOf(tx)).map(({ name }) => name)).toEqual(["Second"]);
    expect((await limitsOf(tx, true)).map(({ id }) => id)).toContain(limit?.id);
    expect(await act(tx, shelveLimit, { limit: limit?.id })).toMatchObject(refused("no-limit"));
  }));
