// Stored needs are exactly what a computation from scratch gives, whatever has happened and in which order.

import fc from "fast-check";
import { afterAll, beforeAll, expect, test } from "vitest";
import { recompute } from "#acts/needs/recompute.ts";
import {
  actionOf,
  KINDS,
  NEED_KINDS,
  type NeedCause,
  type NeedKind,
  needsOf,
  reasonShape,
  targetOn,
} from "#core/needs/index.ts";
import { addDays, plain } from "#core/quantities/index.ts";
import { anyOf, cases } from "#core/quantities/testing.ts";
import { URGENCIES } from "#core/release/index.ts";
import { PLAIN_POLICY, type Policy } from "#core/unit/index.ts";
import { addRelease, withdrawRelease } from "../model/index.ts";
import { type Actor, type Tx, withClub } from "../pool.ts";
import * as seed from "../seed.ts";
import { PLAIN_UNIT, type TestDatabase, takenBack, testDatabase, twoClubs } from "../testing.ts";
import { needsOfUnit } from "./board.ts";
import {
  decodeTargets,
  encodeTargets,
  factText,
  type NeedRecord,
  recordOf,
  storeNeeds,
  targetsSince,
} from "./needs.ts";
import { addReading, type NewReading } from "./readings.ts";
import { loadSituations } from "./situation.ts";
import { addUnit, lendUnit, setHold, takeBack } from "./units.ts";

let database: TestDatabase;
let actor: Actor;
const first = plain("2026-01-01");

type World = { model: string; component: string; groups: string[]; units: string[]; releases: string[] };
let world: World;

beforeAll(async () => {
  database = await testDatabase();
  [actor] = await twoClubs(database);
  world = await withClub(actor, async (tx) => {
    const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
    const component = await seed.seedComponent(tx, {
      model,
      name: "main",
      position: 0,
      numbering: { kind: "dotted" },
      by: actor.person,
    });
    const groups = [
      await seed.seedGroup(tx, { name: "G", purpose: "", policy: PLAIN_POLICY, position: 0 }),
      await seed.seedGroup(tx, { name: "H", purpose: "", policy: PLAIN_POLICY, position: 1 }),
    ];
    const units: string[] = [];
    for (let i = 0; i < 4; i++) {
      const fields = { ...PLAIN_UNIT, tag: `T-${i}`, model, group: groups[i % 2] };
      units.push(await addUnit(tx, fields, first));
    }
    await recompute(tx, { of: "club" });
    return { model, component, groups, units, releases: [] };
  });
});
afterAll(() => database.close());

const text = (records: NeedRecord[]) =>
  records
    .map((r) => JSON.stringify({ ...r, because: JSON.parse(r.because) }))
    .map((json) => JSON.stringify(sortKeys(JSON.parse(json))))
    .sort();

function sortKeys(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sortKeys);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, sortKeys(v)]),
  );
}

async function fromScratch(tx: Tx): Promise<string[]> {
  const { all } = await loadSituations(tx, { of: "club" }, plain("2026-06-01"));
  return text(
    all.flatMap(({ unit, catalogue, policy }) =>
      needsOf(unit, catalogue, policy).map((need) =>
        recordOf(
          need,
          // There is no kit at all; and to no release nothing leads.
          actionOf(need, unit.away, () => (need.targets.length > 0 ? "kit" : "no-route")),
        ),
      ),
    ),
  );
}

async function stored(tx: Tx): Promise<string[]> {
  const { rows } = await tx.query<NeedRecord>(
    `select unit_id, kind, component_id, due_from, due_to, held_from, cause, urgency, action, targets, because::text from need`,
  );
  return text(rows);
}

const setPolicy = (tx: Tx, group: string | undefined, policy: Policy) =>
  tx.query("update unit_group set policy = $2 where id = $1", [group, policy]);

type Step =
  | { do: "read"; unit: number; raw: string }
  | { do: "release"; version: string; ago: number; beta: boolean }
  | { do: "withdraw"; which: number }
  | { do: "policy"; group: number; days: number; beta: boolean }
  | { do: "hold"; unit: number; days: number | undefined }
  | { do: "lend" | "back"; unit: number };

const version = fc.tuple(fc.nat(3), fc.nat(12)).map(([a, b]) => `${a}.${b}`);
const step: fc.Arbitrary<Step> = fc.oneof(
  fc.record({ do: fc.constant("read" as const), unit: fc.nat(3), raw: fc.oneof(version, fc.constant("?")) }),
  fc.record({ do: fc.constant("release" as const), version, ago: fc.nat(300), beta: fc.boolean() }),
  fc.record({ do: fc.constant("withdraw" as const), which: fc.nat(20) }),
  fc.record({ do: fc.constant("policy" as const), group: fc.nat(1), days: fc.nat(30), beta: fc.boolean() }),
  fc.record({
    do: fc.constant("hold" as const),
    unit: fc.nat(3),
    days: fc.option(fc.nat(400), { nil: undefined }),
  }),
  fc.record({ do: fc.constantFrom("lend" as const, "back" as const), unit: fc.nat(3) }),
);

async function recordReading(tx: Tx, reading: NewReading): Promise<void> {
  await addReading(tx, reading);
  await recompute(tx, { of: "units", ids: [reading.unit] });
}

async function take(tx: Tx, s: Step): Promise<void> {
  const unit = "unit" in s ? (world.units[s.unit] ?? "") : "";
  const units = { of: "units", ids: [unit] } as const;
  switch (s.do) {
    case "read":
      await recordReading(tx, {
        unit,
        component: world.component,
        raw: s.raw,
        source: "screen",
        by: actor.person,
      });
      return;
    case "release":
      world.releases.push(
        await addRelease(tx, {
          component: world.component,
          version: s.version,
          aliases: [],
          track: s.beta ? "beta" : "factory",
          releasedOn: addDays(first, s.ago),
          fixes: [],
          notes: "",
        }),
      );
      await recompute(tx, { of: "model", id: world.model });
      return;
    case "withdraw": {
      const release = world.releases[s.which % Math.max(1, world.releases.length)];
      if (release) await withdrawRelease(tx, release, { on: addDays(first, 200), why: "w" });
      await recompute(tx, { of: "model", id: world.model });
      return;
    }
    case "policy": {
      const policy: Policy = {
        ...PLAIN_POLICY,
        rule: { kind: "settled", days: s.days },
        tracks: s.beta ? ["beta"] : [],
      };
      await setPolicy(tx, world.groups[s.group], policy);
      await recompute(tx, { of: "group", id: world.groups[s.group] ?? "" });
      return;
    }
    case "hold":
      await setHold(tx, [unit], s.days === undefined ? null : { until: addDays(first, s.days), why: "h" });
      await recompute(tx, units);
      return;
    case "lend": {
      const out = await tx.query("select from custody where unit_id = $1 and back_on is null", [unit]);
      if (out.rowCount === 0)
        await lendUnit(tx, unit, { person: actor.person, outOn: first, dueBack: null, note: "" });
      await recompute(tx, units);
      return;
    }
    case "back":
      await takeBack(tx, unit, addDays(first, 100));
      await recompute(tx, units);
      return;
  }
}

test("kept up step by step over random histories, they equal needs worked out from scratch", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 10 }), async (steps) => {
      for (const s of steps) await withClub(actor, (tx) => take(tx, s));
      await withClub(actor, async (tx) => expect(await stored(tx)).toEqual(await fromScratch(tx)));
    }),
    { numRuns: cases(12) },
  );
});

test("of the targets that the table holds, those that no longer count are left out, and no other", () => {
  const targets = fc
    .uniqueArray(fc.integer({ min: 0, max: 60 }), { maxLength: 12 })
    .map((days) =>
      days.sort((a, b) => a - b).map((d) => ({ from: addDays(first, d), release: String(d * 7) })),
    );
  fc.assert(
    fc.property(targets, fc.integer({ min: -2, max: 62 }), (all, d) => {
      const day = addDays(first, d);
      const counting = all.findLastIndex((target) => target.from <= day);
      expect(targetsSince(encodeTargets(all), day)).toEqual(all.slice(Math.max(0, counting)));
      expect(decodeTargets(encodeTargets(all))).toEqual(all);
      expect(targetOn({ targets: targetsSince(encodeTargets(all), day) }, day)).toBe(all[counting]?.release);
    }),
  );
});

test("two people recording the same unit at once leave needs that match the last reading", async () => {
  for (let i = 0; i < 5; i++) {
    await Promise.all(
      ["0.1", "9.9", "?"].map((raw) =>
        withClub(actor, (tx) =>
          recordReading(tx, {
            unit: world.units[1] ?? "",
            component: world.component,
            raw,
            source: "screen",
            by: actor.person,
          }),
        ),
      ),
    );
    await withClub(actor, async (tx) => expect(await stored(tx)).toEqual(await fromScratch(tx)));
  }
});

test("many units, whose needs go in by COPY, have the same needs as by themselves", async () => {
  const raws = ["1.5", "0.1", "9.9", "?", 'say "1.2"', "1.2\\n", "v1.2 \u200e", "версия 1", "1.2\t"];
  await withClub(actor, async (tx) => {
    const ids: string[] = [];
    for (let i = 0; i < 150; i++) {
      const fields = {
        ...PLAIN_UNIT,
        tag: `MANY-${i}`,
        model: world.model,
        group: world.groups[i % 3],
      };
      ids.push(await addUnit(tx, fields, addDays(first, i % 40)));
    }
    for (const [i, unit] of ids.entries()) {
      if (i % 10 === 9) continue;
      await tx.query(
        `insert into reading (club_id, unit_id, component_id, raw, source, read_at)
         values (current_club(), $1, $2, $3, $4, $5)`,
        [unit, world.component, raws[i % raws.length], i % 7 ? "screen" : "flash", `2026-0${1 + (i % 6)}-11`],
      );
    }
    await setHold(tx, ids.slice(0, 30), { until: addDays(first, 300), why: 'wait; "wait"' });
    for (const unit of ids.slice(20, 50)) {
      await lendUnit(tx, unit, { person: actor.person, outOn: first, dueBack: null, note: "" });
    }
    for (const unit of ids.slice(40, 50)) await takeBack(tx, unit, addDays(first, 250));
    await setPolicy(tx, world.groups[0], { ...PLAIN_POLICY, rule: { kind: "settled", days: 20 } });
    expect(await recompute(tx, { of: "club" })).toBe(154);
    const whole = await stored(tx);
    expect(whole).toEqual(await fromScratch(tx));
    for (const id of [...ids, ...world.units]) await recompute(tx, { of: "units", ids: [id] });
    expect(await stored(tx)).toEqual(whole);
    // All that can come of a reading is among them, and what is awkward to write down.
    const has = (part: string) => whole.some((need) => need.includes(part));
    const awkward = [
      '"unclear"',
      '"stale"',
      '"unread"',
      '"flash-unconfirmed"',
      '"action":"ask-back"',
      "\\\\n",
    ];
    expect(awkward.filter((part) => !has(part))).toEqual([]);
  });
});

test("a fact as it is stored reads as the fact, its day known or not, with whatever else it has", () => {
  const on = fc.option(fc.constantFrom(first, plain("2025-12-31")), { nil: undefined });
  const told = (day: ReturnType<typeof plain> | undefined) => (day === undefined ? {} : { on: day });
  fc.assert(
    fc.property(on, fc.string(), fc.nat(), (day, raw, n) => {
      const facts = [
        { kind: "stale", afterDays: n, ...told(day) },
        { kind: "reading", reading: String(n), raw, ...told(day) },
        { kind: "flash-unconfirmed", ...told(day) },
        // A field that nobody has named where facts are stored.
        { kind: "reading", reading: String(n), raw, found: [raw, n] },
        { kind: "stale", afterDays: n, found: { raw } },
      ] as const;
      for (const fact of facts) expect(JSON.parse(factText(fact))).toEqual(fact);
    }),
  );
});

test("a need of any kind comes back as it was stored, one by one and by the thousand", async () => {
  const [unit = ""] = world.units;
  const day = fc.nat(2000).map((days) => addDays(first, days));
  const one = <Kind extends NeedKind>(kind: Kind) =>
    fc.record(
      {
        unit: fc.constant(unit),
        kind: fc.constant(kind),
        component: fc.constant(world.component),
        cause: fc.constantFrom<NeedCause>(...KINDS[kind].causes),
        urgency: fc.constantFrom(...URGENCIES),
        dueFrom: day,
        dueTo: fc.constant(plain("2040-01-01")),
        heldFrom: fc.constant(first),
        targets: fc.array(fc.record({ from: day, release: fc.nat(99).map(String) }), { maxLength: 3 }),
        because: fc.array(anyOf(reasonShape), { maxLength: 3 }),
      },
      { requiredKeys: ["unit", "kind", "component", "cause", "urgency", "dueFrom", "targets", "because"] },
    );
  const late = plain("2039-01-01");
  await fc.assert(
    fc.asyncProperty(fc.tuple(...NEED_KINDS.map(one)), fc.boolean(), async (needs, many) => {
      let back: Awaited<ReturnType<typeof needsOfUnit>> = [];
      await takenBack(actor, async (tx) => {
        await tx.query("delete from need");
        const records = needs.map((need) => recordOf(need, actionOf(need, false)));
        await storeNeeds(tx, records, many ? 1000 : 1);
        back = await needsOfUnit(tx, unit, late);
      });
      const byKind = new Map(back.map((row) => [row.kind, row]));
      for (const need of needs) {
        const row = byKind.get(need.kind);
        expect(row?.because).toEqual(need.because);
        expect(row).toMatchObject({
          cause: need.cause,
          due_from: need.dueFrom,
          due_to: need.dueTo ?? null,
          held_from: need.heldFrom ?? null,
          action: actionOf(need, false),
          urgency: URGENCIES.indexOf(need.urgency),
        });
      }
    }),
    { numRuns: cases(20) },
  );
});
