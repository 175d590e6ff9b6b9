// The language of steps: what is written reads back, and what cannot be read says what was expected.
import fc from "fast-check";
import { expect, test } from "vitest";
import { layoutShape } from "./layout.ts";
import { readSteps } from "./procedure.ts";
import { parseStep, STEP_EXAMPLES, type Step, stepText } from "./step.ts";

const word = fc.stringMatching(/^[a-z0-9]{1,8}$/);
const words = fc.array(word, { minLength: 1, maxLength: 4 }).map((list) => list.join(" "));
const seconds = fc.integer({ min: 1, max: 7200 });
const signs = fc
  .record({ lamp: words, screen: words, sound: words }, { requiredKeys: [] })
  .filter((s) => Object.keys(s).length > 0);
const optional = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as T;

const step: fc.Arbitrary<Step> = fc.oneof(
  fc
    .record({
      kind: fc.constant("hold" as const),
      keys: fc.array(word, { minLength: 1, maxLength: 4 }),
      turn: fc.option(fc.constantFrom("on" as const, "off" as const), { nil: undefined }),
      seconds: fc.option(seconds, { nil: undefined }),
      signs: fc.option(signs, { nil: undefined }),
    })
    .map(optional),
  fc.record({ kind: fc.constant("turn" as const), to: fc.constantFrom("on" as const, "off" as const) }),
  fc.record({ kind: fc.constant("press" as const), keys: fc.array(word, { minLength: 1, maxLength: 4 }) }),
  fc.record({ kind: fc.constant("menu" as const), path: fc.array(words, { minLength: 1, maxLength: 4 }) }),
  fc
    .record({ kind: fc.constant("watch" as const), signs, seconds: fc.option(seconds, { nil: undefined }) })
    .map(optional),
  fc.record({ kind: fc.constant("wait" as const), seconds }),
  fc.record({ kind: fc.constantFrom("port" as const, "file" as const), hint: words }),
  fc
    .record({ kind: fc.constant("tool" as const), name: words, act: fc.option(words, { nil: undefined }) })
    .map(optional),
  fc.record({
    kind: fc.constantFrom("connect" as const, "confirm" as const, "key-up" as const, "note" as const),
    what: words,
  }),
);

test("a step written as a line reads back as the same step", () => {
  fc.assert(
    fc.property(step, (written) => {
      expect(parseStep(stepText(written))).toEqual({ ok: true, value: written });
    }),
  );
});

test("every example reads, and reads back", () => {
  for (const example of STEP_EXAMPLES) {
    const read = parseStep(example);
    expect(read.ok, example).toBe(true);
    if (read.ok) expect(parseStep(stepText(read.value))).toEqual(read);
  }
  expect(parseStep("watch lamp red, then green, screen UPDATE, 2 min")).toEqual({
    ok: true,
    value: { kind: "watch", signs: { lamp: "red, then green", screen: "UPDATE" }, seconds: 120 },
  });
  expect(parseStep("HOLD talk+5 , Turn on,3s ; Lamp amber")).toEqual({
    ok: true,
    value: { kind: "hold", keys: ["talk", "5"], turn: "on", seconds: 3, signs: { lamp: "amber" } },
  });
});

test("what cannot be read says what was expected", () => {
  for (const line of [
    "hold",
    "hold talk, wiggle",
    "turn round",
    "watch",
    "watch closely",
    "wait a bit",
    "press",
    "menu >",
    "note",
  ]) {
    expect(parseStep(line), line).toMatchObject({ ok: false, problem: { kind: "step-incomplete" } });
  }
  expect(parseStep("wiggle it")).toEqual({ ok: false, problem: { kind: "unknown-step", word: "wiggle" } });
  expect(parseStep("x".repeat(10_000)).ok).toBe(false);
});

test("keys that the layout lacks are found, with their line", () => {
  const layout = layoutShape.parse({ body: "handheld", left: ["talk"], rows: [["4", "5"]] });
  const { steps, problems } = readSteps("hold Talk + 5, turn on\n\npress 6\nnonsense", layout);
  expect(steps.map((s) => s.line)).toEqual([1, 3]);
  expect(problems).toEqual([
    { line: 3, kind: "unknown-key", key: "6" },
    { line: 4, kind: "unknown-step", word: "nonsense" },
  ]);
});
