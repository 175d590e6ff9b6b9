// What advice says of a chip on a computer, against a plain reading of the rules; and tools on computers, case by case.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { SOURCE_KINDS } from "../../quantities/index.ts";
import { cases } from "../../quantities/testing.ts";
import type { Computer, DriverRule, Job, Tool } from "../shapes.ts";
import { computer, kit, rule } from "../testing.ts";
import { DRIVER_MINUTES, driverMinutes, driverVerdict } from "./driver.ts";
import { toolsFor, toolVerdict } from "./tool.ts";

const chip = { family: "Bramble", grade: "clone" } as const;
const has = (drivers: Record<string, string>, over: Partial<Computer> = {}) =>
  computer({ drivers: new Map(Object.entries(drivers)), ...over });

describe("which advice counts", () => {
  it("is for this chip, this system, this version and this word size; of other chips nothing is known", () => {
    const none = { state: "untried", rules: [], dissent: [] };
    const only = (over: Partial<DriverRule>) => driverVerdict(chip, has({}), [rule(over)]);
    expect(only({ family: "Teasel" })).toMatchObject(none);
    expect(only({ system: "Linux" })).toMatchObject(none);
    expect(only({ grade: "genuine" })).toMatchObject(none);
    expect(only({ bits: 32 })).toMatchObject(none);
    expect(only({ systemVersions: [{ below: "10" }] })).toMatchObject(none);
    expect(only({ bits: 64, grade: "clone", systemVersions: [{ atLeast: "10" }] }).state).toBe("broken");
    expect(driverVerdict({ family: "", grade: "unknown" }, has({}), [rule({ family: "" })])).toMatchObject(
      none,
    );
  });

  it("of this grade of chip outweighs advice on any, whoever gives it; then the nearer source", () => {
    const spoken = rule({ id: "any", says: "built-in", source: { kind: "bench", what: "" } });
    const clone = rule({
      id: "clone",
      says: "no-support",
      grade: "clone",
      source: { kind: "hearsay", what: "" },
    });
    expect(driverVerdict(chip, has({}), [spoken, clone])).toMatchObject({
      state: "broken",
      rules: [{ id: "clone" }],
      dissent: [{ id: "any" }],
    });
    fc.assert(
      fc.property(fc.shuffledSubarray([...SOURCE_KINDS], { minLength: 2 }), (kinds) => {
        const rules = kinds.map((kind, i) =>
          rule({ id: kind, says: "needs", driver: `d${i}`, source: { kind, what: "" } }),
        );
        const rank = ["bench", "maker", "club", "hearsay"];
        const [first] = [...kinds].sort((a, b) => rank.indexOf(a) - rank.indexOf(b));
        const told = driverVerdict(chip, has({}), rules);
        expect(told.rules.map((r) => r.id)).toEqual([first]);
        expect(told.dissent).toHaveLength(kinds.length - 1);
      }),
    );
  });

  it("that says the same is no dissent", () => {
    const rules = [
      rule({ id: "1", source: { kind: "bench", what: "" } }),
      rule({ id: "2", source: { kind: "hearsay", what: "" } }),
      rule({ id: "3", driver: "e", source: { kind: "hearsay", what: "" } }),
    ];
    expect(driverVerdict(chip, has({ d: "1" }), rules).dissent.map((r) => r.id)).toEqual(["3"]);
  });
});

describe("what would mend a driver", () => {
  it("installing, replacing, removing, each with its minutes", () => {
    const needs = rule({ range: [{ atLeast: "3.0" }] });
    const missing = driverVerdict(chip, has({}), [needs]);
    expect(missing).toMatchObject({
      breaks: [{ kind: "driver-missing", driver: "d", range: [{ atLeast: "3.0" }] }],
      changes: [{ kind: "put-driver", computer: "c", driver: "d" }],
    });
    const old = driverVerdict(chip, has({ d: "2.9" }), [needs]);
    expect(old).toMatchObject({
      breaks: [{ kind: "driver-other", has: "2.9" }],
      changes: [{ kind: "put-driver", had: "2.9" }],
    });
    const never = [rule({ says: "must-not" }), rule({ says: "built-in" })];
    const intruder = driverVerdict(chip, has({ d: "1" }), never);
    expect(intruder).toMatchObject({
      breaks: [{ kind: "driver-must-not", has: "1" }],
      changes: [{ kind: "remove-driver", driver: "d" }],
    });
    const minutes = [missing, old, intruder].flatMap((v) => v.changes ?? []).map(driverMinutes);
    expect(minutes).toEqual([DRIVER_MINUTES.put, DRIVER_MINUTES.replace, DRIVER_MINUTES.remove]);
    expect(driverVerdict(chip, has({}), never)).toMatchObject({ state: "sound", breaks: [] });
  });

  it("of two drivers that would do, the one that is there already; else the quicker", () => {
    const two = [rule({ id: "1", driver: "d" }), rule({ id: "2", driver: "e", range: [{ atLeast: "2" }] })];
    expect(driverVerdict(chip, has({ e: "2.1" }), two)).toMatchObject({ state: "sound", driver: "e" });
    expect(driverVerdict(chip, has({ e: "1.0" }), two).changes).toMatchObject([{ driver: "e", had: "1.0" }]);
  });

  it("a driver for another radio that takes over the port must go first", () => {
    const rules = [rule({ id: "1" }), rule({ id: "2", says: "must-not", driver: "intruder" })];
    const told = driverVerdict(chip, has({ d: "1.0", intruder: "7" }), rules);
    expect(told.breaks).toEqual([{ kind: "driver-must-not", driver: "intruder", has: "7" }]);
    expect(told.changes).toEqual([{ kind: "remove-driver", computer: "c", driver: "intruder" }]);
    const both = driverVerdict(chip, has({ intruder: "7" }), rules);
    expect(both.changes?.map((c) => c.kind)).toEqual(["remove-driver", "put-driver"]);
  });

  it("a version that the rules both want and forbid is out of reach", () => {
    const rules = [
      rule({ id: "1", range: [{ atLeast: "3.4" }] }),
      rule({ id: "2", says: "must-not", range: [{ atLeast: "3.0" }] }),
    ];
    const told = driverVerdict(chip, has({}), rules);
    expect(told.state).toBe("broken");
    expect(told.changes).toBeUndefined();
  });

  it("nothing is proposed where nobody may install, and nothing where there is no support", () => {
    expect(driverVerdict(chip, has({}, { admin: false }), [rule({})]).changes).toBeUndefined();
    expect(driverVerdict(chip, has({}), [rule({ says: "no-support" })])).toMatchObject({
      breaks: [{ kind: "no-support" }],
    });
    expect(driverVerdict(chip, has({}), [rule({ says: "no-support" })]).changes).toBeUndefined();
  });

  it("what is proposed, once done, makes it sound", () => {
    const version = fc.constantFrom("1", "2", "3");
    const advice = fc.record({
      says: fc.constantFrom("needs" as const, "must-not" as const, "built-in" as const),
      driver: fc.constantFrom("d", "e"),
      range: fc.option(
        version.map((v) => [{ atLeast: v }]),
        { nil: undefined },
      ),
    });
    const installed = fc.dictionary(fc.constantFrom("d", "e"), version, {
      maxKeys: 2,
      noNullPrototype: true,
    });
    fc.assert(
      fc.property(fc.array(advice, { minLength: 1, maxLength: 4 }), installed, (advices, drivers) => {
        const rules = advices.map(({ says, driver, range }, i) =>
          rule({ id: String(i), says, driver, ...(range && { range }) }),
        );
        const told = driverVerdict(chip, has(drivers), rules);
        if (told.state !== "broken" || !told.changes) return;
        const after = new Map<string, string>(Object.entries(drivers));
        for (const change of told.changes) {
          if (change.kind === "remove-driver") after.delete(change.driver);
          else {
            const fits = ["1", "2", "3", "4", "0"].find(
              (v) =>
                (change.range ?? []).every((s) => Number(v) >= Number(s.atLeast ?? 0)) &&
                !change.avoid.some((range) => range.every((s) => Number(v) >= Number(s.atLeast ?? 0))),
            );
            if (fits !== undefined) after.set(change.driver, fits);
          }
        }
        expect(driverVerdict(chip, computer({ drivers: after }), rules).state).toBe("sound");
      }),
      { numRuns: cases(600) },
    );
  });
});

const [plainTool] = kit().tools;
if (!plainTool) throw new Error("the plain kit has one tool");
const job: Job = { model: "m", plugs: ["two-pin"], operation: "flash", ways: [] };
const verdict = (tool: Tool, over: Partial<Computer> = {}, wants: Partial<Job> = {}) =>
  toolVerdict(tool, computer(over), { ...job, ...wants });

describe("a tool on a computer", () => {
  it("knows models and operations, and a release may name the one it wants, however that is written", () => {
    const other = { ...plainTool, id: "u", name: "Sedgewriter" };
    const ids = (wants: Partial<Job>) => toolsFor({ ...job, ...wants }, [plainTool, other]).map((t) => t.id);
    expect(ids({})).toEqual(["t", "u"]);
    expect(ids({ model: "n" })).toEqual([]);
    expect(ids({ operation: "write" })).toEqual([]);
    expect(ids({ tool: { name: " SEDGEWRITER" } })).toEqual(["u"]);
  });

  it("in the version that the release names, or else it is updated", () => {
    const wants = { tool: { name: "Hedgewriter", range: [{ atLeast: "1.8" }] } };
    expect(verdict(plainTool, {}, wants)).toMatchObject({
      state: "broken",
      version: "1.6",
      breaks: [{ kind: "tool-other", has: "1.6" }],
      changes: [{ kind: "put-tool", had: "1.6" }],
    });
    expect(verdict(plainTool, { tools: new Map([["t", "1.8"]]) }, wants)).toMatchObject({ state: "sound" });
    expect(verdict(plainTool, { tools: new Map() }, wants).breaks).toMatchObject([{ kind: "tool-missing" }]);
  });

  it("that no version of could do it offers no change", () => {
    const old: Tool = {
      ...plainTool,
      supports: [{ model: "m", operations: ["flash"], versions: [{ below: "1.5" }] }],
    };
    const wants = { tool: { name: "Hedgewriter", range: [{ atLeast: "1.8" }] } };
    expect(verdict(old, {}, wants).changes).toBeUndefined();
  });

  it("must go with the firmware: where no release says how, that is untried, except for reading", () => {
    const strict: Tool = { ...plainTool, matchesFirmware: true };
    expect(verdict(strict).state).toBe("untried");
    expect(verdict(strict, {}, { operation: "read" }).state).toBe("sound");
    const named = { tool: { name: "Hedgewriter", range: [{ atLeast: "1.0" }] } };
    expect(verdict(strict, {}, named).state).toBe("sound");
  });

  it("of which nobody has noted where it runs is untried; one that does not run there is broken", () => {
    expect(verdict({ ...plainTool, runsOn: [] }).state).toBe("untried");
    expect(verdict({ ...plainTool, runsOn: [{ system: "Linux" }] }).breaks).toEqual([
      { kind: "tool-system", tool: "t" },
    ]);
    expect(
      verdict({ ...plainTool, runsOn: [{ system: "Windows", versions: [{ below: "10" }] }] }).state,
    ).toBe("broken");
  });

  it("is judged by whichever of its supports serves best", () => {
    const several: Tool = {
      ...plainTool,
      supports: [
        { model: "m", operations: ["flash"], versions: [{ atLeast: "2" }] },
        {
          model: "m",
          operations: ["flash"],
          firmware: { component: "main", range: [{ below: "1" }] },
        },
        { model: "m", operations: ["flash"], versions: [{ atLeast: "1.5" }] },
      ],
    };
    expect(verdict(several, {}, { meets: () => false })).toMatchObject({ state: "sound", version: "1.6" });
    const worse = { ...several, supports: several.supports.slice(0, 2) };
    expect(verdict(worse, {}, { meets: () => false }).changes).toMatchObject([{ kind: "put-tool" }]);
  });
});

describe("advice that contradicts itself", () => {
  it("is untried at best, with both sides told; sound is only what all of it is content with", () => {
    const needs = rule({ id: "needs", says: "needs", driver: "d", source: { kind: "bench", what: "" } });
    const never = rule({ id: "never", says: "must-not", driver: "d", source: { kind: "hearsay", what: "" } });
    expect(driverVerdict(chip, has({ d: "1" }), [needs, never])).toMatchObject({
      state: "untried",
      breaks: [],
      rules: [{ id: "needs" }],
      dissent: [{ id: "never" }],
    });
    const content = rule({ id: "built", says: "built-in", source: { kind: "club", what: "" } });
    expect(driverVerdict(chip, has({ d: "1" }), [needs, content]).state).toBe("sound");
    const says = fc.constantFrom("built-in", "needs", "must-not", "no-support");
    const advice = fc.record({
      says,
      driver: fc.constantFrom("d", "e"),
      kind: fc.constantFrom(...SOURCE_KINDS),
    });
    const installed = fc.constantFrom<Record<string, string>>({}, { d: "1" }, { e: "1" }, { d: "1", e: "1" });
    fc.assert(
      fc.property(fc.array(advice, { minLength: 1, maxLength: 4 }), installed, (all, drivers) => {
        const rules = all.map(({ says, driver, kind }, i) =>
          rule({ id: `${i}`, says, driver, source: { kind, what: "" } }),
        );
        const told = driverVerdict(chip, has(drivers), rules);
        const refused = all.some(
          (one) => one.says === "no-support" || (one.says === "must-not" && one.driver in drivers),
        );
        if (refused) expect(told.state).not.toBe("sound");
      }),
      { numRuns: cases(500) },
    );
  });
});
