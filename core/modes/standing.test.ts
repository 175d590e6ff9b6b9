// How a mode stands by each of the schools; on which days it exceeds, against asking every day; worst first.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import type { Band } from "./band.ts";
import type { Segment } from "./privileges.ts";
import { byConcern, exceedsOn, type ModeFacts, modeStanding, type TransmitPolicy } from "./standing.ts";

const band = (from: number, to: number): Band => ({ from, to });
const mode = (id: string, transmit: Band[], receive = transmit) => ({ id, name: id, transmit, receive });
const MODES = [
  mode("narrow", [band(100, 200)]),
  mode("listens", [band(100, 200)], [band(0, 900)]),
  mode("wide", [band(0, 400)], [band(0, 900)]),
];
const PLAN: Segment[] = [
  { class: "entry", from: 100, to: 300, note: "" },
  { class: "full", from: 0, to: 900, note: "" },
];
const day = plain("2026-11-27");
const stands = (now: string | undefined, policy: TransmitPolicy, more: Partial<ModeFacts> = {}) =>
  modeStanding({ modes: MODES, now, policy, plan: PLAN, holder: undefined, ...more }, day);

describe("a mode by its group's rule", () => {
  const entry: TransmitPolicy = { rule: "locked", class: "entry" };
  it("locked: beyond by so much, and what would be better, the least short first", () => {
    expect(stands("wide", entry)).toEqual({
      kind: "exceeds",
      excess: [band(0, 100), band(300, 400)],
      width: 200,
      shortfall: [],
      better: ["narrow", "listens"],
    });
    expect(stands("narrow", entry)).toEqual({ kind: "fits", shortfall: [band(200, 300)], hearsLess: false });
  });

  it("wide receive: a mode that fits and hears less is told of one that hears more", () => {
    const hears = { ...entry, rule: "wide receive" } as const;
    expect(stands("narrow", hears)).toMatchObject({ kind: "fits", hearsLess: true });
    expect(stands("listens", hears)).toMatchObject({ kind: "fits", hearsLess: false });
  });

  it("whoever has it counts, and not the group; of a class nobody has entered, nothing is said", () => {
    expect(stands("wide", entry, { holder: { class: "full" } })).toMatchObject({ kind: "fits" });
    expect(stands("wide", entry, { holder: {} })).toEqual({ kind: "nothing-to-compare" });
    expect(stands("wide", entry, { holder: { class: "novice" } })).toEqual({
      kind: "nothing-to-compare",
      class: "novice",
    });
  });

  it("emergency is open by design, legacy keeps to what was approved, as it is says nothing", () => {
    expect(stands("wide", { rule: "emergency", class: "entry" })).toMatchObject({ kind: "open", out: false });
    expect(
      stands("wide", { rule: "emergency", class: "entry" }, { holder: { class: "entry" } }),
    ).toMatchObject({
      kind: "open",
      out: true,
    });
    expect(stands("wide", { rule: "legacy", approved: [band(0, 350)] })).toMatchObject({
      kind: "exceeds",
      excess: [band(350, 400)],
      better: ["narrow", "listens"],
    });
    expect(stands("wide", { rule: "legacy" })).toEqual({ kind: "nothing-to-compare" });
    expect(stands("wide", { rule: "as it is" })).toEqual({ kind: "as-it-is" });
    expect(stands(undefined, entry)).toEqual({ kind: "mode-unknown" });
    expect(stands("wide", entry, { modes: [] })).toEqual({ kind: "no-modes" });
  });
});

const someSegment = fc
  .record({
    from: fc.nat(300),
    width: fc.integer({ min: 1, max: 300 }),
    since: fc.option(fc.nat(30), { nil: undefined }),
    lasts: fc.option(fc.integer({ min: 1, max: 20 }), { nil: undefined }),
  })
  .map(
    ({ from, width, since, lasts }): Segment => ({
      class: "entry",
      from,
      to: from + width,
      note: "",
      ...(since !== undefined && { since: addDays(day, since) }),
      ...(lasts !== undefined && { until: addDays(day, (since ?? 0) + lasts) }),
    }),
  );

it("exceeds on exactly the days on which asking that day says so", () => {
  fc.assert(
    fc.property(fc.array(someSegment, { maxLength: 5 }), fc.nat(10), (plan, later) => {
      const facts: ModeFacts = {
        modes: MODES,
        now: "wide",
        plan,
        holder: undefined,
        policy: { rule: "locked", class: "entry" },
      };
      const since = addDays(day, later);
      const found = exceedsOn(facts, since);
      for (let d = 0; d <= 60; d++) {
        const on = addDays(day, d);
        const told = found.some(({ from, to }) => from <= on && (to === undefined || on < to));
        expect(told).toBe(on >= since && modeStanding(facts, on).kind === "exceeds");
      }
      // Stretches that touch would be one.
      for (const [i, one] of found.entries())
        if (i > 0) expect(one.from > (found[i - 1]?.to ?? one.from)).toBe(true);
    }),
  );
});

it("puts the widest beyond first, then the open that nobody signed for, then what is not known, then what fits", () => {
  const list = [
    stands("narrow", { rule: "locked", class: "entry" }),
    stands(undefined, { rule: "locked", class: "entry" }),
    stands("wide", { rule: "emergency", class: "entry" }, { holder: { class: "entry" } }),
    stands("wide", { rule: "legacy", approved: [band(0, 350)] }),
    stands("wide", { rule: "emergency", class: "entry" }),
    stands("wide", { rule: "locked", class: "entry" }),
  ];
  const said = [...list].sort(byConcern).map((one) => (one.kind === "open" ? `open ${one.out}` : one.kind));
  expect(said).toEqual(["exceeds", "exceeds", "open false", "open true", "mode-unknown", "fits"]);
  expect([...list].sort(byConcern)[0]).toMatchObject({ width: 200 });
});
