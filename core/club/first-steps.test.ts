// What a new club does first.
import fc from "fast-check";
import { expect, test } from "vitest";
import { type Begun, FIRST_STEPS, firstSteps } from "./first-steps.ts";

const NOTHING: Begun = { units: 0, read: 0, bare: 0, connectors: 0, leads: 0, computers: 0, people: 1 };
const ALL: Begun = { units: 2, read: 1, bare: 0, connectors: 2, leads: 1, computers: 1, people: 2 };
const saying = (begun: Begun, unwanted: readonly string[] = []) =>
  firstSteps(begun, unwanted).map(({ step, state }) => `${step} ${state}`);

test("an empty club begins with its radios; each step that is done is ticked, and the next one is named", () => {
  expect(saying(NOTHING)).toEqual([
    "radios next",
    "releases later",
    "readings later",
    "kit later",
    "people later",
  ]);
  expect(saying({ ...NOTHING, units: 1, bare: 1 }).slice(0, 2)).toEqual(["radios done", "releases next"]);
  // Read before anything is known of its releases: that counts, whatever the order.
  expect(saying({ ...NOTHING, units: 1, bare: 1, read: 1 }).slice(1, 3)).toEqual([
    "releases next",
    "readings done",
  ]);
  expect(saying({ ...ALL, computers: 0 })).toContain("kit next");
  expect(saying({ ...ALL, leads: 0 })).toContain("kit next");
});

test("a step that is not wanted is gone; once all others are done nothing is left", () => {
  expect(saying({ ...NOTHING, units: 1, read: 1 }, ["kit"])).toEqual([
    "radios done",
    "releases done",
    "readings done",
    "people next",
  ]);
  expect(firstSteps({ ...ALL, people: 1 }, ["people"])).toEqual([]);
  expect(firstSteps(ALL, [])).toEqual([]);
});

test("there is one next step or none at all, and it is the first that is open", () => {
  const some = fc.nat({ max: 2 });
  const begun = fc.record({
    units: some,
    read: some,
    bare: some,
    connectors: some,
    leads: some,
    computers: some,
    people: fc.integer({ min: 1, max: 3 }),
  });
  fc.assert(
    fc.property(begun, fc.subarray([...FIRST_STEPS]), (now, unwanted) => {
      const steps = firstSteps(now, unwanted);
      if (steps.length === 0) return;
      const open = steps.filter(({ state }) => state !== "done");
      expect(open.map(({ state }) => state)).toEqual(["next", ...open.slice(1).map(() => "later")]);
      expect(steps.some(({ step }) => unwanted.includes(step))).toBe(false);
    }),
  );
});
