// Lines of kit: what is written is read back as the same, and what cannot be read is named.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { knowsText, readInstalled, readKnows, readRange, readRunsOn, runsOnText } from "./entry.ts";
import { OPERATIONS, SYSTEMS } from "./shapes.ts";

const version = fc.tuple(fc.nat(20), fc.nat(20)).map(([a, b]) => `${a}.${b}`);
const range = fc.oneof(
  version.map((atLeast) => [{ atLeast }]),
  version.map((v) => [{ atLeast: v, atMost: v }]),
  fc.tuple(version, version).map(([below, atLeast]) => [{ below: `${below}.1` }, { atLeast }]),
);

test("where a tool runs, written and read back", () => {
  const on = fc.record(
    { system: fc.constantFrom(...SYSTEMS), versions: range, bits: fc.constantFrom(32 as const, 64 as const) },
    { requiredKeys: ["system"] },
  );
  fc.assert(
    fc.property(on, (told) => {
      expect(readRunsOn(runsOnText(told))).toEqual({ ok: true, value: told });
    }),
  );
});

test("which models a tool knows, written and read back", () => {
  const line = fc.record(
    {
      model: fc.constantFrom("Wicket", "Marl 40", "Wicket II"),
      operations: fc.subarray([...OPERATIONS], { minLength: 1 }),
      versions: range,
      firmware: fc.record({ component: fc.constantFrom("main", "dsp"), range }),
    },
    { requiredKeys: ["model", "operations"] },
  );
  fc.assert(
    fc.property(line, (told) => {
      expect(readKnows(knowsText(told))).toEqual({ ok: true, value: told });
    }),
  );
});

describe("what cannot be read", () => {
  it.each([
    ["BeachOS 4", "no-system"],
    ["Windows newish", "empty-range"],
    ["Windows >= ", "no-range"],
    ["Linux >= 3, < 2", "empty-range"],
  ])("where it runs: %s is %s", (line, kind) => {
    const read = readRunsOn(line);
    expect(read.ok ? "ok" : read.problem.kind).toBe(kind);
  });

  it.each([
    ["no colon", "no-model"],
    ["Wicket: polish", "no-operation"],
    ["Wicket: read; main >= 3, < 2", "empty-range"],
    ["Wicket: read; >=", "no-range"],
  ])("what it knows: %s is %s", (line, kind) => {
    expect(readKnows(line)).toMatchObject({ ok: false, problem: { kind } });
  });

  it("something installed has a name and a version", () => {
    expect(readInstalled(" Bramble port driver  3.5 ")).toEqual({
      ok: true,
      value: { name: "Bramble port driver", version: "3.5" },
    });
    expect(readInstalled("Hedgewriter")).toMatchObject({ ok: false, problem: { kind: "no-version" } });
    expect(readInstalled("3.5")).toMatchObject({ ok: false });
  });

  it("a range typed as nothing is none, and no text breaks it", () => {
    expect(readRange("  ")).toEqual({ ok: true, value: undefined });
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        readRange(text);
        readRunsOn(text);
        readKnows(text);
        readInstalled(text);
      }),
    );
  });
});
