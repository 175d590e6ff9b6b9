// Chains against an oracle that tries everything, and the cases that practitioners meet.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { cheapestRemedies, plainChains } from "../oracle.ts";
import type { Lead } from "../shapes.ts";
import { computer, DRIVERS, find, flash, job, kit, kitOf, kits, lead, rule, VERSIONS } from "../testing.ts";
import { findChains, isReady, prepareKit } from "./chain.ts";

describe("chains", () => {
  it("are those that hold when everything is tried, on hundreds of small kits", () => {
    let held = 0;
    fc.assert(
      fc.property(kits, (plain) => {
        const { chains } = findChains(job, prepareKit(kitOf(plain)));
        const told = chains.map((c) => `${c.lead?.id} ${c.computer.id} ${c.tool?.tool}`);
        expect(new Set(told)).toEqual(plainChains(plain));
        expect(new Set(told).size).toBe(told.length);
        if (told.length > 0) held++;
      }),
      { numRuns: cases(800) },
    );
    expect(held).toBeGreaterThan(cases(800) / 30);
  });

  it("that almost hold: the cheapest acts are those found by doing every few acts", () => {
    let mended = 0;
    fc.assert(
      fc.property(
        kits.filter((k) => plainChains(k).size === 0),
        (plain) => {
          const { near } = findChains(job, prepareKit(kitOf(plain)));
          // A version that no rule forbids may lie below or above all that they name.
          const cheapest = cheapestRemedies(plain, [0, ...VERSIONS, 4], DRIVERS, 3);
          const [first] = near;
          const costOf = (n: { money: number; minutes: number }) => n.money * 1e6 + n.minutes;
          if (!first) expect(cheapest).toBeUndefined();
          else if (first.changes.length <= 3) {
            mended++;
            expect({ money: first.money, minutes: first.minutes }).toEqual(cheapest);
            // What takes more acts than the oracle does must be cheaper than all that it found.
          } else if (cheapest) expect(costOf(first)).toBeLessThan(costOf(cheapest));
          const costs = near.map(costOf);
          expect(costs).toEqual([...costs].sort((a, b) => a - b));
        },
      ),
      { numRuns: cases(120) },
    );
    expect(mended).toBeGreaterThan(cases(120) / 9);
  }, 120_000);
});

describe("what practitioners meet", () => {
  it("a clone chip that the newer driver refuses: go back to the older one", () => {
    const rules = [
      rule({ id: "1", says: "needs", range: [{ atLeast: "3.0" }] }),
      rule({
        id: "2",
        grade: "clone",
        says: "needs",
        range: [{ atLeast: "3.0" }],
        source: { kind: "club", what: "" },
      }),
      rule({
        id: "3",
        grade: "clone",
        says: "must-not",
        range: [{ atLeast: "3.4" }],
        source: { kind: "club", what: "" },
      }),
    ];
    const { chains, near } = find({
      rules,
      leads: [lead({ chip: { family: "Bramble", grade: "clone" } })],
      computers: [computer({ drivers: new Map([["d", "3.5"]]) })],
    });
    expect(chains).toEqual([]);
    expect(near[0]?.breaks).toEqual([{ kind: "driver-must-not", driver: "d", has: "3.5" }]);
    expect(near[0]?.changes).toMatchObject([
      { kind: "put-driver", had: "3.5", avoid: [[{ atLeast: "3.4" }]] },
    ]);
    expect(near[0]).toMatchObject({ money: 0, minutes: 6 });
    const genuine = find({ rules, computers: [computer({ drivers: new Map([["d", "3.5"]]) })] });
    expect(genuine.chains).toHaveLength(1);
  });

  it("contradicting advice: what our own bench saw outweighs the maker, and the other is kept as dissent", () => {
    const rules = [
      rule({ id: "1", says: "no-support" }),
      rule({ id: "2", says: "built-in", source: { kind: "bench", what: "" } }),
    ];
    const [chain] = find({ rules }).chains;
    expect(chain?.driver?.rules.map((r) => r.id)).toEqual(["2"]);
    expect(chain?.driver?.dissent.map((r) => r.id)).toEqual(["1"]);
  });

  it("an unknown chip is no failure, but untried", () => {
    const [chain] = find({ leads: [lead({ chip: { family: "", grade: "unknown" } })] }).chains;
    expect(chain).toMatchObject({ untried: ["chip", "driver"], evidence: { verdict: "untried" } });
  });

  it("a lead that only charges, one that is lost, one that somebody has", () => {
    expect(find({ leads: [lead({ carriesData: false })] })).toMatchObject({
      chains: [],
      near: [],
      stopped: { breaks: [{ kind: "charge-only" }] },
    });
    expect(find({ leads: [lead({ condition: "lost" })] }).stopped?.breaks).toEqual([
      { kind: "lead-condition", condition: "lost" },
    ]);
    expect(find({ leads: [lead({ holder: "Bram" })] }).near[0]?.changes).toEqual([
      { kind: "fetch", tag: "K-01", holder: "Bram" },
    ]);
  });

  it("a driver range that no version meets cannot be mended", () => {
    const rules = [rule({ range: [{ atLeast: "3", below: "2" }] })];
    expect(find({ rules })).toMatchObject({
      chains: [],
      near: [],
      stopped: { breaks: [{ kind: "driver-missing" }] },
    });
  });

  it("where nobody may install, a missing driver stays missing", () => {
    expect(find({ rules: [rule({})], computers: [computer({ admin: false })] }).near).toEqual([]);
    expect(find({ rules: [rule({})] }).near[0]?.changes).toMatchObject([{ kind: "put-driver", driver: "d" }]);
  });

  it("a phone wants an on-the-go adapter, and a module plugs straight in", () => {
    const phone = computer({ kind: "phone", ports: ["USB-C"] });
    const adapter = {
      id: "a",
      tag: "A-1",
      kind: "usb",
      ends: ["USB-A", "USB-C"],
      carriesData: true,
      condition: "sound",
    } as const;
    expect(find({ computers: [phone], adapters: [adapter] }).stopped?.breaks).toEqual([
      { kind: "no-on-the-go" },
    ]);
    const otg = { ...adapter, kind: "on-the-go" } as const;
    expect(find({ computers: [phone], adapters: [otg] }).chains[0]?.atComputer).toEqual([otg]);
    const straight = find({ computers: [phone], leads: [] }, { ...flash, plugs: ["USB-C"], ways: ["phone"] });
    expect(straight.chains[0]).toMatchObject({ plug: "USB-C", atRadio: [], atComputer: [] });
    expect(straight.chains[0]?.lead).toBeUndefined();
  });

  it("adapters that lead in a ring end, and three in a row are too many", () => {
    const joint = (id: string, a: string, b: string) =>
      ({ id, tag: id, kind: "box", ends: [a, b], carriesData: true, condition: "sound" }) as const;
    const ring = [
      joint("1", "two-pin", "x"),
      joint("2", "x", "y"),
      joint("3", "y", "two-pin"),
      joint("4", "y", "z"),
    ];
    const reach = (radioEnd: string) =>
      find({ adapters: ring, leads: [lead({ radioEnd })] }).chains[0]?.atRadio.map((j) => j.id);
    expect(reach("x")).toEqual(["1"]);
    expect(reach("z")).toEqual(["3", "4"]);
    expect(find({ adapters: [...ring, joint("5", "z", "w")], leads: [lead({ radioEnd: "w" })] }).noLead).toBe(
      true,
    );
  });

  it("a release names its software and its version; a tool must know the firmware that it meets", () => {
    const wants = { ...flash, tool: { name: "hedgewriter ", range: [{ atLeast: "1.8" }] } };
    expect(find({}, wants).near[0]?.changes).toMatchObject([
      { kind: "put-tool", had: "1.6", ranges: [[{ atLeast: "1.8" }]] },
    ]);
    expect(find({}, { ...wants, tool: { name: "another" } }).noTool).toBe(true);
    const [known] = kit().tools;
    if (!known) throw new Error("no tool");
    const tools = [
      {
        ...known,
        supports: [
          {
            model: "m",
            operations: ["flash" as const],
            firmware: { component: "main", range: [{ atLeast: "2" }] },
          },
        ],
      },
    ];
    expect(find({ tools }, { ...flash, meets: () => false }).stopped?.breaks).toEqual([
      { kind: "tool-firmware", tool: "t" },
    ]);
    expect(find({ tools }, { ...flash, meets: () => true }).chains).toHaveLength(1);
    expect(
      find({ tools: [{ ...known, runsOn: [{ system: "Windows", bits: 32 }] }] }).stopped?.breaks,
    ).toEqual([{ kind: "tool-system", tool: "t" }]);
  });

  it("a card needs a port and no tool; a programmer needs Bluetooth", () => {
    const card = lead({
      kind: "card",
      radioEnd: "card",
      computerEnd: "card",
      chip: undefined,
    } as Partial<Lead>);
    const [chain] = find(
      { leads: [card], computers: [computer({ ports: ["card"] })] },
      { ...flash, plugs: ["card"], ways: ["card"] },
    ).chains;
    expect(chain?.tool).toBeUndefined();
    const programmer = {
      ...lead({ kind: "programmer" }),
      computerEnd: undefined,
      chip: undefined,
    } as unknown as Lead;
    expect(find({ leads: [programmer] }).stopped?.breaks).toEqual([{ kind: "no-bluetooth" }]);
    const phone = computer({ bluetooth: true });
    expect(find({ leads: [programmer], computers: [phone] }).chains).toHaveLength(1);
    // How often it went well counts as with any lead.
    const tried = (worked: boolean) => ({
      lead: programmer.id,
      computer: phone.id,
      tool: "t",
      system: phone.system,
      systemVersion: phone.version,
      worked,
      settled: false,
    });
    const verdict = (worked: boolean) =>
      find({
        leads: [programmer],
        computers: [phone],
        attempts: [1, 2, 3, 4].map(() => tried(worked)),
      }).chains[0]?.evidence.verdict;
    expect([verdict(true), verdict(false)]).toEqual(["proven", "known-bad"]);
    expect(find({ leads: [lead()] }, { ...flash, ways: ["card"] }).stopped?.breaks[0]).toEqual({
      kind: "way",
      ways: ["card"],
    });
  });

  it("is ready only with a chain that is not known to fail", () => {
    const attempts = Array.from({ length: 4 }, () => ({
      lead: "l",
      computer: "c",
      tool: "t",
      system: "Windows" as const,
      systemVersion: "11",
      worked: false,
    }));
    expect(isReady(find({}))).toBe(true);
    expect(isReady(find({ attempts }))).toBe(false);
  });

  it("of the chains that the same change would make, the best known is shown", () => {
    const leads = [lead({ id: "1", condition: "worn" }), lead({ id: "2" }), lead({ id: "3" })];
    const attempts = Array.from({ length: 4 }, () => ({
      lead: "3",
      computer: "c",
      tool: "t",
      system: "Windows" as const,
      systemVersion: "11",
      worked: true,
    }));
    const wants = { ...flash, tool: { name: "Hedgewriter", range: [{ atLeast: "1.8" }] } };
    expect(find({ leads }, wants).near[0]?.lead?.id).toBe("2");
    expect(find({ leads, attempts }, wants).near[0]?.lead?.id).toBe("3");
  });

  it("bought things come with the lead they go with, as one set", () => {
    const offers = [
      {
        id: "1",
        name: "two-pin lead",
        price: 900,
        gives: "lead" as const,
        lead: lead({ computerEnd: "USB-C" }),
      },
      {
        id: "2",
        name: "C to A",
        price: 300,
        gives: "adapter" as const,
        adapter: { kind: "usb" as const, ends: ["USB-C", "USB-A"] as const, carriesData: true },
      },
    ];
    const { near } = find({ leads: [], offers });
    expect(near[0]).toMatchObject({ money: 1200, minutes: 0 });
    expect(near[0]?.changes.map((c) => c.kind)).toEqual(["get", "get"]);
  });
});
