// What the cabinet needs, in rank; and moss at the edges of its levels.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { URGENCIES } from "../release/index.ts";
import { actionOf, KINDS, NEED_KINDS } from "./kinds/index.ts";
import { mossOf } from "./moss.ts";
import { type SummaryItem, type SummaryNeed, summarise } from "./summary.ts";

const today = plain("2026-06-30");
const ago = (days: number) => addDays(today, -days);

describe("moss", () => {
  test.each([
    [0, 1],
    [30, 1],
    [31, 2],
    [90, 2],
    [91, 3],
    [180, 3],
    [181, 4],
    [4000, 4],
  ] as const)("after %i days of a routine need it is level %i", (days, level) => {
    expect(mossOf([{ dueFrom: ago(days), urgency: "routine" }], today)).toBe(level);
  });

  it("grows twice as fast on a fix, four times on a safety fix, and the worst decides", () => {
    expect(mossOf([{ dueFrom: ago(15), urgency: "fix" }], today)).toBe(1);
    expect(mossOf([{ dueFrom: ago(16), urgency: "fix" }], today)).toBe(2);
    expect(mossOf([{ dueFrom: ago(45), urgency: "safety" }], today)).toBe(3);
    expect(mossOf([{ dueFrom: ago(46), urgency: "safety" }], today)).toBe(4);
    const both = [
      { dueFrom: ago(100), urgency: "routine" },
      { dueFrom: ago(46), urgency: "safety" },
    ] as const;
    expect(mossOf(both, today)).toBe(4);
  });

  it("is none before the day, after the last day, and without needs", () => {
    expect(mossOf([], today)).toBe(0);
    expect(mossOf([{ dueFrom: addDays(today, 1), urgency: "safety" }], today)).toBe(0);
    expect(mossOf([{ dueFrom: ago(50), dueTo: today, urgency: "safety" }], today)).toBe(0);
    expect(mossOf([{ dueFrom: ago(50), dueTo: addDays(today, 1), urgency: "routine" }], today)).toBe(2);
  });
});

const need = (over: Partial<SummaryNeed>): SummaryNeed => ({
  unit: "W-01",
  model: "Wicket",
  component: "main",
  kind: "firmware",
  cause: "behind",
  action: "install",
  urgency: "routine",
  dueFrom: ago(10),
  targets: [{ from: ago(10), release: "1.14" }],
  ...over,
});

/** Of each kind, with a cause of its own and what is to be done about it here or away. */
const needs = fc.array(
  fc.constantFrom(...NEED_KINDS).chain((kind) =>
    fc
      .tuple(fc.boolean(), fc.constantFrom("ready", "kit", "no-route", "look-up"))
      .map(([away, readiness]) => actionOf({ kind }, away, () => readiness))
      .chain((action) =>
        fc.record({
          unit: fc.constantFrom("W-01", "W-02", "S-01", "S-02"),
          model: fc.constantFrom("Wicket", "Sorrel"),
          component: fc.constantFrom("main", "DSP"),
          kind: fc.constant(kind),
          cause: fc.constantFrom(...KINDS[kind].causes),
          action: fc.constant(action),
          urgency: fc.constantFrom(...URGENCIES),
          dueFrom: fc.integer({ min: 0, max: 400 }).map(ago),
          targets: fc.constant([]),
        }),
      ),
  ),
  { maxLength: 12 },
);

const someUnits = fc.uniqueArray(fc.constantFrom("W-01", "W-02", "S-01", "S-02")).chain((tags) =>
  fc.tuple(
    ...tags.map((unit) =>
      fc.record({
        unit: fc.constant(unit),
        read: fc.boolean(),
        atBench: fc.boolean(),
      }),
    ),
  ),
);

describe("what the cabinet needs", () => {
  it("says safety first and by model and part, the oldest before the rest, each radio once", () => {
    const items = summarise(
      [
        need({ unit: "W-02", urgency: "safety", dueFrom: ago(5) }),
        need({ unit: "W-01", urgency: "safety", dueFrom: ago(9) }),
        need({ unit: "W-01", urgency: "safety", dueFrom: ago(7), cause: "withdrawn" }),
        need({ unit: "S-01", model: "Sorrel", urgency: "safety", dueFrom: ago(20) }),
        need({ unit: "S-01", model: "Sorrel", kind: "reading", action: "read", cause: "unread" }),
      ],
      [],
      today,
    );
    expect(items.slice(0, 2)).toMatchObject([
      { kind: "safety", model: "Sorrel", since: ago(20), release: "1.14", units: ["S-01"] },
      { kind: "safety", model: "Wicket", since: ago(9), units: ["W-02", "W-01"] },
    ]);
    expect(items.slice(2).map((i) => i.kind)).toEqual(["install", "never-read"]);
  });

  it("leaves no need out, invents none, and keeps its order", () => {
    const order: SummaryItem["kind"][] = [
      "safety",
      "install",
      "at-bench",
      "kit",
      "overdue",
      "never-read",
      "part-unread",
      "read-again",
      "back-up",
      "switch",
      "measure",
      "pair",
      "program",
      "ask-for",
      "no-route",
      "say-how",
      "look-up",
      "ask-back",
    ];
    fc.assert(
      fc.property(needs, someUnits, (list, units) => {
        const items = summarise(list, units, today);
        const told = new Set(items.flatMap((i) => i.units));
        expect(told).toEqual(new Set(list.map((n) => n.unit)));
        const ranks = items.map((i) => order.indexOf(i.kind));
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
        const is = (kind: SummaryItem["kind"], unit: string) =>
          items.some((item) => item.kind === kind && item.units.includes(unit));
        for (const { unit, action, cause } of list) {
          const one = units.find((known) => known.unit === unit);
          // Nothing at the bench is called ready for it, nothing of which a part was read never read.
          if (action === "install") {
            expect(is("install", unit)).toBe(one?.atBench !== true);
            expect(is("at-bench", unit)).toBe(one?.atBench === true);
          }
          if (cause === "unread") {
            expect(is("never-read", unit)).toBe(one?.read !== true);
            expect(is("part-unread", unit)).toBe(one?.read === true);
          }
        }
        for (const item of items) {
          expect(new Set(item.units).size).toBe(item.units.length);
          expect(item.units.length).toBeGreaterThan(0);
        }
        const since = items.flatMap((i) => (i.kind === "safety" ? [i.since] : []));
        expect(since).toEqual([...since].sort());
      }),
      { numRuns: cases(400) },
    );
  });
});

describe("what can be done about a need", () => {
  it("what is away must come back first, except for our own list", () => {
    expect(actionOf({ kind: "firmware" }, true)).toBe("ask-back");
    expect(actionOf({ kind: "reading" }, true)).toBe("ask-back");
    expect(actionOf({ kind: "backup" }, true)).toBe("ask-back");
    expect(actionOf({ kind: "catalogue" }, true)).toBe("look-up");
  });

  it("here, an install is asked for its route and its kit, and nothing else is", () => {
    const never = (): "ready" => {
      throw new Error("nobody should ask");
    };
    expect(actionOf({ kind: "firmware" }, false, () => "ready")).toBe("install");
    expect(actionOf({ kind: "firmware" }, false, () => "kit")).toBe("kit");
    expect(actionOf({ kind: "firmware" }, false, () => "no-route")).toBe("no-route");
    expect(actionOf({ kind: "reading" }, false, never)).toBe("read");
    expect(actionOf({ kind: "backup" }, false, never)).toBe("back-up");
    expect(actionOf({ kind: "catalogue" }, false, never)).toBe("look-up");
    expect(actionOf({ kind: "firmware" }, true, never)).toBe("ask-back");
  });
});
