// With what a way can be gone, install by install; and what would have to be bought for it, against trying every purchase.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plain as day } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { type Catalogue, catalogueOf, conditionsShape, type Release } from "../release/index.ts";
import { PLAIN_POLICY, type UnitFacts } from "../unit/index.ts";
import { type PreparedKit, prepareKit, purchasesFor } from "./chain/chain.ts";
import { demandSets } from "./get/demand.ts";
import { type PlainKit, plainChains } from "./oracle.ts";
import type { Kit, Offer } from "./shapes.ts";
import { computer, job, kit, kitOf, kits, lead, VERSIONS } from "./testing.ts";
import { chainsOfModel, chainsOfUnit, isKitKnown, toolingOfNeed } from "./tooling.ts";

const release = (version: string, conditions: object = {}): Release => ({
  id: version,
  version,
  aliases: [],
  track: "factory",
  releasedOn: day("2026-01-01"),
  fixes: [],
  conditions: conditionsShape.parse(conditions),
});
const catalogue = catalogueOf([
  {
    id: "main",
    name: "main",
    suffixes: [],
    releases: [
      release("1.02"),
      release("1.06"),
      release("1.14", { from: [{ atLeast: "1.06" }], ways: ["cable"] }),
    ],
  },
]);
const unit = (raw: string): UnitFacts => ({
  id: "W-03",
  addedOn: day("2026-01-01"),
  readings: [
    { id: "1", component: "main", raw, source: "screen", at: "2026-02-01T10:00:00Z", on: day("2026-02-01") },
  ],
});
const radio = { model: "m", plugs: ["two-pin"] };
const wants = { component: "main", release: "1.14", ends: false };
const situation = (raw: string, prepared: PreparedKit, over: Catalogue = catalogue) => ({
  unit: unit(raw),
  catalogue: over,
  policy: PLAIN_POLICY,
  radio,
  kit: prepared,
});
const toolingIn = (over: Partial<Kit>, raw = "1.02") =>
  toolingOfNeed(situation(raw, prepareKit(kit(over))), wants);
const [hedgewriter] = kit().tools;
if (!hedgewriter) throw new Error("the plain kit has one tool");
/** Knows the model only over firmware from 1.06 on. */
const choosy = {
  ...hedgewriter,
  supports: [
    {
      model: "m",
      operations: ["flash" as const, "read" as const],
      firmware: { component: "main", range: [{ atLeast: "1.06" }] },
    },
  ],
};

describe("with what a way can be gone", () => {
  it("every install on it has chains of its own, and all must stand ready", () => {
    const ready = toolingIn({});
    expect(ready).toMatchObject({ kind: "ready", steps: [{ ready: true }, { ready: true }] });
    // The second goes by cable alone; the only lead is a card.
    const card = lead({ kind: "card", computerEnd: "USB-A" });
    const waits = toolingIn({ leads: [card] });
    expect(waits).toMatchObject({ kind: "kit", steps: [{ ready: true }, { ready: false }] });
  });

  it("a later install meets the firmware that an earlier one has put on", () => {
    const other = { ...hedgewriter, id: "u", name: "Sedgewriter" };
    const both = { tools: [choosy, other], computers: [computer({ tools: new Map([["t", "1"]]) })] };
    const told = toolingIn(both);
    if (!("steps" in told)) throw new Error("there is a route");
    const toolsOf = (n: number) => told.steps[n]?.chains.chains.map((c) => c.tool?.tool);
    expect(toolsOf(0)).toEqual([]);
    expect(toolsOf(1)).toEqual(["t"]);
    expect(told.steps[0]?.chains.near[0]?.changes).toMatchObject([{ kind: "put-tool", tool: "u" }]);
    expect(told.steps.map((s) => s.job.meets?.("main", [{ atLeast: "1.06" }]))).toEqual([false, true]);
  });

  it("no route is told apart from no kit", () => {
    const stuck = catalogueOf([
      {
        id: "main",
        name: "main",
        suffixes: [],
        releases: [release("1.02"), release("1.14", { from: [{ atLeast: "1.06" }] })],
      },
    ]);
    const told = toolingOfNeed(situation("1.02", prepareKit(kit({ leads: [] })), stuck), wants);
    expect(told).toEqual({ kind: "no-route" });
  });

  it("without leads, computers or tools nothing stands ready: what is missing is asked for", () => {
    for (const missing of [
      { leads: [] },
      { computers: [] },
      { tools: [] },
      { leads: [], computers: [], tools: [] },
    ]) {
      expect(isKitKnown(prepareKit(kit(missing)))).toBe(false);
      expect(toolingIn(missing).kind).toBe("kit");
    }
    expect(isKitKnown(prepareKit(kit()))).toBe(true);
  });

  it("is remembered for units that run the same, and not for those that do not", () => {
    const prepared = prepareKit(kit({ tools: [choosy] }));
    const of = (raw: string) => toolingOfNeed(situation(raw, prepared), wants);
    expect(of("1.02")).toBe(of("v1.02"));
    expect(of("1.02")).not.toBe(of("1.06"));
    expect(of("1.02").kind).toBe("kit");
    expect(of("1.06").kind).toBe("ready");
  });

  it("a radio is reached by what it runs, a model by whatever there is", () => {
    const prepared = prepareKit(kit({ tools: [choosy] }));
    const reached = (raw: string) => chainsOfUnit(situation(raw, prepared), "read").chains.length;
    expect([reached("1.02"), reached("1.06")]).toEqual([0, 1]);
    expect(chainsOfModel(radio, "read", prepared).chains).toHaveLength(1);
    expect(chainsOfModel(radio, "write", prepared)).toMatchObject({ chains: [], noTool: true });
  });
});

/** What a driver may be brought to: taken off, or put on in any version in, below and above those that rules speak of. */
const TRIED = [undefined, 0, ...VERSIONS, 4];

/**
 * Whether a plain kit reaches the radio without money. Fetching what somebody has does no harm, and one tool is enough; so
 * all is fetched, and every set of drivers is tried with all tools in each version.
 */
function reaches(plain: PlainKit): boolean {
  const here = <Thing extends { holder: boolean }>(things: readonly Thing[]) =>
    things.map((thing) => ({ ...thing, holder: false }));
  const fetched = { ...plain, leads: here(plain.leads), adapters: here(plain.adapters) };
  const driverSets = TRIED.flatMap((d) => TRIED.map((e) => ({ d, e })));
  return [undefined, 0, ...VERSIONS, 4].some((tool) =>
    [undefined, ...driverSets].some((set) => {
      const computers = plain.computers.map((c) => ({
        ...c,
        tools: tool === undefined ? c.tools : Object.fromEntries(plain.tools.map((t) => [t.id, tool])),
        drivers: set && c.admin ? withoutAbsent(set) : c.drivers,
      }));
      return plainChains({ ...fetched, computers }).size > 0;
    }),
  );
}
const withoutAbsent = (versions: Record<string, number | undefined>): Record<string, number> =>
  Object.fromEntries(Object.entries(versions).flatMap(([k, v]) => (v === undefined ? [] : [[k, v]])));

/** The kit with some of its offers bought and the others gone. */
function bought(plain: PlainKit, which: readonly number[]): PlainKit {
  const got = plain.offers.filter((_, i) => which.includes(i));
  return {
    ...plain,
    leads: [...plain.leads, ...got.flatMap((o) => (o.lead ? [o.lead] : []))],
    adapters: [...plain.adapters, ...got.flatMap((o) => (o.adapter ? [o.adapter] : []))],
    offers: [],
  };
}

describe("what would have to be bought", () => {
  it("is every smallest set of offers that frees the radio, as trying each set finds", () => {
    let sold = 0;
    fc.assert(
      fc.property(kits, (plain) => {
        const subsets =
          plain.offers.length === 2 ? [[], [0], [1], [0, 1]] : plain.offers.length === 1 ? [[], [0]] : [[]];
        const enough = subsets.filter((which) => reaches(bought(plain, which)));
        const smallest = enough.filter(
          (set) => !enough.some((o) => o.length < set.length && o.every((x) => set.includes(x))),
        );
        const told = purchasesFor(job, prepareKit(kitOf(plain)));
        expect(told.map((set) => set.map(Number)).sort()).toEqual([...smallest].sort());
        if (smallest.some((set) => set.length > 0)) sold++;
      }),
      { numRuns: cases(250) },
    );
    expect(sold).toBeGreaterThan(cases(250) / 60);
  }, 120_000);

  const cable: Offer = { id: "9", name: "two-pin lead", price: 900, gives: "lead", lead: lead() };
  const reader: Offer = {
    id: "8",
    name: "card reader",
    price: 500,
    gives: "adapter",
    adapter: { kind: "usb", ends: ["card", "USB-A"], carriesData: true },
  };
  const card = lead({ kind: "card", computerEnd: "card" });

  it("joins what each install on the way wants, and drops what holds another set", () => {
    const two = toolingIn({ leads: [card], offers: [cable, reader] });
    // The first may go over card or cable, the second over cable alone: the cable serves both.
    expect(demandSets(two, prepareKit(kit({ leads: [card], offers: [cable, reader] })))).toEqual([["9"]]);
  });

  it("is nothing where all stands ready, and no set where no offer would do", () => {
    expect(demandSets(toolingIn({}), prepareKit(kit()))).toEqual([[]]);
    const only = { leads: [card], offers: [reader] };
    expect(demandSets(toolingIn(only), prepareKit(kit(only)))).toEqual([]);
    expect(demandSets({ kind: "no-route" }, prepareKit(kit()))).toEqual([[]]);
  });

  it("a lead that somebody has wants fetching, not money", () => {
    const away = { leads: [lead({ holder: "Bram" })], offers: [cable] };
    expect(demandSets(toolingIn(away), prepareKit(kit(away)))).toEqual([[]]);
  });
});
