import { expect, it } from "vitest";
import { CAUSES, causesFor, oddAt } from "./causes.ts";
import type { RunStep } from "./plan.ts";

it("without words the usual order stands; words bring what they name to the front, and lose nothing", () => {
  expect(causesFor("")).toEqual(CAUSES);
  expect(causesFor("The port is there with a FAULT SIGN.")[0]?.id).toBe("port-fault");
  expect(causesFor("The radio went off while it was written.")[0]?.id).toBe("battery-low");
  expect(causesFor("It stopped half way.")[0]?.id).toBe("loose-plug");
  expect(new Set(causesFor("it smells of fish"))).toEqual(new Set(CAUSES));
  expect(causesFor("it smells of fish").map(({ id }) => id)).toEqual(CAUSES.map(({ id }) => id));
});

it("what a mode, a number or a meter shows has causes of its own: no driver and no plug", () => {
  const named = (symptom: string, at: Parameters<typeof causesFor>[1]) =>
    causesFor(symptom, at).map(({ cause }) => cause);
  const wrong = named("It transmits where this mode should not.", "mode");
  expect(wrong[0]).toBe("It is not in that mode yet");
  for (const at of ["mode", "version", "meter", "pair", "hand"] as const)
    expect(named("", at).join()).not.toMatch(/driver|port|plug|lead/i);
  expect(named("It shows 1.08, and should show 1.10 now.", "version")[0]).toBe("Another number was read");
  expect(oddAt({ kind: "probe", frequency: 145_000_000, transmits: true, minutes: 1 } as RunStep)).toBe(
    "mode",
  );
  expect(oddAt({ kind: "machine", work: "flash", erases: false, minutes: 1 })).toBe("link");
  expect(oddAt(undefined)).toBe("link");
});
