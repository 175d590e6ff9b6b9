// Modes and what they may transmit: lending asks first, and whoever has it, the plan and the licence decide what is due.
import { afterAll, beforeAll, expect, it } from "vitest";
import { addDays } from "#core/quantities/index.ts";
import { people } from "#db/club/index.ts";
import { gearRows } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { measurementsOf, unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { planFor } from "../errands/plan.ts";
import { noteMeasurement } from "../measurement/note-measurement.ts";
import { strikeMeasurement } from "../measurement/strike-measurement.ts";
import { changePerson } from "../person/change-person.ts";
import { personStands } from "../person/person-fields.ts";
import { lendUnit } from "../unit/lend-unit.ts";
import { noteMode } from "./note-mode.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const act = (tx: Tx, one: unknown, input: object) =>
  performIn(tx, one as never, club.who, { input, key: crypto.randomUUID() }) as Promise<object>;
const due = async (tx: Tx, unit: string) =>
  (
    await tx.query<{ because: { kind: string; class?: string; of?: string }[] }>(
      "select because from need where unit_id = $1 and kind = 'mode'",
      [unit],
    )
  ).rows.map(({ because }) => because.find(({ kind }) => kind === "allowed-by"));

it("lending asks first where it transmits beyond the taker's licence, says what would fit, and is not asked twice", () =>
  club.trial(async (tx) => {
    const unit = (await unitByTag(tx, "S-02"))?.id ?? "";
    const all = await people(tx);
    const taker = all.find(({ name }) => name.startsWith("Perrin"));
    const lend = (more: object = {}) => act(tx, lendUnit, { unit, person: taker?.id, ...more });
    expect(await lend()).toMatchObject({
      ok: false,
      problem: { kind: "beyond", mode: "free", to: taker?.name, width: 22_000_000, better: ["plain"] },
    });
    expect(await lend({ knowing: true })).toMatchObject({ ok: true });
    expect(await due(tx, unit)).toMatchObject([{ of: "holder", class: "example entry" }]);
    // What fits, and what is open on purpose, is lent as ever.
    for (const tag of ["S-01", "M-04"])
      expect(
        await act(tx, lendUnit, { unit: (await unitByTag(tx, tag))?.id, person: taker?.id }),
      ).toMatchObject({ ok: true });
  }));

it("another licence of whoever has it is another question; so is another mode", () =>
  club.trial(async (tx) => {
    const unit = await unitByTag(tx, "S-03");
    const id = unit?.id ?? "";
    const holder = (await people(tx)).find((one) => one.id === unit?.holder_id);
    if (!holder) throw new Error("somebody has it");
    expect(await due(tx, id)).toEqual([]);
    const licensed = (licence: string) =>
      act(tx, changePerson, { ...personStands(holder), person: holder.id, licence });
    expect(await licensed("sluice watch")).toMatchObject({ ok: true });
    expect(await due(tx, id)).toMatchObject([{ of: "holder", class: "sluice watch" }]);
    // Of a class that the plan does not know nothing is said.
    await licensed("harbour");
    expect(await due(tx, id)).toEqual([]);
    await licensed("example full");
    const { rows } = await tx.query<{ id: string }>(
      "select id from mode where model_id = $1 and name = 'free'",
      [unit?.model_id],
    );
    await act(tx, noteMode, { unit: id, mode: rows[0]?.id, how: "told", why: "" });
    expect(await due(tx, id)).toMatchObject([{ class: "example full" }]);
  }));

it("where a group asks for it a measurement is due when the last is old or a flash lies behind it, and a struck one counts no more", () =>
  club.trial(async (tx) => {
    const unit = (await unitByTag(tx, "W-13"))?.id ?? "";
    const asked = async () =>
      (
        await tx.query<{ due: string; cause: string }>(
          "select due_from::text due, cause from need where unit_id = $1 and kind = 'measurement'",
          [unit],
        )
      ).rows;
    expect(await asked()).toEqual([{ due: addDays(club.who.today, -35), cause: "unmeasured" }]);
    const meter = (await gearRows(tx)).find(({ tag }) => tag === "MW-1");
    const measured = { unit, kind: "power", value: 4.5, note: "" };
    expect(await act(tx, noteMeasurement, { ...measured, meter: "1" })).toMatchObject({
      problem: { kind: "no-meter" },
    });
    expect(await act(tx, noteMeasurement, { ...measured, on: addDays(club.who.today, 1) })).toMatchObject({
      problem: { kind: "ahead" },
    });
    expect(await act(tx, noteMeasurement, { ...measured, meter: meter?.id })).toMatchObject({ ok: true });
    expect(await asked()).toEqual([{ due: addDays(club.who.today, 365), cause: "unmeasured" }]);
    const [last] = await measurementsOf(tx, unit);
    expect(last).toMatchObject({ value: 4.5, meter: "MW-1", error: "10 % of full scale", full_scale: 200 });
    const strike = { unit, measurement: last?.id, why: "the wrong radio" };
    expect(await act(tx, strikeMeasurement, strike)).toMatchObject({ ok: true });
    expect(await act(tx, strikeMeasurement, { ...strike, why: "again" })).toMatchObject({
      problem: { kind: "struck" },
    });
    expect(await asked()).toEqual([{ due: addDays(club.who.today, -35), cause: "unmeasured" }]);
    // A meter of which nobody can tell what it may be off by is not believed.
    await tx.query("update gear set error = 'rather good' where tag = 'MW-1'");
    expect(await act(tx, noteMeasurement, { ...measured, meter: meter?.id })).toMatchObject({
      problem: { kind: "error-unreadable", tag: "MW-1" },
    });
  }));

it("a frequency error may lie below, wants its frequency, and goes by what is on the counter", () =>
  club.trial(async (tx) => {
    const unit = (await unitByTag(tx, "W-13"))?.id ?? "";
    const meter = (await gearRows(tx)).find(({ tag }) => tag === "MF-1")?.id;
    const off = { unit, kind: "frequency error", value: -290, note: "", meter };
    expect(await act(tx, noteMeasurement, off)).toMatchObject({
      problem: { kind: "input", issues: [{ field: "frequency" }] },
    });
    const whole = { ...off, frequency: 145_500_000 };
    expect(await act(tx, noteMeasurement, whole)).toMatchObject({ ok: true });
    expect((await measurementsOf(tx, unit))[0]).toMatchObject({
      value: -290,
      meter: "MF-1",
      error: "2 parts in a million",
    });
    expect(await act(tx, noteMeasurement, { ...whole, kind: "power" })).toMatchObject({
      problem: { kind: "input", issues: [{ field: "value" }] },
    });
    // What is on a power meter says nothing of a frequency.
    const watts = (await gearRows(tx)).find(({ tag }) => tag === "MW-1")?.id;
    expect(await act(tx, noteMeasurement, { ...whole, meter: watts })).toMatchObject({
      problem: { kind: "error-unreadable", tag: "MW-1" },
    });
  }));

it("a measurement is stopped where nothing joins the radio to a load; what is not known stops nothing", () =>
  club.trial(async (tx) => {
    const { rows } = await tx.query<{ tag: string; id: string }>(
      "select tag, id from unit where shelved_at is null",
    );
    const idOf = (tag: string) => rows.find((row) => row.tag === tag)?.id ?? "";
    const planned = (tag: string) => planFor(tx, idOf(tag), { measure: {} }, club.who.today);
    const taken = async (tag: string) => {
      const found = await planned(tag);
      return found.ok ? found.value.things.map(({ name }) => name) : found.problem;
    };
    expect(await taken("W-13")).toEqual(["DL-1", "AN-1"]);
    expect(await taken("M-03")).toEqual(["DL-1"]);
    expect(await taken("O-01")).toEqual({
      kind: "no-adapter",
      radio: "antenna, quarter turn",
      load: "antenna, wide thread",
    });
    await tx.query("update antenna set condition = 'lost' where tag = 'AN-1'");
    expect(await taken("W-13")).toMatchObject({ kind: "no-adapter", radio: "antenna, fine thread" });
    await tx.query("update antenna set condition = 'worn' where tag = 'AN-1'");
    expect(await taken("W-13")).toEqual(["DL-1", "AN-1"]);
    await tx.query("update gear set socket = null where tag = 'DL-1'");
    expect(await taken("O-01")).toEqual(["DL-1"]);
  }));

it("far more power than a radio is rated for is asked about first; of other measurements nothing is known", () =>
  club.trial(async (tx) => {
    const unit = (await unitByTag(tx, "W-01"))?.id;
    const note = (more: object) =>
      act(tx, noteMeasurement, { unit, kind: "power", value: 1000, note: "", ...more });
    expect(await note({})).toMatchObject({ ok: false, problem: { kind: "unlikely", rated: 5 } });
    expect(await note({ value: 25 })).toMatchObject({ ok: true });
    expect(await note({ kind: "sensitivity" })).toMatchObject({ ok: true });
    expect(await note({ sure: true })).toMatchObject({ ok: true });
  }));
