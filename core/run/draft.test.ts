import { expect, it } from "vitest";
import { draftSteps, purposeOfStage } from "./draft.ts";
import { STAGES } from "./plan.ts";

it("what reads as a step is one, and everything else is a note of it", () => {
  expect(draftSteps("turn off\r\n\n hold talk + 5, turn on; lamp amber\nthen wiggle the plug\n")).toEqual([
    { kind: "turn", to: "off" },
    { kind: "hold", keys: ["talk", "5"], turn: "on", signs: { lamp: "amber" } },
    { kind: "note", what: "then wiggle the plug" },
  ]);
  expect(draftSteps("x\n".repeat(200))).toHaveLength(100);
  expect(draftSteps(" \n ")).toEqual([]);
});

it("only stages that a procedure can stand for have a purpose", () => {
  expect(STAGES.filter((stage) => purposeOfStage(stage) === undefined)).toEqual([
    ...["gather", "gates", "probe", "measure", "boot", "after", "pair", "proof", "settings", "put-away"],
  ]);
});
