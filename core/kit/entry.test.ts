// Lines of kit: what is written is read back as the same, and what cannot be read is named.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { readSystem } from "./chain/system.ts";
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

test.each([
  ["Windows 10, 64 bit", { system: "Windows", version: "10", bits: 64 }],
  ["windows 7 (32-bit)", { system: "Windows", version: "7", bits: 32 }],
  ["11 x64", { version: "11", bits: 64 }],
  ["10 64bit", { version: "10", bits: 64 }],
  ["x86 7", { version: "7", bits: 32 }],
  ["Linux 6.1 x86_64", { system: "Linux", version: "6.1", bits: 64 }],
  ["Linux 5.10.0-arm64", { system: "Linux", version: "5.10.0", bits: 64 }],
  ["Linux 4.9 i686", { system: "Linux", version: "4.9", bits: 32 }],
  ["macOS 14.2", { system: "macOS", version: "14.2" }],
  ["Version 14.2", { version: "14.2" }],
  ["64", { version: "64" }],
  ["1.64 bits", { version: "1.64 bits" }],
  ["Linuxen 6", { version: "Linuxen 6" }],
  ["", { version: "" }],
])("a system as it is typed: %s", (text, told) => {
  expect(readSystem(text)).toEqual(told);
});

test("word size and versions of where a tool runs, in the words that people use", () => {
  const runs = (line: string) => {
    const read = readRunsOn(line);
    return read.ok ? read.value : read.problem;
  };
  const ten = [{ atLeast: "10" }];
  expect(runs("Windows 10 or newer, 64-bit")).toEqual({ system: "Windows", versions: ten, bits: 64 });
  expect(runs("Windows 10+ (x64)")).toEqual({ system: "Windows", versions: ten, bits: 64 });
  expect(runs("Windows x86, up to 7")).toEqual({ system: "Windows", versions: [{ atMost: "7" }], bits: 32 });
  expect(runs("Linux amd64")).toEqual({ system: "Linux", bits: 64 });
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
    for (const line of [
      "Hedgewriter 1.8",
      "Hedgewriter, 1.8",
      "Hedgewriter: 1.8",
      "Hedgewriter version 1.8",
      "Hedgewriter, Ver. 1.8",
      "Hedgewriter (1.8)",
    ])
      expect([line, readInstalled(line)]).toEqual([
        line,
        { ok: true, value: { name: "Hedgewriter", version: "1.8" } },
      ]);
    expect(readInstalled("Converter 2 1.8")).toMatchObject({
      value: { name: "Converter 2", version: "1.8" },
    });
    expect(readInstalled("version 1.8")).toMatchObject({ ok: false, problem: { kind: "no-version" } });
    expect(readInstalled("Hedgewriter ()1")).toMatchObject({ ok: true });
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
        const { version, bits } = readSystem(text);
        // What is left of it holds no word size a second time where one was taken.
        if (bits) expect(version.length).toBeLessThan(text.length);
      }),
    );
  });
});
