// Runs folded from events: against an oracle that walks the list by hand, and whatever comes in whatever order.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { GATES, type Happening, type RunEvent } from "./event.ts";
import { applyEvent, begin, foldRun, gateHolds, nextStep, type Run } from "./fold.ts";
import { type RunPlan, type RunStep, stepsOf } from "./plan.ts";

const minute = (n: number) => new Date(Date.UTC(2026, 5, 1, 18, n)).toISOString();
const plan: RunPlan = {
  purpose: "update",
  stages: [
    { name: "gather", title: "Gather", steps: [{ kind: "gather", what: "lead K-07", minutes: 1 }] },
    {
      name: "gates",
      title: "Before it begins",
      steps: [
        { kind: "gate", gate: "power", minutes: 1 },
        { kind: "gate", gate: "file", minutes: 1 },
      ],
    },
    { name: "flash", title: "Flash", steps: [{ kind: "machine", work: "flash", erases: true, minutes: 4 }] },
    {
      name: "read-back",
      title: "Read back",
      steps: [{ kind: "read-back", component: "main", version: "9", minutes: 1 }],
    },
    { name: "put-away", title: "Put away", steps: [{ kind: "put-away", what: "lead K-07", minutes: 1 }] },
  ],
};
type What = Happening;
const event = (number: number, what: What, at = minute(number)): RunEvent => ({
  id: `event-${number}`,
  number,
  at,
  by: "1",
  what,
});
const ran = (...what: What[]): Run =>
  foldRun(
    plan,
    what.map((one, i) => event(i + 1, one)),
  );
const seen: What = { kind: "seen" };
const power: What = { kind: "held", gate: "power", charge: 71 };
const file: What = { kind: "held", gate: "file" };
const started: What = { kind: "started" };

describe("a run", () => {
  it("goes through its steps one by one and is finished when all are done", () => {
    expect(nextStep(begin(plan))).toMatchObject({ place: 0, stage: 0, step: { kind: "gather" } });
    expect(ran(started, seen)).toMatchObject({ phase: "going", place: 1, number: 2 });
    expect(ran(started, seen, { kind: "finished" })).toMatchObject({
      phase: "going",
      unfit: [{ why: "not-done" }],
    });
    const all = ran(started, seen, power, file, seen, seen, seen, { kind: "finished" });
    expect(all).toMatchObject({ phase: "finished", place: 6, unfit: [] });
    expect(nextStep(all)).toBeUndefined();
  });

  it("what is odd is cured before it goes on, and the same step waits", () => {
    const odd = ran(started, seen, { kind: "odd", symptom: "no lamp" });
    expect(odd).toMatchObject({ odd: "no lamp", place: 1 });
    expect(ran(started, seen, { kind: "odd", symptom: "no lamp" }, seen)).toMatchObject({
      place: 1,
      unfit: [{ id: "event-4", why: "something-odd" }],
    });
    const cured = ran(
      started,
      seen,
      { kind: "odd", symptom: "no lamp" },
      { kind: "cured", cause: "flat", cure: "charged" },
    );
    expect(cured.odd).toBeUndefined();
    expect(cured.place).toBe(1);
    expect(ran(started, { kind: "cured", cause: "x", cure: "y" }).unfit).toEqual([
      { id: "event-2", why: "nothing-odd" },
    ]);
  });

  it("goes back, but past nothing that has changed the radio for good", () => {
    expect(ran(started, seen, power, { kind: "went-back", to: 0 })).toMatchObject({ place: 0, unfit: [] });
    expect(ran(started, seen, { kind: "went-back", to: 1 }).unfit).toEqual([
      { id: "event-3", why: "not-back" },
    ]);
    const flashed = ran(started, seen, power, file, seen, { kind: "went-back", to: 3 });
    expect(flashed).toMatchObject({ place: 4, unfit: [{ why: "final" }] });
  });

  it("what was done where nothing is written is kept by its step", () => {
    const open: RunPlan = {
      purpose: "read",
      stages: [{ name: "do", title: "t", steps: [{ kind: "open", wanted: "read its version", minutes: 1 }] }],
    };
    const run = foldRun(open, [event(1, started), event(2, { kind: "noted", text: "press 7" })]);
    expect([run.place, ...run.notes]).toEqual([1, [0, "press 7"]]);
  });

  it("a gate is not passed by saying so, but by what was looked at", () => {
    expect(ran(started, seen, seen)).toMatchObject({ place: 1, unfit: [{ why: "gate" }] });
    const low = ran(started, seen, { kind: "held", gate: "power", charge: 49 });
    expect(low).toMatchObject({ place: 1, unfit: [{ why: "gate-fails" }] });
    expect(ran(started, seen, { kind: "held", gate: "power", charge: 50 }).place).toBe(2);
    expect(ran(started, seen, { kind: "held", gate: "power", supply: true }).place).toBe(2);
    expect(ran(started, seen, { kind: "held", gate: "backup" })).toMatchObject({
      unfit: [{ why: "wrong-step" }],
    });
  });

  it("the file is the release's own, or there is nothing to compare with", () => {
    const [own, other] = ["a".repeat(64), "b".repeat(64)];
    const gate = (sha256?: string): RunStep => ({
      kind: "gate",
      gate: "file",
      ...(sha256 && { sha256 }),
      minutes: 1,
    });
    const held = (step: RunStep, sha256: string) =>
      step.kind === "gate" && gateHolds({ files: [] }, step, { sha256 });
    expect([held(gate(own), own), held(gate(own), other), held(gate(), other)]).toEqual([true, false, true]);
    const bad: RunStep = { kind: "gate", gate: "chain", bad: true, minutes: 1 };
    expect(held(bad, own)).toBe(false);
  });

  it("a machine works from its first sign of progress to its end, or to its failing", () => {
    const flashing: What[] = [started, seen, power, file, { kind: "progress", part: 0 }];
    expect(ran(...flashing).machineSince).toBe(minute(5));
    expect(ran(...flashing, { kind: "progress", part: 0.5 }).machineSince).toBe(minute(5));
    expect(ran(...flashing, seen).machineSince).toBeUndefined();
    expect(ran(...flashing, { kind: "machine-failed", symptom: "x" }).machineSince).toBeUndefined();
  });

  it("a gate is passed by with a reason where it stands; the file and the hardware never are", () => {
    const override: What = { kind: "overrode", gate: "power", reason: "on supply" };
    expect(ran(started, seen, override)).toMatchObject({ place: 2, overridden: ["power"], unfit: [] });
    expect(ran(started, override).unfit).toEqual([{ id: "event-2", why: "wrong-step" }]);
    expect(ran(started, seen, override, { kind: "overrode", gate: "file", reason: "I know" })).toMatchObject({
      place: 2,
      overridden: ["power"],
      unfit: [{ why: "firm-gate" }],
    });
  });

  it("an unknown hardware is said, and holds for one that what is planned is for", () => {
    const asks: RunPlan = {
      purpose: "update",
      stages: [
        {
          name: "gates",
          title: "Before it begins",
          steps: [
            {
              kind: "gate",
              gate: "hardware",
              minutes: 1,
              revisions: [
                { name: "A", tell: "", fits: true },
                { name: "B", tell: "", fits: false },
              ],
            },
          ],
        },
      ],
    };
    const holds = (revision?: string) =>
      gateHolds(begin(asks), asks.stages[0]?.steps[0] as Extract<RunStep, { kind: "gate" }>, { revision });
    expect([holds("A"), holds("B"), holds("C"), holds()]).toEqual([true, false, false, false]);
  });

  it("a machine that fails begins its step anew once it is cured; it is never less far than it was", () => {
    const flashing: What[] = [started, seen, power, file];
    const at = (part: number): What => ({ kind: "progress", part });
    expect(ran(...flashing, at(0.4), at(0.2)).part).toBe(0.4);
    const failed = ran(...flashing, at(0.4), { kind: "machine-failed", symptom: "loose plug" });
    expect(failed).toMatchObject({ odd: "loose plug", part: 0, place: 3 });
    expect(ran(started, at(0.1)).unfit).toEqual([{ id: "event-2", why: "wrong-step" }]);
  });

  it("is stopped at any time, and over then", () => {
    expect(ran({ kind: "stopped", reason: "late" })).toMatchObject({ phase: "stopped", unfit: [] });
    expect(ran(started, { kind: "stopped", reason: "late" }, seen)).toMatchObject({
      phase: "stopped",
      place: 0,
      unfit: [{ id: "event-3", why: "over" }],
    });
  });

  it("counts for each step what passed while it was going on, without pauses and without clocks that go back", () => {
    const run = foldRun(plan, [
      event(1, started, minute(0)),
      event(2, seen, minute(3)),
      event(3, { kind: "paused" }, minute(5)),
      event(4, { kind: "resumed" }, minute(45)),
      event(5, power, minute(46)),
      event(6, file, minute(40)),
    ]);
    expect([...run.took].map(([place, ms]) => [place, ms / 60_000])).toEqual([
      [0, 3],
      [1, 3],
      [2, 0],
    ]);
  });
});

const text = fc.constantFrom("a", "b");
const anyWhat: fc.Arbitrary<What> = fc.oneof(
  fc.constantFrom<What>(
    started,
    seen,
    seen,
    seen,
    { kind: "paused" },
    { kind: "resumed" },
    { kind: "finished" },
  ),
  text.map((symptom): What => ({ kind: "odd", symptom })),
  text.map((symptom): What => ({ kind: "machine-failed", symptom })),
  text.map((reason): What => ({ kind: "stopped", reason })),
  text.map((cause): What => ({ kind: "cured", cause, cure: "c" })),
  fc.nat({ max: 8 }).map((to): What => ({ kind: "went-back", to })),
  fc.constantFrom(...GATES).map((gate): What => ({ kind: "overrode", gate, reason: "r" })),
  fc
    .record({
      gate: fc.constantFrom(...GATES),
      charge: fc.constantFrom(10, 50, 71),
      sha256: fc.constantFrom("a".repeat(64), "b".repeat(64), undefined),
    })
    .map(({ sha256, ...held }): What => ({ kind: "held", ...held, ...(sha256 !== undefined && { sha256 }) })),
  fc
    .record({
      sha256: fc.constantFrom("a".repeat(64), "b".repeat(64)),
      role: fc.constantFrom("backup" as const, "read-again" as const),
    })
    .map((file): What => ({ kind: "file-kept", ...file })),
  fc.double({ min: 0, max: 1, noNaN: true }).map((part): What => ({ kind: "progress", part })),
  text.map((one): What => ({ kind: "noted", text: one })),
  fc.boolean().map((transmits): What => ({ kind: "probed", transmits })),
  text.map((raw): What => ({ kind: "reading", component: "main", raw })),
);
const anyStep: fc.Arbitrary<RunStep> = fc.constantFrom<RunStep>(
  { kind: "gather", what: "x", minutes: 1 },
  { kind: "gate", gate: "power", minutes: 1 },
  { kind: "gate", gate: "power", floor: 60, minutes: 1 },
  { kind: "gate", gate: "backup", minutes: 1 },
  { kind: "gate", gate: "file", sha256: "a".repeat(64), minutes: 1 },
  { kind: "gate", gate: "hardware", bad: true, minutes: 1 },
  { kind: "gate", gate: "base", bad: true, minutes: 1 },
  { kind: "paired", device: "d", minutes: 1 },
  { kind: "gate", gate: "same", minutes: 1 },
  { kind: "gate", gate: "same", sha256: "b".repeat(64), minutes: 1 },
  { kind: "machine", work: "flash", erases: false, minutes: 1 },
  { kind: "machine", work: "read", erases: false, minutes: 1 },
  { kind: "open", wanted: "how", minutes: 1 },
  { kind: "switched", mode: "wide", erases: false, minutes: 1 },
  { kind: "probe", frequency: 145_000_000, transmits: true, minutes: 1 },
);
const anyPlan: fc.Arbitrary<RunPlan> = fc
  .array(fc.array(anyStep, { maxLength: 3 }), { maxLength: 4 })
  .map((stages) => ({
    purpose: "procedure",
    stages: stages.map((steps) => ({ name: "do", title: "t", steps })),
  }));

/** The same by another road: a list of lines, looked at from the end for what counts. */
function walked(made: RunPlan, events: readonly What[]) {
  const steps = made.stages.flatMap((stage) => [...stage.steps]);
  let done: RunStep[] = [];
  let mood: "ready" | "going" | "paused" | "stopped" | "finished" = "ready";
  let trouble: string | null = null;
  let odd = 0;
  const kept = { backup: "", "read-again": "" };
  for (const what of events) {
    const here = steps[done.length];
    const goes = mood === "going";
    const isOver = mood === "stopped" || mood === "finished";
    let fits = false;
    if (isOver) fits = false;
    else if (what.kind === "stopped") [fits, mood] = [true, "stopped"];
    else if (what.kind === "started") {
      if (mood === "ready") [fits, mood] = [true, "going"];
    } else if (what.kind === "resumed") {
      if (mood === "paused") [fits, mood] = [true, "going"];
    } else if (!goes) fits = false;
    else if (what.kind === "paused") [fits, mood] = [true, "paused"];
    else if (what.kind === "finished") {
      if (!here) [fits, mood] = [true, "finished"];
    } else if (what.kind === "seen") {
      if (here && here.kind !== "gate" && here.kind !== "probe" && trouble === null)
        [fits, done] = [true, [...done, here]];
    } else if (what.kind === "held") {
      if (trouble === null && here?.kind === "gate" && here.gate === what.gate) {
        const enough = {
          power: what.supply || (what.charge ?? 0) >= (here.floor === undefined ? 50 : here.floor),
          backup: kept.backup !== "",
          same: [what.sha256 || kept["read-again"], ""].includes(here.sha256 || kept.backup),
          file: !here.sha256 || here.sha256 === what.sha256,
          hardware: !here.bad,
          base: !here.bad,
          chain: !here.bad,
        };
        if (enough[what.gate]) [fits, done] = [true, [...done, here]];
      }
    } else if (what.kind === "probed") {
      if (here?.kind === "probe" && trouble === null) {
        fits = true;
        if (here.transmits === what.transmits) done = [...done, here];
        else
          trouble = `It ${what.transmits ? "transmits" : "does not transmit"} where this mode should${what.transmits ? " not" : ""}.`;
      }
    } else if (what.kind === "noted") {
      if (here?.kind === "open" && trouble === null) [fits, done] = [true, [...done, here]];
    } else if (what.kind === "file-kept") {
      if (here) [fits, kept[what.role]] = [true, what.sha256];
    } else if (what.kind === "odd") {
      if (here && trouble === null) [fits, trouble] = [true, what.symptom];
    } else if (what.kind === "machine-failed") {
      if (here?.kind === "machine" && trouble === null) [fits, trouble] = [true, what.symptom];
    } else if (what.kind === "progress") fits = here?.kind === "machine" && trouble === null;
    else if (what.kind === "cured") {
      if (trouble !== null) [fits, trouble] = [true, null];
    } else if (what.kind === "went-back") {
      const undone = done.slice(what.to);
      const hard = undone.some(
        (s) => s.kind === "read-back" || s.kind === "switched" || (s.kind === "machine" && s.work !== "read"),
      );
      if (what.to < done.length && !hard) [fits, done, trouble] = [true, done.slice(0, what.to), null];
    } else if (what.kind === "overrode") {
      if (
        trouble === null &&
        here?.kind === "gate" &&
        here.gate === what.gate &&
        what.gate !== "file" &&
        what.gate !== "hardware"
      )
        [fits, done] = [true, [...done, here]];
    } else fits = here !== undefined;
    if (!fits) odd++;
  }
  return { phase: mood, place: done.length, odd: trouble ?? undefined, unfit: odd };
}

describe("any events in any order", () => {
  it("never make it throw, and lead where walking through them by hand leads", () => {
    fc.assert(
      fc.property(anyPlan, fc.array(anyWhat, { maxLength: 40 }), (made, whats) => {
        const run = foldRun(
          made,
          whats.map((what, i) => event(i + 1, what)),
        );
        const { phase, place, odd, unfit, number } = run;
        expect({ phase, place, odd, unfit: unfit.length }).toEqual(walked(made, whats));
        expect(number).toBe(whats.length);
        expect(place).toBeLessThanOrEqual(stepsOf(made).length);
      }),
      { numRuns: cases(500) },
    );
  });

  it("out of number are told of what is there, and change nothing", () => {
    fc.assert(
      fc.property(
        fc.array(anyWhat, { maxLength: 10 }),
        anyWhat,
        fc.integer({ min: 1, max: 30 }),
        (whats, what, number) => {
          const run = foldRun(
            plan,
            whats.map((one, i) => event(i + 1, one)),
          );
          const taken = applyEvent(run, event(number, what));
          if (number === whats.length + 1) expect(taken.kind).not.toBe("meanwhile");
          else expect(taken).toEqual({ kind: "meanwhile", number: whats.length });
        },
      ),
    );
  });
});

describe("a measuring step", () => {
  const measuring: RunPlan = {
    purpose: "measure",
    stages: [
      {
        name: "measure",
        title: "How strong is it?",
        steps: [
          { kind: "gather", what: "dummy load D", minutes: 1 },
          { kind: "measure", rated: 5, minutes: 3 },
        ],
      },
    ],
  };
  const folded = (...what: What[]) =>
    foldRun(
      measuring,
      what.map((one, i) => event(i + 1, one)),
    );
  const measured: What = { kind: "measured", watts: 4.6, meter: "MW-1" };

  it("takes what the meter shows, or is passed by; nothing is measured elsewhere", () => {
    expect(folded(started, seen, measured).place).toBe(2);
    expect(folded(started, seen, seen).place).toBe(2);
    const early = folded(started, measured);
    expect(early.place).toBe(0);
    expect(early.unfit).toMatchObject([{ why: "wrong-step" }]);
    const odd = folded(started, seen, { kind: "odd", symptom: "smoke" }, measured);
    expect(odd.unfit).toMatchObject([{ why: "something-odd" }]);
  });
});
