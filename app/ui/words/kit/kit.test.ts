// The words of the kit: what breaks a chain, what would close it, how well it is known, and what it costs.

import { describe, expect, it, test } from "vitest";
import { type Break, type Change, sayChip } from "#core/kit/index.ts";
import { moneyIn, sayBreak, sayChange, sayCost, sayEvidence, sayVerdict } from "./kit.ts";

const names = {
  connector: (id: string) => `plug ${id}`,
  driver: (id: string) => `driver ${id}`,
  tool: (id: string) => `tool ${id}`,
  computer: (id: string) => `desk ${id}`,
  money: moneyIn("EUR", "en-GB"),
};
const range = [{ atLeast: "3.0" }];

describe("what breaks a chain", () => {
  const breaks: Break[] = [
    { kind: "charge-only" },
    { kind: "lead-condition", condition: "broken" },
    { kind: "with-somebody", tag: "K-04", holder: "Bram Fenn" },
    { kind: "to-buy", offer: "1", name: "lead" },
    { kind: "way", ways: ["cable", "card"] },
    { kind: "computer-condition", condition: "lost" },
    { kind: "no-port" },
    { kind: "no-on-the-go" },
    { kind: "no-bluetooth" },
    { kind: "driver-missing", driver: "1", range },
    { kind: "driver-must-not", driver: "1", has: "3.5" },
    { kind: "no-support" },
    { kind: "tool-missing", tool: "2", ranges: [range] },
    { kind: "tool-other", tool: "2", has: "1.6", ranges: [range] },
    { kind: "tool-system", tool: "2" },
    { kind: "tool-firmware", tool: "2" },
  ];
  it("is said of each link in its own words", () => {
    const said = breaks.map((one) => sayBreak(one, names));
    expect(new Set(said).size).toBe(breaks.length);
    for (const text of said) expect(text).not.toMatch(/undefined|\[object/);
    expect(sayBreak({ kind: "driver-missing", driver: "1", range }, names)).toBe(
      "needs driver 1 3.0 or newer",
    );
    expect(sayBreak({ kind: "driver-missing", driver: "1" }, names)).toBe("needs driver 1");
    expect(sayBreak({ kind: "tool-missing", tool: "2", ranges: [] }, names)).toBe("tool 2 is not on it");
  });
});

describe("what would close it", () => {
  test.each<[Change, string]>([
    [
      { kind: "put-driver", computer: "9", driver: "1", range, avoid: [] },
      "install driver 1 3.0 or newer on desk 9",
    ],
    [
      { kind: "put-driver", computer: "9", driver: "1", range, avoid: [[{ atLeast: "3.4" }]], had: "3.5" },
      "put driver 1 3.0 or newer, not 3.4 or newer in place of 3.5 on desk 9",
    ],
    [{ kind: "remove-driver", computer: "9", driver: "1" }, "remove driver 1 from desk 9"],
    [
      { kind: "put-tool", computer: "9", tool: "2", ranges: [range] },
      "install tool 2 3.0 or newer on desk 9",
    ],
    [{ kind: "put-tool", computer: "9", tool: "2", ranges: [], had: "1" }, "update to tool 2 on desk 9"],
    [{ kind: "get", offer: "1", name: "a reader", price: 850 }, "get a reader"],
    [{ kind: "fetch", tag: "K-04", holder: "Bram Fenn" }, "fetch K-04 from Bram Fenn"],
  ])("%j", (change, said) => {
    expect(sayChange(change, names)).toBe(said);
  });

  it("costs money, minutes, both or nothing", () => {
    expect(sayCost({ money: 1250, minutes: 15 }, names)).toBe("€12.50, 15 minutes");
    expect(sayCost({ money: 1250, minutes: 0 }, names)).toBe("€12.50");
    expect(sayCost({ money: 0, minutes: 1 }, names)).toBe("1 minute");
    expect(sayCost({ money: 0, minutes: 0 }, names)).toBe("");
  });
});

describe("how well it is known", () => {
  const e = { verdict: "untried", tries: 0, worked: 0, lower: 0, upper: 1, settled: false } as const;
  it("says how many tries lie behind it, and of what", () => {
    expect(sayEvidence(e)).toBe("never tried");
    expect(sayEvidence({ ...e, tries: 1, worked: 1, level: "this" })).toBe("1 of 1 try worked");
    expect(sayEvidence({ ...e, tries: 13, worked: 12, level: "chip-driver-system" })).toBe(
      "12 of 13 tries worked, with this chip, driver and system",
    );
    expect(sayEvidence({ ...e, tries: 9, worked: 9, settled: true })).toBe(
      "settled: it never works together",
    );
  });

  it("a chip is named with its grade, where somebody knows it", () => {
    expect(sayChip({ family: "Bramble 2", grade: "clone" })).toBe("Bramble 2, clone");
    expect(sayChip({ family: "Bramble 2", grade: "unknown" })).toBe("Bramble 2");
    expect(sayChip({ family: "", grade: "unknown" })).toBe("unknown chip");
  });
});

test("what was tried a few times is not called untried", () => {
  expect(sayVerdict({ verdict: "untried", tries: 0, worked: 0 })).toBe("untried");
  expect(sayVerdict({ verdict: "untried", tries: 1, worked: 0 })).toBe("failed 1 of 1");
  expect(sayVerdict({ verdict: "untried", tries: 2, worked: 1 })).toBe("failed 1 of 2");
  expect(sayVerdict({ verdict: "untried", tries: 3, worked: 3 })).toBe("worked 3 of 3");
  expect(sayVerdict({ verdict: "proven", tries: 4, worked: 4 })).toBe("proven");
});
