// Practice: the right way is clean, a wrong key is named with what it would have done, a fault is found.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSteps } from "#core/dossier/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { DOSSIERS } from "#demo/data/dossiers.ts";
import { atomsOf } from "./atoms.ts";
import {
  beginPractice,
  type Exercise,
  findCause,
  isClean,
  type Practice,
  type PracticeDeed,
  tryDeed,
} from "./practice.ts";

const exercise = (model: string, title: string): Exercise => {
  const dossier = DOSSIERS[model];
  const ways = (dossier?.procedures ?? []).map((p) => ({
    id: p.title,
    purpose: p.purpose,
    title: p.title,
    steps: readSteps(p.steps, undefined).steps.map(({ step }) => step),
  }));
  return {
    kind: { name: model, ways, reading: dossier?.reading ?? {} },
    target: title,
    effects: Object.fromEntries((dossier?.procedures ?? []).map((p) => [p.title, p.effect ?? "harmless"])),
    runs: { main: "1.08" },
  };
};
const through = (of: Exercise, deeds: readonly PracticeDeed[], start = beginPractice(of, 1)): Practice =>
  deeds.reduce((practice, deed) => tryDeed(of, practice, deed), start);
/** What the procedure asks for, as a hand does it. */
const right = ({ kind, target }: Exercise): PracticeDeed[] =>
  atomsOf(kind.ways.find(({ id }) => id === target)?.steps ?? []).map((atom) =>
    atom.kind === "hold" ? { ...atom, seconds: atom.seconds ?? 1 } : atom,
  );

describe.each(
  Object.entries(DOSSIERS).flatMap(([model, { procedures }]) =>
    procedures.map(({ title }) => [model, title] as const),
  ),
)("%s: %s", (model, title) => {
  it("done as it is written, the try is clean", () => {
    const of = exercise(model, title);
    const end = through(of, right(of));
    if (right(of).length > 0) expect(isClean(end), JSON.stringify(end.verdict)).toBe(true);
  });
});

const enter = exercise("Wicket", "Enter update mode");

describe("a wrong deed", () => {
  it("names what was expected, and what it would have been the beginning of", () => {
    const end = through(enter, [
      { kind: "turn", to: "off" },
      { kind: "hold", keys: ["talk", "6"], turn: "on", seconds: 2 },
    ]);
    expect(end.verdict).toMatchObject({
      kind: "wrong",
      because: "keys",
      expected: { kind: "hold", keys: ["talk", "5"] },
      instead: { title: "Reset to what it was when new", effect: "erase", whole: false },
    });
    expect(end.radio.signs.screen).toBe('"INIT ?"');
    expect(isClean(end)).toBe(false);
    const over = through(enter, right(enter), end);
    expect(over).toMatchObject({ verdict: { kind: "finished" }, wrong: 1 });
    expect(isClean(over)).toBe(false);
  });

  it("held too short is said to be that", () => {
    const reset = exercise("Wicket II", "Reset the menu");
    const end = through(reset, [
      { kind: "turn", to: "off" },
      { kind: "hold", keys: ["red"], turn: "on", seconds: 4 },
    ]);
    expect(end.verdict).toMatchObject({ kind: "wrong", because: "too-short" });
  });

  it("of which nothing comes has nothing beside it", () => {
    const end = through(enter, [{ kind: "press", key: "1" }]);
    expect(end.verdict).toMatchObject({ kind: "wrong", because: "order" });
    expect(end.verdict).not.toHaveProperty("instead");
  });
});

describe("a fault", () => {
  const flash = exercise("Wicket", "Flash with the data lead");
  it("stops the tool until its cause is found", () => {
    const start = beginPractice(flash, 1, "loose-plug");
    const stopped = through(flash, [{ kind: "connect" }, { kind: "tool" }], start);
    expect(stopped.verdict).toEqual({ kind: "stopped", symptom: "It stopped half way." });
    expect(findCause(stopped, "no-port")).toMatchObject({ wrong: 1, fault: "loose-plug" });
    const found = findCause(stopped, "loose-plug");
    const end = through(flash, right(flash).slice(1), found);
    expect(isClean(end)).toBe(true);
  });
});

it("no order of deeds makes it throw, and a clean try is one that does what is written", () => {
  const deed: fc.Arbitrary<PracticeDeed> = fc.oneof(
    fc.constantFrom(...right(enter)),
    fc.constantFrom<PracticeDeed>(
      { kind: "tool" },
      { kind: "connect" },
      { kind: "press", key: "5" },
      { kind: "hold", keys: ["talk", "6"], turn: "on", seconds: 1 },
      { kind: "turn", to: "on" },
    ),
  );
  fc.assert(
    fc.property(fc.array(deed, { maxLength: 8 }), (deeds) => {
      const end = through(enter, deeds);
      const idle = (one: PracticeDeed) => one.kind === "wait" || one.kind === "connect";
      const told = deeds.filter((one) => !idle(one));
      const asIsWritten = JSON.stringify(told.slice(0, 2)) === JSON.stringify(right(enter));
      // What comes after the end is not looked at any more.
      expect(isClean(end)).toBe(asIsWritten);
    }),
    { numRuns: cases(300) },
  );
});
