// The words of routes, stops, steps and documents: each kind has its own sentence, and none is left unsaid.
import { expect, test } from "vitest";
import { parseStep, STEP_EXAMPLES } from "#core/dossier/index.ts";
import type { Stop } from "#core/route/index.ts";
import { parseRange } from "#core/version/index.ts";
import { sayRange, sayStop } from "./route.ts";
import { saySigns, sayStep, sayStepAndSigns, signsOf } from "./step.ts";

test("ranges read as a person would say them", () => {
  const said = (text: string) => {
    const read = parseRange(text);
    return read.ok ? sayRange(read.value) : "";
  };
  expect(said(">= 1.06")).toBe("1.06 or newer");
  expect(said("< 1.14")).toBe("older than 1.14");
  expect(said("1.06 to 1.12")).toBe("1.06 to 1.12");
  expect(said("= 2.0 or > 3.1")).toBe("2.0 or newer than 3.1");
  expect(said("<= C3")).toBe("C3 or older");
});

test("every stop says which release, and what it lacks", () => {
  const names = { release: (id: string) => `R${id}`, component: (id: string) => `C${id}` };
  const at = { component: "1", release: "2" };
  const range = [{ atLeast: "1.5" }];
  const stops: Stop[] = [
    { ...at, kind: "draft" },
    { ...at, kind: "does-not-fit" },
    { ...at, kind: "may-fit" },
    { ...at, kind: "not-allowed", track: "community" },
    { ...at, kind: "erases" },
    { ...at, kind: "from", range, listed: true },
    { ...at, kind: "from", range, listed: false },
    { ...at, kind: "from-tracks", tracks: ["factory"] },
    { ...at, kind: "floor", floors: ["1.2"] },
    { ...at, kind: "requires", of: "dsp", range, listed: true },
    { ...at, kind: "requires", of: "dsp", range, listed: false },
    { ...at, kind: "together" },
  ];
  const said = stops.map((stop) => sayStop(stop, names));
  for (const sentence of said) expect(sentence).toMatch(/^C1 R2 .*\.$/);
  expect(new Set(said).size).toBe(stops.length);
});

test("a track that is not admitted and what erases are told apart", () => {
  const names = { release: (id: string) => `R${id}`, component: (id: string) => `C${id}` };
  const at = { component: "1", release: "2" };
  expect(sayStop({ ...at, kind: "not-allowed", track: "community" }, names)).not.toMatch(/erases/);
  expect(sayStop({ ...at, kind: "erases" }, names)).toBe("C1 R2 erases what was to be kept.");
});

test("every step is one sentence; signs follow it", () => {
  for (const example of STEP_EXAMPLES) {
    const read = parseStep(example);
    if (!read.ok) throw new Error(example);
    expect(sayStep(read.value)).toMatch(/^[A-Z].*\.$/);
  }
  const watch = parseStep("watch lamp amber; sound two beeps");
  expect(watch.ok && saySigns(signsOf(watch.value) ?? {})).toEqual([
    "The lamp: amber.",
    "You hear: two beeps.",
  ]);
  expect(watch.ok && sayStepAndSigns(watch.value)).toBe(
    "Watch for it. The lamp: amber. You hear: two beeps.",
  );
});
