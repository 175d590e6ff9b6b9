// The kit's forms and pages on the demo club: what is stored comes back as what stores it again, nothing that is typed
// breaks a form, and what is bought frees what it was said to free.
import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { performIn } from "#acts/define.ts";
import { writeThing } from "#acts/kit/write-thing.ts";
import { recompute } from "#acts/needs/recompute.ts";
import {
  chainsOfModel,
  KIND_NAMES,
  KINDS,
  OPERATIONS,
  purchaseOf,
  Reader,
  type Values,
  VERDICTS,
} from "#core/kit/index.ts";
import { cases } from "#core/quantities/testing.ts";
import {
  loadKit,
  loadKnown,
  offerRows,
  plugsOf,
  putInstalled,
  putSupports,
  putThing,
  valuesOf,
} from "#db/kit/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { openNeeds, wallUnits } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import type { SignedIn } from "../context.ts";
import { loadWaiting } from "./get/demand.server.ts";
import { chosenUnit } from "./load-chosen.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const kindsOfThings = KIND_NAMES.map((name) => [name] as const);

describe("things of the kit", () => {
  it.each(kindsOfThings)("%s: what is stored comes back as the form that stores it again", (name) =>
    club.trial(async (tx, who) => {
      const known = await loadKnown(tx);
      const rows = await valuesOf(tx, name, known);
      expect(rows.length).toBeGreaterThan(0);
      for (const { id, ...values } of rows) {
        // The act leaves alone what stands so already: what the kind itself would store is what counts.
        const reader = new Reader(values, known);
        const { columns, installed, supports } = KINDS[name].read(reader);
        expect(reader.errors).toEqual({});
        await putThing(tx, KINDS[name].table, id, columns);
        if (installed) await putInstalled(tx, id, installed);
        if (supports) await putSupports(tx, id, supports);
        const fields = Object.fromEntries(
          KINDS[name].fields.map((field) => [field.name, values[field.name]]),
        );
        const again = { input: { kind: name, thing: id, values: fields }, key: crypto.randomUUID() };
        expect(await performIn(tx, writeThing, who, again)).toMatchObject({ ok: true, value: { told: 0 } });
      }
      expect(await valuesOf(tx, name, known)).toEqual(rows);
    }),
  );

  it.each(kindsOfThings)("%s: whatever is typed is stored, or answered at its field", async (name) => {
    const kind = KINDS[name];
    const known = await club.ask((tx) => loadKnown(tx));
    const ids = Object.values(known).flatMap((list) => list.map((row) => row.id));
    const typed = fc.oneof(
      fc.string({ unit: "grapheme", maxLength: 30 }),
      fc.constantFrom(
        "",
        "?",
        "0",
        "-1",
        ">= 2, < 1",
        "Windows >= 10",
        "Wicket: read",
        "yes",
        "f1c7",
        ...ids,
      ),
      fc.constant("9".repeat(10_000)),
    );
    const fields = kind.fields.map((field) => field.name);
    fc.assert(
      fc.property(fc.array(typed, { minLength: fields.length, maxLength: fields.length }), (texts) => {
        const values: Values = Object.fromEntries(fields.map((field, i) => [field, texts[i] ?? ""]));
        const reader = new Reader(values, known);
        const { columns } = kind.read(reader);
        for (const field of Object.keys(reader.errors)) expect(fields).toContain(field);
        for (const text of Object.values(reader.errors)) expect(text).toMatch(/\.$/);
        if (Object.keys(reader.errors).length === 0) {
          expect(String((columns as Record<string, unknown>)[kind.name] ?? "")).not.toBe("");
        }
      }),
      { numRuns: cases(50) },
    );
  });

  it("an empty form of any kind says what it wants, and stores nothing", () =>
    club.trial(async (tx, who) => {
      for (const name of KIND_NAMES) {
        const before = (await valuesOf(tx, name, await loadKnown(tx))).length;
        const asked = { input: { kind: name, values: {} }, key: crypto.randomUUID() };
        const answer = await performIn(tx, writeThing, who, asked);
        const wrong = !answer.ok && answer.problem.kind === "fields" ? answer.problem.errors : {};
        expect(Object.keys(wrong)).toContain(KINDS[name].name);
        expect((await valuesOf(tx, name, await loadKnown(tx))).length).toBe(before);
      }
    }));
});

const NONE = { chains: [], near: [], noLead: true, noTool: true };

/** Every radio with what its page says and what the board says, to be laid side by side. */
async function sideBySide(tx: Tx, who: SignedIn) {
  const kit = await loadKit(tx);
  const needs = await openNeeds(tx, who.today);
  const told = [];
  for (const row of await wallUnits(tx)) {
    const own = needs.filter((n) => n.unit_id === row.id && n.cause !== "unread");
    told.push({ row, own, chosen: await chosenUnit(tx, who, row.tag, "flash", kit, NONE) });
  }
  return told;
}

describe("radios and their chains", () => {
  it("the kit page and the board agree on which radio stands ready", () =>
    club.ask(async (tx, who) => {
      let compared = 0;
      for (const { row, own, chosen } of await sideBySide(tx, who)) {
        const installs = own.filter((n) => n.action === "install" || n.action === "kit");
        if (installs.length !== 1 || own.some((n) => n.action === "no-route")) continue;
        compared++;
        const ready = chosen.toGet?.tooling.every((m) => m.ready);
        expect([row.tag, ready]).toEqual([row.tag, installs[0]?.action === "install"]);
      }
      expect(compared).toBeGreaterThan(5);
    }));

  it("every radio says something of itself, for each thing that may be done with it", () =>
    club.ask(async (tx, who) => {
      const kit = await loadKit(tx);
      for (const { tag } of await wallUnits(tx)) {
        for (const operation of ["read", "write", "flash"] as const) {
          const { found, all, stop, toGet } = await chosenUnit(tx, who, tag, operation, kit, NONE);
          if (all === 0) expect(found.none).toMatch(/\.$/);
          if (operation !== "flash") expect([stop, toGet]).toEqual([undefined, undefined]);
          else expect(stop !== undefined || (toGet?.releases.length ?? 0) > 0).toBe(true);
        }
      }
    }));
});

describe("the demo's kit", () => {
  it("shows every verdict, every kind of near miss that money or work can close, and what nothing closes", () =>
    club.ask(async (tx) => {
      const kit = await loadKit(tx);
      const models = await modelsToPick(tx);
      const plugs = await plugsOf(
        tx,
        models.map((m) => m.id),
        kit,
      );
      const found = models.flatMap(({ id }) =>
        OPERATIONS.map((operation) =>
          chainsOfModel({ model: id, plugs: plugs.get(id) ?? [] }, operation, kit.prepared),
        ),
      );
      const verdicts = found.flatMap((f) => f.chains.map((c) => c.evidence.verdict));
      expect(new Set(verdicts)).toEqual(new Set(VERDICTS));
      const changes = new Set(found.flatMap((f) => f.near.flatMap((n) => n.changes.map((c) => c.kind))));
      expect([...changes].sort()).toEqual(expect.arrayContaining(["get", "put-driver", "put-tool"]));
    }));
});

describe("what to get", () => {
  it("bought and put into the kit, it frees just the radios that it was said to free", () =>
    club.trial(async (tx, who) => {
      const { waiting, offers } = await loadWaiting(tx, who);
      const prices = new Map(offers.map((o) => [o.id, o.price]));
      const wanted = [...new Set(waiting.flatMap((w) => w.sets.flat()))];
      const said = purchaseOf(wanted, waiting, prices);
      expect(said.units.length).toBeGreaterThan(1);
      const rows = (await offerRows(tx)).filter((o) => wanted.includes(o.id));
      for (const offer of rows) {
        const tag = offer.name.slice(0, 40);
        const chip = { chip_family: offer.chip_family, chip_grade: offer.chip_grade };
        if (offer.gives === "lead") {
          const { kind, end_a: radio_end, end_b: computer_end } = offer;
          await putThing(tx, "lead", undefined, { tag, kind, radio_end, computer_end, ...chip });
        } else {
          const { kind, end_a, end_b } = offer;
          await putThing(tx, "adapter", undefined, { tag, kind, end_a, end_b, ...chip });
        }
      }
      await recompute(tx, { of: "club" });
      const still = await loadWaiting(tx, who);
      // What is left over waits for something to be done, not for money: a driver, a tool, a lead to be fetched.
      const left = still.waiting.filter((w) => said.units.includes(w.unit));
      for (const w of left)
        expect([w.tag, w.sets, w.todo]).toEqual([w.tag, [[]], expect.stringMatching(/./)]);
      const needs = await openNeeds(tx, who.today);
      const free = said.units.filter((id) => !left.some((w) => w.unit === id));
      expect(free.length).toBeGreaterThan(0);
      for (const id of free) {
        const action = needs.filter((n) => n.unit_id === id).map((n) => n.action);
        expect(action).toContain("install");
        expect(action).not.toContain("kit");
      }
    }));
});
