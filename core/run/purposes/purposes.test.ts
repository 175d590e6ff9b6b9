// Plans of runs: every install of a way, each with the procedures for the firmware it meets then.
import { describe, expect, it } from "vitest";
import { plain } from "../../quantities/index.ts";
import { catalogueOf, conditionsShape, type Release } from "../../release/index.ts";
import { stateOfUnit, wayOf } from "../../route/index.ts";
import { PLAIN_POLICY, type UnitFacts } from "../../unit/index.ts";
import { sendings, withGathered } from "../blocks.ts";
import { placeAgain, type RunPlan, stepsOf, withoutGuarded, withoutNotes } from "../plan.ts";
import { holdsFor, type KnownProcedure, needsGates } from "../procedure.ts";
import { composeBackup } from "./backup.ts";
import { composeMeasure } from "./measure.ts";
import { composeMode } from "./mode.ts";
import { composeProcedure } from "./procedure.ts";
import { composeRead } from "./read.ts";
import { composeRestore } from "./restore.ts";
import { composeUpdate, type UpdateFacts } from "./update.ts";

const release = (version: string, conditions: object = {}): Release => ({
  id: version,
  version,
  aliases: [],
  track: "factory",
  releasedOn: plain("2026-01-01"),
  fixes: [],
  conditions: conditionsShape.parse(conditions),
});
const catalogueWith = (...more: Release[]) =>
  catalogueOf([
    {
      id: "main",
      name: "main",
      numbering: { kind: "dotted" },
      suffixes: [],
      releases: [release("1.0"), ...more],
    },
  ]);
const unit: UnitFacts = {
  id: "u",
  hardwareRevision: "A",
  addedOn: plain("2026-01-01"),
  readings: [{ id: "r", component: "main", raw: "1.0", source: "screen", at: "", on: plain("2026-01-02") }],
};
const procedure = (
  id: string,
  purpose: KnownProcedure["purpose"],
  more: Partial<KnownProcedure> = {},
): KnownProcedure => ({
  id,
  purpose,
  title: id,
  effect: "harmless",
  steps: [{ kind: "note", what: id }],
  minutes: 4,
  draft: false,
  ...more,
});
const upTo = (most: string) => ({ component: "main", range: [{ below: most }] });
const from = (least: string) => ({ component: "main", range: [{ atLeast: least }] });

const catalogue = catalogueWith(
  release("1.5", { erases: "settings", minutes: 7 }),
  release("2.0", { from: [{ atLeast: "1.5" }] }),
);
const state = stateOfUnit(unit, catalogue);
const update = (
  procedures: readonly KnownProcedure[],
  releases = catalogue,
  to = "2.0",
  more: Partial<UpdateFacts> = {},
) => {
  const { result } = wayOf(unit, releases, PLAIN_POLICY, new Map([["main", to]]));
  if (!result.ok) throw new Error("there is a way");
  return composeUpdate({
    unit,
    catalogue: releases,
    state,
    route: result.value,
    procedures,
    gather: ["lead K-07"],
    guards: { sums: new Map([["1.5", "a".repeat(64)]]) },
    ...more,
  });
};
const notes = (plan: ReturnType<typeof update>, name: string) =>
  plan.stages
    .filter((stage) => stage.name === name)
    .map(({ steps }) =>
      steps.flatMap((s) =>
        s.kind === "do" && s.step.kind === "note" ? s.step.what : s.kind === "open" ? "open" : [],
      ),
    );

describe("an update over a stepping stone", () => {
  it("has its stages in order, an install after the other", () => {
    expect(update([]).stages.map((stage) => stage.name)).toEqual([
      ...["gather", "gates", "back-up"],
      ...["enter", "flash", "read-back"],
      ...["enter", "flash", "read-back"],
      ...["restore", "after", "put-away"],
    ]);
  });

  it("takes for each install the procedure for the firmware that the radio has by then", () => {
    const old = procedure("old keys", "update-mode", { firmware: upTo("1.5") });
    const late = procedure("new keys", "update-mode", { firmware: from("1.5") });
    const menu = procedure("menu", "read-version", { firmware: from("2.0") });
    const plan = update([old, late, menu]);
    expect(notes(plan, "enter")).toEqual([["old keys"], ["new keys"]]);
    // After the first install it shows the new version: how that is read is asked of what runs by then.
    expect(notes(plan, "read-back")).toEqual([["open"], ["menu"]]);
  });

  it("says of each flash what it erases, and checks the file before each; the version is read after each", () => {
    const steps = stepsOf(update([])).map(({ step }) => step);
    const flashes = steps.filter((s) => s.kind === "machine" && s.work === "flash");
    expect(flashes.map((s) => s.kind === "machine" && [s.erases, s.minutes])).toEqual([
      [true, 7],
      [false, 5],
    ]);
    expect(steps.filter((s) => s.kind === "read-back").map((s) => s.version)).toEqual(["1.5", "2.0"]);
    // Where its sum is known; else it is only asked about.
    for (const [i, step] of steps.entries())
      if (step.kind === "machine" && step.work === "flash") {
        const before = steps.slice(0, i);
        const asked = before.findLast(
          (s) => s.kind === "gate" || (s.kind === "do" && s.step.kind === "confirm"),
        );
        expect(asked).toMatchObject(
          step.sha256 ? { gate: "file", sha256: step.sha256 } : { step: { kind: "confirm" } },
        );
      }
  });

  it("backs up before anything is flashed, erased or not; writes back only where something is erased", () => {
    const steps = stepsOf(update([])).map(({ step }) => step);
    const backup = steps.findIndex((s) => s.kind === "gate" && s.gate === "backup");
    expect(backup).toBeGreaterThan(0);
    expect(backup).toBeLessThan(steps.findIndex((s) => s.kind === "machine" && s.work === "flash"));
    const harmless = update([], catalogueWith(release("1.1")), "1.1");
    const stages = ["gather", "gates", "back-up", "enter", "flash", "read-back", "put-away"];
    expect(harmless.stages.map((s) => s.name)).toEqual(stages);
    // Unless a keeper has said otherwise of its model.
    const without = update([], catalogueWith(release("1.1")), "1.1", { backsUpOnlyErasing: true });
    expect(without.stages.map((s) => s.name)).toEqual(stages.filter((name) => name !== "back-up"));
    const erased = update([], undefined, undefined, { backsUpOnlyErasing: true });
    expect(erased.stages.map((s) => s.name)).toContain("back-up");
  });

  it("turns it on before a computer reads it or writes into it, where no step says so", () => {
    const bare = { unit, catalogue, state, procedures: [], gather: [], guards: { sums: new Map() } };
    for (const { stages } of [update([]), composeBackup(bare)])
      for (const { name, steps } of stages) {
        const machine = steps.findIndex((step) => step.kind === "machine" && step.work !== "flash");
        if (name === "back-up" || name === "restore")
          expect(steps.slice(0, machine)).toContainEqual(
            expect.objectContaining({ step: { kind: "turn", to: "on" } }),
          );
      }
  });

  it("after a failed flash goes on where it is brought into update mode, and elsewhere where it is", () => {
    const plan = update([]);
    const steps = stepsOf(plan);
    for (const { step, place, stage } of steps) {
      const to = placeAgain(plan, place);
      if (step.kind !== "machine" || step.work !== "flash") expect(to).toBeUndefined();
      else {
        const enter = plan.stages.findLastIndex(({ name }, i) => i < stage && name === "enter");
        expect(to).toBe(steps.find((one) => one.stage === enter)?.place);
      }
    }
  });
});

describe("a mode", () => {
  const facts = {
    unit,
    catalogue,
    state,
    procedures: [],
    gather: ["lead K-07"],
    guards: { sums: new Map() },
  };
  const probes = [{ frequency: 147_000_000, transmits: true, outside: true }];
  const names = (plan: RunPlan) => plan.stages.map(({ name }) => name);
  it("is entered as it is written, noted, and proved; nothing else where nothing is erased", () => {
    const enter = procedure("keys", "change-mode", {});
    const plan = composeMode(facts, { name: "wide", erases: "nothing", enter, beyond: true, probes });
    expect(names(plan)).toEqual(["gather", "enter", "probe", "put-away"]);
    expect(plan.stages[1]?.steps).toMatchObject([
      { kind: "do", of: "keys" },
      { kind: "switched", mode: "wide", erases: false, beyond: true },
    ]);
    expect(plan.stages[2]?.steps).toEqual([
      { kind: "probe", frequency: 147_000_000, transmits: true, outside: true, minutes: 1 },
    ]);
    expect(sendings(plan)).toBe(1);
  });

  it("by steps that unlock, or a setting that leads beyond, is guarded: others see as many steps, and nothing of those", () => {
    const unlocking = procedure("keys", "change-mode", { effect: "unlock" });
    const told = { name: "wide", erases: "nothing" as const, probes: [] };
    const written = composeMode(facts, { ...told, enter: unlocking, beyond: true });
    const set = composeMode(facts, { ...told, setting: "Hedgewriter: Range > wide", beyond: true });
    for (const [plan, secret] of [
      [written, '"what":"keys"'],
      [set, "Hedgewriter"],
    ] as const) {
      expect(JSON.stringify(plan)).toContain(secret);
      const seen = withoutGuarded(plan);
      expect(JSON.stringify(seen)).not.toContain(secret);
      expect(stepsOf(seen)).toHaveLength(stepsOf(plan).length);
      expect(seen.stages[2]).toEqual(plan.stages[2]);
    }
    // Whether it leads beyond is not always known: a setting is guarded in any case. What is harmless is for everybody.
    const back = composeMode(facts, { ...told, setting: "Hedgewriter: Range > wide", beyond: false });
    expect(JSON.stringify(withoutGuarded(back))).not.toContain("Hedgewriter");
    expect(withoutGuarded(composeProcedure(procedure("keys", "read-version")))).toEqual(
      composeProcedure(procedure("keys", "read-version")),
    );
  });

  it("that erases is backed up before and written back after; without a way it is set in the tool, or nobody has written how", () => {
    const told = { name: "wide", erases: "codeplug" as const, beyond: false, probes: [] };
    const plan = composeMode(facts, { ...told, setting: "Hedgewriter: Range > wide" });
    expect(names(plan)).toEqual(["gather", "gates", "back-up", "enter", "restore", "after", "put-away"]);
    expect(plan.stages[3]?.steps[0]).toMatchObject({
      kind: "do",
      step: { kind: "confirm", what: "Hedgewriter: Range > wide" },
    });
    expect(composeMode(facts, told).stages[3]?.steps[0]).toMatchObject({ kind: "open" });
  });
});

describe("machine work", () => {
  const machines = (plan: ReturnType<typeof update>) =>
    stepsOf(plan).flatMap(({ step }) => (step.kind === "machine" ? [step] : []));
  it("takes the place of the step that calls for a tool, and names it", () => {
    const flash = procedure("by lead", "flash", {
      steps: [
        { kind: "connect", what: "the lead" },
        { kind: "tool", name: "Hedgewriter", act: "write" },
        { kind: "wait", seconds: 5 },
      ],
    });
    const plan = update([flash], catalogueWith(release("1.1", { minutes: 3 })), "1.1", {
      backsUpOnlyErasing: true,
    });
    const kinds = (name: string) =>
      plan.stages
        .find((stage) => stage.name === name)
        ?.steps.map((s) => (s.kind === "do" ? s.step.kind : s.kind));
    // No mode is written down in which it would be on.
    expect(kinds("flash")).toEqual(["confirm", "turn", "connect", "machine"]);
    // What is written for after it is how it starts.
    expect(kinds("boot")).toEqual(["wait"]);
    expect(machines(plan)).toMatchObject([
      { work: "flash", component: "main", version: "1.1", tool: "Hedgewriter: write", erases: false },
    ]);
  });

  it("writes what the release's file is known by into the gate before it", () => {
    const gates = stepsOf(update([])).flatMap(({ step }) => (step.kind === "gate" ? [step] : []));
    expect(gates.filter(({ gate }) => gate === "file").map(({ sha256 }) => sha256)).toEqual(["a".repeat(64)]);
  });

  it("reads first, and only then writes, and reads again to compare, wherever anything is written", () => {
    const facts = { unit, catalogue, state, procedures: [], gather: [], guards: { sums: new Map() } };
    expect(machines(composeBackup(facts)).map(({ work }) => work)).toEqual(["read"]);
    const back = composeRestore(facts, "b".repeat(64));
    expect(machines(back).map(({ work, sha256, again }) => [work, sha256, again])).toEqual([
      ["read", undefined, undefined],
      ["write", "b".repeat(64), undefined],
      ["read", undefined, true],
    ]);
    expect(back.stages.slice(-2).flatMap(({ steps }) => steps.slice(-1))).toMatchObject([
      { kind: "gate", gate: "same", sha256: "b".repeat(64) },
      { kind: "do", step: { kind: "confirm" } },
    ]);
    const places = stepsOf(back);
    const kept = places.find(({ step }) => step.kind === "gate" && step.gate === "backup")?.place ?? 99;
    expect(kept).toBeLessThan(
      places.find(({ step }) => step.kind === "machine" && step.work === "write")?.place ?? 0,
    );
  });

  it("what is known to fail stands in its gate, and the floor of the charge too", () => {
    const guards = { sums: new Map(), floor: 70, chain: { what: "K-04", bad: true } };
    const plan = composeRestore(
      { unit, catalogue, state, procedures: [], gather: [], guards },
      "b".repeat(64),
    );
    const gates = stepsOf(plan).flatMap(({ step }) => (step.kind === "gate" ? [step] : []));
    expect(gates).toMatchObject([
      { gate: "power", floor: 70 },
      { gate: "chain", bad: true, what: "K-04" },
      { gate: "backup" },
      { gate: "same" },
    ]);
  });

  it("where it transmits, a load is got and put away beside the rest", () => {
    const keyUp = procedure("k", "update-mode", { steps: [{ kind: "key-up", what: "into a load" }] });
    const plan = update([keyUp], catalogueWith(release("1.1")), "1.1");
    expect(sendings(plan)).toBe(1);
    expect(sendings(update([], catalogueWith(release("1.1")), "1.1"))).toBe(0);
    const ends = ({ stages }: RunPlan) => [stages[0], stages.at(-1)];
    expect(ends(withGathered(plan, "dummy load DL-1"))).toMatchObject([
      { name: "gather", steps: [{ what: "lead K-07, dummy load DL-1" }] },
      { name: "put-away", steps: [{ what: "lead K-07, dummy load DL-1" }] },
    ]);
    const bare = withGathered(composeProcedure(keyUp), "a dummy load");
    expect(bare.stages.map(({ name }) => name)).toEqual(["gather", "do", "put-away"]);
    expect(ends(bare)).toMatchObject([
      { steps: [{ what: "a dummy load" }] },
      { steps: [{ kind: "put-away" }] },
    ]);
  });

  it("is not told twice in a row to turn it on", () => {
    const on = { kind: "turn", to: "on" } as const;
    const flash = procedure("f", "flash", { steps: [{ kind: "tool", name: "H" }, on] });
    const read = procedure("r", "read-version", { steps: [on, { kind: "press", keys: ["*"] }] });
    const enter = procedure("u", "update-mode", { steps: [{ kind: "press", keys: ["*"] }] });
    const more = { backsUpOnlyErasing: true };
    const plan = update([enter, flash, read], catalogueWith(release("1.1")), "1.1", more);
    const turns = stepsOf(plan).filter(({ step }) => step.kind === "do" && step.step.kind === "turn");
    expect(turns).toHaveLength(1);
  });
});

describe("the gate for the hardware", () => {
  const revisions = [
    { id: "A", name: "old", tell: "a round knob" },
    { id: "B", name: "new", tell: "" },
  ];
  const gateOf = (more: Partial<UpdateFacts>, procedures: KnownProcedure[] = [], releases = catalogue) =>
    stepsOf(update(procedures, releases, "2.0", more)).flatMap(({ step }) =>
      step.kind === "gate" && step.gate === "hardware" ? [step] : [],
    );
  const unknown: UnitFacts = { ...unit, hardwareRevision: undefined };
  const guards = { sums: new Map<string, string>(), revisions };

  it("is passed by what is noted; where nobody has noted it, it is asked for; where none is known, somebody looks", () => {
    expect(gateOf({ guards })).toEqual([]);
    expect(gateOf({ guards, unit: unknown })).toMatchObject([
      {
        revisions: [
          { name: "old", tell: "a round knob", fits: true },
          { name: "new", fits: true },
        ],
      },
    ]);
    expect(gateOf({ unit: unknown })).toEqual([{ kind: "gate", gate: "hardware", minutes: 1 }]);
  });

  it("holds for no revision for which another procedure would be taken, or a release is not", () => {
    const other = procedure("other", "restore", { hardwareRevisions: ["B"] });
    const usual = procedure("usual", "restore");
    const fits = (gates: ReturnType<typeof gateOf>) => gates[0]?.revisions?.map((one) => one.fits);
    expect(fits(gateOf({ guards, unit: unknown }, [other, usual]))).toEqual([false, true]);
    const picky = catalogueWith(release("1.5"), { ...release("2.0"), hardwareRevisions: ["A"] });
    const { result } = wayOf(unit, picky, PLAIN_POLICY, new Map([["main", "2.0"]]));
    if (!result.ok) throw new Error("there is a way");
    expect(fits(gateOf({ guards, unit: unknown, route: result.value, catalogue: picky }))).toEqual([
      true,
      false,
    ]);
  });
});

describe("which procedure holds", () => {
  const moment = { unit, catalogue, state };
  it.each([
    ["any", {}, true],
    ["a draft", { draft: true }, false],
    ["its firmware", { firmware: upTo("1.5") }, true],
    ["other firmware", { firmware: from("1.5") }, false],
    ["its hardware", { hardwareRevisions: ["A", "B"] }, true],
    ["other hardware", { hardwareRevisions: ["B"] }, false],
  ] as const)("%s", (_, more, holds) => {
    expect(holdsFor(procedure("p", "flash", more as Partial<KnownProcedure>), moment)).toBe(holds);
  });
  it("what is not known of the radio speaks against none", () => {
    const unknown = { unit: {}, catalogue, state: new Map() };
    expect(holdsFor(procedure("p", "flash", { hardwareRevisions: ["B"] }), unknown)).toBe(true);
    expect(holdsFor(procedure("p", "flash", { firmware: from("1.5") }), unknown)).toBe(true);
  });
});

it.each([
  ["read-version", "harmless", false],
  ["update-mode", "harmless", false],
  ["service-menu", "unlock", true],
  ["change-mode", "mode", true],
  ["back-up", "harmless", false],
  ["read-version", "erase", true],
  ["flash", "harmless", true],
  ["recover", "harmless", true],
  ["restore", "harmless", true],
  ["factory-reset", "harmless", true],
] as const)("%s that is %s needs gates: %s", (purpose, effect, needs) => {
  expect(needsGates({ purpose, effect })).toBe(needs);
});

it("a procedure is a plan of its own steps, and its minutes are spread over them", () => {
  const steps = [
    { kind: "turn", to: "on" },
    { kind: "wait", seconds: 3 },
  ] as const;
  const plan = composeProcedure(procedure("Wake it", "recover", { steps, minutes: 6 }));
  expect(plan.stages).toMatchObject([{ name: "do", title: "Wake it" }]);
  expect(stepsOf(plan).map(({ step }) => step.minutes)).toEqual([3, 3]);
});

it("reading follows how the version is read, and ends with what is shown", () => {
  const how = procedure("menu", "read-version");
  const plan = composeRead({ unit, catalogue, state, procedures: [how], component: "main" });
  expect(stepsOf(plan).map(({ step }) => step.kind)).toEqual(["do", "read-back"]);
  const without = composeRead({ unit, catalogue, state, procedures: [], component: "main" });
  expect(stepsOf(without).map(({ step }) => step.kind)).toEqual(["open", "read-back"]);
});

describe("measuring", () => {
  it("comes after the flash where the group asks for it, with a load; and stands alone", () => {
    const plan = composeMeasure({ rated: 5 });
    expect(plan.stages.map(({ name }) => name)).toEqual(["measure"]);
    expect(plan.stages[0]?.steps).toEqual([{ kind: "measure", rated: 5, minutes: 3 }]);
    expect(sendings(plan)).toBe(1);
    expect(withGathered(plan, "dummy load D").stages.map(({ name }) => name)).toEqual([
      "gather",
      "measure",
      "put-away",
    ]);
    expect(composeMeasure({}).stages[0]?.steps[0]).not.toHaveProperty("rated");
  });
});

it("what was noted in a run that switches a mode is not told to those who may not see it; of other runs it is", () => {
  const noted = [
    { what: { kind: "noted" as const, text: "hold talk and 5" } },
    { what: { kind: "odd" as const, symptom: "it wants talk and 5" } },
    { what: { kind: "machine-failed" as const, symptom: "no answer to talk and 5" } },
    { what: { kind: "cured" as const, cause: "not talk", cure: "held talk and 5" } },
    { what: { kind: "overrode" as const, gate: "backup" as const, reason: "talk and 5" } },
    { what: { kind: "stopped" as const, reason: "nobody knows talk and 5" } },
    { what: { kind: "seen" as const } },
  ];
  const [hold] = composeProcedure(procedure("unlock", "service-menu", { effect: "unlock" })).stages;
  for (const plan of [
    { purpose: "mode" as const, stages: [] },
    { purpose: "procedure" as const, stages: hold ? [hold] : [] },
  ]) {
    expect(JSON.stringify(withoutNotes(plan, noted))).not.toContain("talk");
    expect(withoutNotes(plan, noted)).toHaveLength(noted.length);
  }
  expect(withoutNotes({ purpose: "update", stages: [] }, noted)).toEqual(noted);
});
