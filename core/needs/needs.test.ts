// Needs against the slow oracle, each rule by example, and moss that never falls by itself.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { type Component, catalogueOf, type Release, type Urgency } from "../release/index.ts";
import { type FallbackRule, PLAIN_POLICY, type Policy, type Reading, type UnitFacts } from "../unit/index.ts";
import { standingOf } from "../unit/standing.ts";
import { mossOf } from "./moss.ts";
import { heldUntil, isHeld, isOpen, targetOn } from "./need.ts";
import { type OraclePolicy, type OracleRelease, openOn, type PinnedPolicy, toldOn } from "./oracle.ts";
import { needsOf } from "./unit.ts";

const start = plain("2025-01-01");
const day = (n: number) => addDays(start, n);

const release = (version: string, on: number, more: Partial<Release> = {}): Release => ({
  id: version,
  version,
  aliases: [],
  track: "factory",
  releasedOn: day(on),
  fixes: [],
  ...more,
});
const fix = (urgency: Urgency, tag = "x") => [{ tag, urgency, text: "" }];
const main = (...releases: Release[]): Component => ({
  id: "main",
  name: "main",
  numbering: { kind: "dotted" },
  suffixes: [],
  releases,
});
const reading = (raw: string, on: number, source: Reading["source"] = "screen"): Reading => ({
  id: `${raw}@${on}`,
  component: "main",
  raw,
  source,
  at: `${day(on)}T12:00:00Z`,
  on: day(on),
});
const unit = (readings: Reading[], more: Partial<UnitFacts> = {}): UnitFacts => ({
  id: "u",
  addedOn: start,
  readings,
  ...more,
});
const policy = (more: Partial<Policy> = {}): Policy => ({ ...PLAIN_POLICY, ...more });
const firmware = (u: UnitFacts, c: Component, p = policy()) =>
  needsOf(u, catalogueOf([c]), p).filter((n) => n.kind === "firmware");
const standing = (u: UnitFacts, c: Component, p = policy(), on = 300) =>
  standingOf(u, "main", catalogueOf([c]), p, day(on));

describe("standings", () => {
  const c = main(release("1.0", 0), release("1.1", 50), release("1.2", 90, { fixes: fix("safety") }));
  test.each([
    ["1.2", "current"],
    ["1.0", "behind"],
    ["1.05", "behind"],
    ["1.3", "ahead"],
    ["what", "unclear"],
  ])("%s is %s", (raw, expected) => {
    // 1.05 is 1.5 number by number: newer than all.
    expect(standing(unit([reading(raw, 5)]), c).standing).toBe(raw === "1.05" ? "ahead" : expected);
  });
  test("behind says how many, since when, and the worst fix", () => {
    expect(standing(unit([reading("1.0", 5)]), c).behind).toEqual({
      newer: ["1.1", "1.2"],
      since: day(50),
      worst: "safety",
      latest: "1.2",
    });
    expect(standing(unit([reading("1.0", 5)]), c, policy(), 60).behind?.newer).toEqual(["1.1"]);
  });
  test("unread, withdrawn, aside", () => {
    expect(standing(unit([]), c).standing).toBe("unread");
    const w = main(release("1.0", 0), release("1.1", 9, { withdrawn: { on: day(40), why: "bad" } }));
    expect(standing(unit([reading("1.1", 20)]), w).standing).toBe("withdrawn");
    expect(standing(unit([reading("1.1", 20)]), w, policy(), 30).standing).toBe("current");
    const b = main(release("1.0", 0), release("1.1", 9, { track: "community" }));
    expect(standing(unit([reading("1.1", 20)]), b).standing).toBe("aside");
    expect(standing(unit([reading("1.1", 20)]), b, policy({ tracks: ["community"] })).standing).toBe(
      "current",
    );
  });
  test("an unknown hardware revision says what is certain and what is possible", () => {
    const h = main(release("1.0", 0), release("1.1", 9, { hardwareRevisions: ["B"] }));
    const unknown = standing(unit([reading("1.0", 20)]), h);
    expect(unknown).toMatchObject({ standing: "current", possibly: { latest: "1.1" } });
    expect(standing(unit([reading("1.0", 20)], { hardwareRevision: "A" }), h).possibly).toBeUndefined();
    expect(standing(unit([reading("1.0", 20)], { hardwareRevision: "B" }), h).standing).toBe("behind");
  });
  test("two numberings that fit alike and place a reading differently make it unclear, with both places", () => {
    const tied: Component = {
      ...main(release("1.10", 0), release("1.12", 40), release("1.20", 80)),
      numbering: undefined,
    };
    const unclear = standing(unit([reading("1.3", 90)]), tied);
    expect(unclear.standing).toBe("unclear");
    expect(unclear.because).toContainEqual({
      kind: "two-places",
      places: [
        { numbering: { kind: "dotted" }, above: "1.10" },
        { numbering: { kind: "decimal" }, below: "1.20" },
      ],
    });
    expect(standing(unit([reading("1.15", 90)]), tied).standing).toBe("behind");
    // Reading it again shows the same: what is wanted is how they count, and once that is said nothing is.
    const of = (component: Component) =>
      needsOf(unit([reading("1.3", 90)]), catalogueOf([component]), policy()).filter(
        ({ cause }) => cause !== "stale",
      );
    expect(of(tied)).toMatchObject([{ kind: "catalogue", cause: "uncounted" }]);
    expect(of({ ...tied, numbering: { kind: "decimal" } }).map(({ cause }) => cause)).not.toContain(
      "uncounted",
    );
  });
  test("community releases of other shapes are ordered by date on their own track only", () => {
    const c2 = main(
      release("1.0", 0),
      release("1.1", 60),
      release("reed-1", 10, { track: "community" }),
      release("reed-2", 70, { track: "community" }),
    );
    const p = policy({ tracks: ["community"] });
    expect(standing(unit([reading("reed-1", 20)]), c2, p).behind?.newer).toEqual(["reed-2"]);
    expect(standing(unit([reading("1.0", 20)]), c2, p).behind?.newer).toEqual(["1.1"]);
  });
});

describe("policies", () => {
  const c = main(
    release("1.0", 0),
    release("1.1", 50),
    release("1.2", 90, { fixes: fix("fix", "clock") }),
    release("1.3", 120),
  );
  const u = unit([reading("1.0", 5)]);
  test("newest: the steps of the target, whatever today is", () => {
    const [need] = firmware(u, c);
    expect(need).toMatchObject({ dueFrom: day(50), urgency: "fix", cause: "behind" });
    expect(need?.targets.map((t) => [t.from, t.release])).toEqual([
      [day(50), "1.1"],
      [day(90), "1.2"],
      [day(120), "1.3"],
    ]);
    expect(need && targetOn(need, day(100))).toBe("1.2");
  });
  test("settled: days after", () => {
    expect(firmware(u, c, policy({ rule: { kind: "settled", days: 14 } }))[0]?.dueFrom).toBe(day(64));
  });
  test("fixes: only a watched tag or an urgent fix calls, from its date", () => {
    const watching = (tags: string[], atLeast?: "fix" | "safety") =>
      firmware(u, c, policy({ rule: { kind: "fixes", tags, atLeast } }))[0];
    expect(watching(["clock"])?.dueFrom).toBe(day(90));
    expect(watching([], "fix")?.targets[0]).toEqual({ from: day(90), release: "1.2" });
    expect(watching([], "safety")).toBeUndefined();
    expect(watching(["other"])).toBeUndefined();
  });
  test("pinned: any other version is the need, and a pin may end", () => {
    const pin = (until?: number) =>
      policy({
        rule: {
          kind: "pinned",
          releases: ["1.1"],
          otherwise: { kind: "newest" },
          ...(until !== undefined && { until: day(until) }),
        },
      });
    expect(firmware(unit([reading("1.1", 60)]), c, pin())).toEqual([]);
    expect(firmware(u, c, pin())[0]).toMatchObject({ dueFrom: day(50), targets: [{ release: "1.1" }] });
    expect(firmware(unit([reading("1.3", 130)]), c, pin())[0]).toMatchObject({
      dueFrom: day(130),
      targets: [{ release: "1.1" }],
    });
    expect(firmware(unit([reading("1.1", 60)]), c, pin(200))[0]).toMatchObject({
      dueFrom: day(201),
      targets: [{ release: "1.3" }],
    });
    expect(firmware(unit([reading("1.3", 130)]), c, pin(200))).toMatchObject([
      { dueFrom: day(130), dueTo: day(201) },
    ]);
    expect(firmware(u, c, pin(200))).toMatchObject([
      { cause: "pinned", dueFrom: day(50), dueTo: day(201), targets: [{ release: "1.1" }] },
      { cause: "behind", dueFrom: day(201), targets: [{ from: day(201), release: "1.3" }] },
    ]);
  });
  test("a release written down late is told by its version: what lies below the pin is skipped on the way, what lies above is not", () => {
    const late = main(
      release("1.0", 0),
      release("1.2", 30),
      release("1.1", 90, { fixes: fix("safety") }),
      release("1.3", 20, { fixes: fix("safety") }),
    );
    const to = (n: string) =>
      firmware(
        u,
        late,
        policy({ rule: { kind: "pinned", releases: [n], otherwise: { kind: "newest" } } }),
      )[0];
    expect(to("1.2")?.because).toContainEqual({ kind: "fixes", release: "1.1", tag: "x", urgency: "safety" });
    expect(to("1.2")?.urgency).toBe("safety");
    expect(to("1.1")?.because.some((f) => f.kind === "fixes" && f.release === "1.3")).toBe(false);
  });
  test("what settles first does not hold back the pinned release, and a merged need still breaks its hold for safety", () => {
    const rule = (until?: number): Policy["rule"] => ({
      kind: "pinned",
      releases: ["1.2"],
      otherwise: { kind: "settled", days: 100 },
      ...(until !== undefined && { until: day(until) }),
    });
    const gone = main(
      release("1.1", 0, { withdrawn: { on: day(20), why: "bad" } }),
      release("1.2", 30),
      release("1.3", 120, { fixes: fix("safety") }),
    );
    const runs = unit([reading("1.1", 10)]);
    expect(firmware(runs, gone, policy({ rule: rule() }))).toMatchObject([
      { cause: "withdrawn", dueFrom: day(20), targets: [{ from: day(30), release: "1.2" }] },
    ]);
    const [both, ...none] = firmware(runs, gone, policy({ rule: rule(150) }));
    expect(none).toEqual([]);
    expect(both?.targets).toEqual([
      { from: day(30), release: "1.2" },
      { from: day(220), release: "1.3" },
    ]);
    const hold = { until: day(300), why: "event" };
    expect(firmware({ ...runs, hold }, gone, policy({ rule: rule(150) }))[0]).toMatchObject({
      dueFrom: day(220),
      heldFrom: day(20),
    });
  });
  test("a release so late, or a policy so patient, that no calendar has the day never counts", () => {
    const far = main(release("1.0", 0), { ...release("1.1", 0), releasedOn: plain("9998-12-31") });
    const patient = policy({ rule: { kind: "settled", days: 3650 } });
    expect(firmware(u, far, patient)).toEqual([]);
    expect(
      needsOf(unit([{ ...reading("1.0", 0), on: plain("9998-12-31") }]), catalogueOf([far]), patient),
    ).toMatchObject([{ cause: "stale", dueFrom: "9999-12-31" }]);
  });
  test("a hold moves a need past itself; a safety fix breaks through, unless told not to", () => {
    const hold = { until: day(150), why: "event" };
    const [held] = firmware({ ...u, hold }, c);
    expect(held).toMatchObject({ dueFrom: day(151), heldFrom: day(50) });
    expect(held && [isHeld(held, day(100)), isOpen(held, day(100)), isOpen(held, day(151))]).toEqual([
      true,
      false,
      true,
    ]);
    expect(held && heldUntil(held.dueFrom)).toBe(hold.until);
    const safety = main(...c.releases, release("1.4", 130, { fixes: fix("safety") }));
    expect(firmware({ ...u, hold }, safety)[0]?.dueFrom).toBe(day(130));
    expect(firmware({ ...u, hold }, safety, policy({ safetyBreaksHold: false }))[0]?.dueFrom).toBe(day(151));
  });
  test("withdrawn and aside: away from it, up or back", () => {
    const w = main(release("1.0", 0), release("1.1", 9, { withdrawn: { on: day(40), why: "bad" } }));
    expect(firmware(unit([reading("1.1", 20)]), w)[0]).toMatchObject({
      cause: "withdrawn",
      urgency: "fix",
      dueFrom: day(40),
      targets: [{ release: "1.0" }],
    });
    const a = main(release("1.0", 0), release("2.0", 9, { track: "beta" }));
    expect(firmware(unit([reading("2.0", 20)]), a)[0]).toMatchObject({
      cause: "aside",
      dueFrom: day(20),
      targets: [{ release: "1.0" }],
    });
  });
});

test("readings are due again: never read, old, back from custody, flashed", () => {
  const c = main(release("1.0", 0));
  const readingNeed = (u: UnitFacts) =>
    needsOf(u, catalogueOf([c]), policy({ recheckAfterDays: 100 })).find((n) => n.kind === "reading");
  expect(readingNeed(unit([]))).toMatchObject({ cause: "unread", dueFrom: start });
  expect(readingNeed(unit([reading("1.0", 5)]))).toMatchObject({ cause: "stale", dueFrom: day(105) });
  expect(readingNeed(unit([reading("1.0", 5)], { backOn: day(30) }))).toMatchObject({
    cause: "back-from-custody",
    dueFrom: day(30),
  });
  expect(readingNeed(unit([reading("1.0", 30)], { backOn: day(30) }))).toMatchObject({ cause: "stale" });
  expect(readingNeed(unit([reading("1.0", 5, "flash")]))).toMatchObject({
    cause: "flash-unconfirmed",
    dueFrom: day(5),
  });
  expect(
    needsOf(unit([reading("9.9", 5)]), catalogueOf([c]), policy()).some((n) => n.kind === "catalogue"),
  ).toBe(true);
});

test("what was read out once is read out again when it was flashed on a later day; of what never was nothing is said", () => {
  const c = main(release("1.0", 0));
  const backupNeed = (backup?: UnitFacts["backup"], more: Partial<Policy> = {}) =>
    needsOf(unit([reading("1.0", 5)], { ...(backup && { backup }) }), catalogueOf([c]), policy(more)).find(
      (n) => n.kind === "backup",
    );
  expect(backupNeed()).toBeUndefined();
  expect(backupNeed({ on: day(3) })).toBeUndefined();
  expect(backupNeed({ on: day(5), writtenOn: day(5) })).toBeUndefined();
  expect(backupNeed({ on: day(9), writtenOn: day(5) })).toBeUndefined();
  const need = { cause: "written-since-backup", component: "main", dueFrom: day(9), targets: [] };
  expect(backupNeed({ on: day(5), writtenOn: day(9) })).toMatchObject(need);
  const held = backupNeed({ on: day(5), writtenOn: day(9) }, { hold: { until: day(20), why: "the tide" } });
  expect(held).toMatchObject({ dueFrom: day(21), heldFrom: day(9) });
});

test("a mode that transmits too far is due on the days on which its user may not, with the reasons, and past a hold", () => {
  const c = main(release("1.0", 0));
  const now = { id: "m", name: "wide", transmit: [{ from: 100, to: 300 }], receive: [] };
  const plan = [
    { class: "entry", from: 100, to: 300, until: day(20), note: "" },
    { class: "entry", from: 100, to: 200, since: day(20), note: "" },
    { class: "full", from: 0, to: 900, note: "" },
  ];
  const modes = (more: Partial<Policy>, mode: Partial<NonNullable<UnitFacts["mode"]>> = {}) =>
    needsOf(
      unit([reading("1.0", 5)], { mode: { now, on: day(3), plan, ...mode } }),
      catalogueOf([c]),
      policy(more),
    ).filter((n) => n.kind === "mode");
  const locked = { transmit: { rule: "locked" as const, class: "entry" } };
  // Nothing is said without a rule; by the plan it is due from the day on which that narrows.
  expect(modes({})).toEqual([]);
  expect(modes(locked)).toMatchObject([
    {
      cause: "transmits-beyond",
      component: "main",
      urgency: "fix",
      dueFrom: day(20),
      targets: [],
      because: [
        { kind: "in-mode", mode: "wide", on: day(3) },
        { kind: "allowed-by", of: "group", class: "entry" },
        { kind: "beyond", from: 200, to: 300, width: 100 },
      ],
    },
  ]);
  // Whoever has it counts; who came into the mode later is due later.
  expect(modes(locked, { holder: { class: "full" } })).toEqual([]);
  expect(modes(locked, { on: day(25) })).toMatchObject([{ dueFrom: day(25) }]);
  expect(modes({ ...locked, hold: { until: day(30), why: "the tide" } })).toMatchObject([
    { dueFrom: day(31), heldFrom: day(20) },
  ]);
  const narrowed = [...plan, { class: "entry", from: 200, to: 300, since: day(40), note: "" }];
  expect(modes(locked, { plan: narrowed })).toMatchObject([{ dueFrom: day(20), dueTo: day(40) }]);
});

test("a measurement is due at once where there never was one, when the last is old, and after a flash; only where the group asks", () => {
  const c = main(release("1.0", 0));
  const due = (measured: UnitFacts["measured"], measure?: Policy["measure"]) =>
    needsOf(
      unit([reading("1.0", 5)], { ...(measured && { measured }) }),
      catalogueOf([c]),
      policy(measure ? { measure } : {}),
    ).find((n) => n.kind === "measurement")?.dueFrom;
  const yearly = { everyDays: 10, afterFlash: false };
  expect(due(undefined)).toBeUndefined();
  expect(due(undefined, yearly)).toBe(unit([]).addedOn);
  expect(due({ on: day(5) }, yearly)).toBe(day(15));
  expect(due({ on: day(5), flashedOn: day(8) }, yearly)).toBe(day(15));
  expect(due({ on: day(5), flashedOn: day(8) }, { ...yearly, afterFlash: true })).toBe(day(8));
  expect(due({ on: day(5), flashedOn: day(5) }, { afterFlash: true })).toBeUndefined();
});

test("the plan of channels is due where the group carries it, from the day it counts, and not before the radio came; not where it is in", () => {
  const c = main(release("1.0", 0));
  const due = (codeplug: UnitFacts["codeplug"], carries = true, more = {}) =>
    needsOf(
      unit([reading("1.0", 5)], { ...(codeplug && { codeplug }), ...more }),
      catalogueOf([c]),
      policy(carries ? { codeplug: "plan" } : {}),
    ).filter((n) => n.kind === "codeplug");
  const older = { plan: 2, since: day(20), has: "older" as const, on: day(3) };
  expect(due(undefined)).toEqual([]);
  expect(due(older, false)).toEqual([]);
  expect(due(older)).toMatchObject([
    { cause: "not-the-plan", dueFrom: day(20), because: [{ kind: "codeplug", ...older }] },
  ]);
  expect(due({ plan: 1, since: day(-90), has: "unknown" })[0]?.dueFrom).toBe(unit([]).addedOn);
  expect(due(older, true, { hold: { until: day(30), why: "the tide" } })).toMatchObject([
    { dueFrom: day(31), heldFrom: day(20) },
  ]);
});

test("an ID is due at once while nobody has asked for it, and from the day after it should have come", () => {
  const c = main(release("1.0", 0));
  const due = (awaited: UnitFacts["awaited"]) =>
    needsOf(unit([reading("1.0", 5)], { ...(awaited && { awaited }) }), catalogueOf([c]), policy({})).filter(
      (n) => n.kind === "identity",
    );
  const digital = { what: "digital" as const, since: day(4) };
  expect(due(undefined)).toEqual([]);
  expect(due([digital])[0]?.dueFrom).toBe(day(4));
  // Nobody knows when it should come: nothing is late.
  expect(due([{ ...digital, askedOn: day(6) }])).toEqual([]);
  expect(due([{ ...digital, askedOn: day(6), by: day(20) }])[0]?.dueFrom).toBe(day(21));
  const both = due([
    { ...digital, askedOn: day(6), by: day(20) },
    { what: "call", since: day(9) },
  ]);
  expect(both).toHaveLength(1);
  expect(both[0]).toMatchObject({ dueFrom: day(9), cause: "no-identity" });
  expect(both[0]?.because).toHaveLength(2);
});

const oracleRelease: fc.Arbitrary<Omit<OracleRelease, "n">> = fc.record({
  day: fc.nat(60),
  track: fc.constantFrom("factory", "beta", "community"),
  withdrawn: fc.option(fc.integer({ min: 0, max: 80 }), { nil: undefined, freq: 4 }),
  revision: fc.option(fc.constantFrom("A", "B"), { nil: undefined }),
  safety: fc.boolean(),
  watched: fc.boolean(),
});
const oraclePolicy: fc.Arbitrary<OraclePolicy> = fc.record({
  rule: fc.constantFrom("newest", "newest-but-one", "settled", "fixes"),
  days: fc.nat(20),
  beta: fc.boolean(),
  holdTo: fc.option(fc.nat(70), { nil: undefined }),
  breaks: fc.boolean(),
});

const ruleOf = (wanted: OraclePolicy): FallbackRule =>
  wanted.rule === "settled"
    ? { kind: "settled", days: wanted.days }
    : wanted.rule === "fixes"
      ? { kind: "fixes", tags: ["watch"], atLeast: "safety" }
      : { kind: wanted.rule };

test("firmware needs agree with the day-by-day oracle, and moss never falls while nothing is done", () => {
  fc.assert(
    fc.property(fc.array(oracleRelease, { maxLength: 7 }), oraclePolicy, (list, wanted) => {
      const oracle: OracleRelease[] = list.map((r, i) => ({ ...r, n: i + 2 }));
      const c = main(
        release("1", 0),
        ...oracle.map((r) =>
          release(String(r.n), r.day, {
            track: r.track,
            ...(r.withdrawn !== undefined && { withdrawn: { on: day(r.withdrawn), why: "w" } }),
            ...(r.revision && { hardwareRevisions: [r.revision] }),
            fixes: [...(r.safety ? fix("safety", "s") : []), ...(r.watched ? fix("routine", "watch") : [])],
          }),
        ),
      );
      const p = policy({
        rule: ruleOf(wanted),
        tracks: wanted.beta ? ["beta"] : [],
        safetyBreaksHold: wanted.breaks,
        ...(wanted.holdTo !== undefined && { hold: { until: day(wanted.holdTo), why: "h" } }),
      });
      const u = unit([reading("1", 0)], { hardwareRevision: "A" });
      const needs = needsOf(u, catalogueOf([c]), p);
      const [need] = needs.filter((n) => n.kind === "firmware");
      let moss = 0;
      for (let d = 0; d <= 100; d++) {
        const target = need && isOpen(need, day(d)) ? targetOn(need, day(d)) : undefined;
        const expected = openOn(oracle, 1, wanted, d);
        expect([d, target]).toEqual([d, expected === undefined ? undefined : String(expected)]);
        const now = mossOf(needs, day(d));
        expect(now).toBeGreaterThanOrEqual(moss);
        moss = now;
      }
    }),
    { numRuns: cases(300) },
  );
});

test("pins, withdrawals and tracks left: on every day what that day alone would say", () => {
  const pinnedPolicy: fc.Arbitrary<PinnedPolicy> = fc
    .tuple(
      oraclePolicy,
      fc.boolean(),
      fc.option(
        fc.record({ n: fc.integer({ min: 1, max: 8 }), until: fc.option(fc.nat(90), { nil: undefined }) }),
        {
          nil: undefined,
          freq: 5,
        },
      ),
    )
    .map(([plainPolicy, community, pin]) => ({ ...plainPolicy, holdTo: undefined, community, pin }));
  const causes = new Set<string>();
  fc.assert(
    fc.property(
      fc.array(oracleRelease, { maxLength: 7 }),
      pinnedPolicy,
      fc.integer({ min: 1, max: 9 }),
      fc.nat(60),
      (list, wanted, runs, readOn) => {
        const oracle: OracleRelease[] = list.map((r, i) => ({ ...r, n: i + 1 }));
        const c = main(
          ...oracle.map((r) =>
            release(String(r.n), r.day, {
              track: r.track,
              ...(r.withdrawn !== undefined && { withdrawn: { on: day(r.withdrawn), why: "w" } }),
              ...(r.revision && { hardwareRevisions: [r.revision] }),
              fixes: [...(r.safety ? fix("safety", "s") : []), ...(r.watched ? fix("routine", "watch") : [])],
            }),
          ),
        );
        const otherwise = ruleOf(wanted);
        const { pin } = wanted;
        const p = policy({
          rule: pin
            ? {
                kind: "pinned",
                releases: [String(pin.n)],
                otherwise,
                ...(pin.until !== undefined && { until: day(pin.until) }),
              }
            : otherwise,
          tracks: [
            ...(wanted.beta ? (["beta"] as const) : []),
            ...(wanted.community ? (["community"] as const) : []),
          ],
        });
        const u = unit([reading(String(runs), readOn)], { hardwareRevision: "A" });
        const needs = needsOf(u, catalogueOf([c]), p).filter((n) => n.kind === "firmware");
        for (const { targets } of needs)
          expect(targets.map((t) => t.from)).toEqual([...new Set(targets.map((t) => t.from))].sort());
        for (let d = 0; d <= 100; d++) {
          const open = needs.filter((need) => isOpen(need, day(d)));
          const told = toldOn(oracle, runs, readOn, wanted, d);
          const found = open.map((need) => ({ cause: need.cause, target: targetOn(need, day(d)) }));
          const expected = told ? [{ cause: told.cause, target: told.target?.toString() }] : [];
          expect([d, found]).toEqual([d, expected]);
          if (told) causes.add(told.cause);
        }
      },
    ),
    {
      numRuns: cases(500),
      examples: [
        // What must be left must be left although nothing to go to comes before the pin ends.
        [
          [
            { day: 0, track: "factory", withdrawn: 0, revision: undefined, safety: false, watched: false },
            {
              day: 0,
              track: "beta",
              withdrawn: undefined,
              revision: undefined,
              safety: false,
              watched: false,
            },
            {
              day: 1,
              track: "factory",
              withdrawn: undefined,
              revision: undefined,
              safety: false,
              watched: false,
            },
          ],
          {
            rule: "newest",
            days: 0,
            beta: false,
            holdTo: undefined,
            breaks: false,
            community: false,
            pin: { n: 1, until: 0 },
          },
          2,
          0,
        ],
      ],
    },
  );
  expect([...causes].sort()).toEqual(["aside", "behind", "pinned", "withdrawn"]);
});

describe("nothing to compare with", () => {
  const none = (c: Component, u = unit([reading("what it says", 5)], { hardwareRevision: "B" })) =>
    needsOf(u, catalogueOf([c]), policy());
  test("is said, and is for whoever keeps the catalogue; reading again would not help", () => {
    for (const c of [
      main(),
      main(release("1.0", 0, { hardwareRevisions: ["A"] })),
      main(release("1.0", 0, { draft: true })),
    ]) {
      expect(none(c).map((n) => [n.kind, n.cause, n.dueFrom])).toEqual([
        ["reading", "stale", day(370)],
        ["catalogue", "unlisted", day(5)],
      ]);
      expect(standing(unit([reading("1.0", 5)], { hardwareRevision: "B" }), c)).toMatchObject({
        standing: "unlisted",
      });
    }
  });
  test("ends with the first release that fits, or may fit", () => {
    const listed = main(release("1.0", 50, { hardwareRevisions: ["B"] }));
    const runs = unit([reading("1.0", 5)], { hardwareRevision: "B" });
    expect(none(listed, runs)).toMatchObject([
      { kind: "reading" },
      { cause: "unlisted", dueFrom: day(5), dueTo: day(50) },
    ]);
    expect(standing(runs, listed, policy(), 49).standing).toBe("unlisted");
    expect(standing(runs, listed, policy(), 50).standing).toBe("current");
    expect(none(main(release("1.0", 5)), unit([reading("1.0", 5)])).map((n) => n.cause)).toEqual(["stale"]);
    expect(
      none(main(release("1.0", 0, { hardwareRevisions: ["A"] })), unit([reading("1.0", 5)])).map(
        (n) => n.cause,
      ),
    ).toEqual(["stale"]);
  });
});

describe("a reading whose day nobody knows", () => {
  const c = main(release("1.0", 0), release("1.1", 50));
  const undated = (raw: string): Reading => {
    const { on: _, ...rest } = reading(raw, 0);
    return { ...rest, id: "undated", at: "-infinity" };
  };
  test("counts, but is old from the first, and gives way to any that has a day", () => {
    const u = unit([undated("1.0")], { addedOn: day(20) });
    expect(standing(u, c).standing).toBe("behind");
    expect(needsOf(u, catalogueOf([c]), policy())).toMatchObject([
      { cause: "stale", dueFrom: day(20), because: [{ kind: "reading", raw: "1.0" }, { kind: "stale" }] },
      { cause: "behind", dueFrom: day(50) },
    ]);
    for (const readings of [
      [undated("1.0"), reading("1.1", 1)],
      [reading("1.1", 1), undated("1.0")],
    ])
      expect(standing(unit(readings), c)).toMatchObject({ standing: "current", reading: { raw: "1.1" } });
  });
});

test("moss by its bounds", () => {
  const level = (urgency: Urgency, days: number) => mossOf([{ dueFrom: start, urgency }], day(days));
  expect([
    level("routine", 0),
    level("routine", 30),
    level("routine", 31),
    level("routine", 90),
    level("routine", 91),
    level("routine", 180),
    level("routine", 181),
  ]).toEqual([1, 1, 2, 2, 3, 3, 4]);
  expect([level("fix", 15), level("fix", 16), level("safety", 45), level("safety", 46)]).toEqual([
    1, 2, 3, 4,
  ]);
  expect(mossOf([{ dueFrom: day(9), urgency: "safety" }], start)).toBe(0);
});

test("which releases are for a radio's region or hardware is asked of each kind of radio by itself", () => {
  const listed = main(
    release("1.0", 10, { regions: ["North"] }),
    release("1.1", 20, { hardwareRevisions: ["B"] }),
  );
  const kinds: Partial<UnitFacts>[] = [
    { region: "North", hardwareRevision: "A" },
    { region: "South", hardwareRevision: "A" },
    { region: "South", hardwareRevision: "B" },
    { region: "South" },
    {},
  ];
  const causes = (kind: Partial<UnitFacts>, catalogue = catalogueOf([listed])) =>
    needsOf(unit([reading("0.9", 1)], kind), catalogue, policy())
      .filter((need) => need.kind === "catalogue")
      .map((need) => [need.cause, need.dueTo]);
  // One catalogue for all of them, in every order: what is remembered for one kind is not told of another.
  for (const order of [kinds, [...kinds].reverse()]) {
    const catalogue = catalogueOf([listed]);
    for (const kind of order) expect([kind, causes(kind, catalogue)]).toEqual([kind, causes(kind)]);
  }
  expect(causes({ region: "North" })).toEqual([["unlisted", day(10)]]);
  expect(causes({ region: "South" })).toEqual([["unlisted", day(20)]]);
  expect(causes({ region: "South", hardwareRevision: "A" })).toEqual([["unlisted", undefined]]);
});

describe("a loan", () => {
  const sent = (dueBack?: number) =>
    needsOf(
      unit([reading("1.0", 5)], dueBack === undefined ? {} : { dueBack: day(dueBack) }),
      catalogueOf([main(release("1.0", 0))]),
      policy({ hold: { until: day(400), why: "later" } }),
    ).filter(({ kind }) => kind === "loan");
  test("is overdue from the day after it should have come, whatever is on hold", () => {
    expect(sent(30)).toMatchObject([
      { cause: "loan-overdue", dueFrom: day(31), because: [{ kind: "due-back", on: day(30) }] },
    ]);
    expect(sent(30)[0]).not.toHaveProperty("heldFrom");
  });
  test("is none without a day", () => expect(sent()).toEqual([]));
});

describe("the newest but one", () => {
  const due = (...releases: Release[]) =>
    firmware(
      unit([reading("1.0", 0)]),
      main(release("1.0", 0), ...releases),
      policy({ rule: { kind: "newest-but-one" } }),
    );
  test("counts from the day on which the next is out, and not before it is out itself", () => {
    expect(due(release("1.1", 10))).toEqual([]);
    expect(due(release("1.1", 10), release("1.2", 40))).toMatchObject([
      { dueFrom: day(40), targets: [{ from: day(40), release: "1.1" }] },
    ]);
    expect(due(release("1.1", 40), release("1.2", 10))[0]?.dueFrom).toBe(day(40));
  });
  test("moves on with each that comes; one that was withdrawn is no next one", () => {
    const three = due(release("1.1", 10), release("1.2", 40), release("1.3", 60));
    expect(three[0]?.targets).toEqual([
      { from: day(40), release: "1.1" },
      { from: day(60), release: "1.2" },
    ]);
    expect(due(release("1.1", 10), release("1.2", 40, { withdrawn: { on: day(50), why: "w" } }))).toEqual([]);
  });
});
