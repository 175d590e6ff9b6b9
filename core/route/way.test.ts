// The way beside the first one, and the wish to erase nothing: met, or said why not.
import fc from "fast-check";
import { expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { catalogueOf, conditionsShape, ERASES } from "../release/index.ts";
import { PLAIN_POLICY, type UnitFacts } from "../unit/index.ts";
import { careOf, otherWay, wayOf } from "./way.ts";

const release = (id: string, version: string, conditions: object) => ({
  id,
  version,
  aliases: [],
  track: "factory" as const,
  releasedOn: plain("2025-01-01"),
  fixes: [],
  conditions: conditionsShape.parse(conditions),
});

const unit: UnitFacts = {
  id: "1",
  addedOn: plain("2025-01-01"),
  readings: [
    { id: "r", component: "main", raw: "1.0", source: "screen", at: "2026-01-01", on: plain("2026-01-01") },
  ],
};

const catalogue = (step: object, gentle: object | undefined, goal: object) =>
  catalogueOf([
    {
      id: "main",
      name: "main",
      suffixes: [],
      releases: [
        release("a", "1.0", {}),
        release("b", "1.1", step),
        ...(gentle ? [release("g", "1.2", gentle)] : []),
        release("c", "1.3", { from: [{ atLeast: "1.1" }], ...goal }),
      ],
    },
  ]);
const goal = new Map([["main", "c"]]);
const other = (...radios: Parameters<typeof catalogue>) =>
  otherWay(unit, catalogue(...radios), PLAIN_POLICY, goal, true);

test("over nothing that erases: met by the longer way, where there is one", () => {
  const { way, wish } = other({ erases: "settings", minutes: 1 }, { minutes: 40 }, {});
  expect(wish).toEqual({ kind: "met" });
  expect(way.result).toMatchObject({ ok: true, value: { erases: "nothing" } });
});

test("where the release itself erases, no way can meet it, and it is said which one does", () => {
  const { wish } = other({}, undefined, { erases: "codeplug" });
  expect(wish).toEqual({ kind: "goal-erases", releases: ["c"] });
});

test("where only what erases leads there, the way that does is given, and what stops the other says so", () => {
  const { way, wish } = other({ erases: "settings" }, undefined, {});
  expect(way.result.ok).toBe(false);
  if (!way.result.ok && way.result.problem.kind === "no-route") {
    expect(way.result.problem.stops).toContainEqual({ kind: "erases", component: "main", release: "b" });
  }
  expect(wish).toMatchObject({
    kind: "only-erasing",
    way: { result: { ok: true, value: { erases: "settings" } } },
  });
});

test("where nothing leads there at all, that is not put down to the wish", () => {
  const { wish } = other({ from: [{ atLeast: "7" }] }, undefined, {});
  expect(wish).toEqual({ kind: "no-way" });
});

test("a wish is said to be met only by a way that erases nothing, and never where there is none", () => {
  const erases = fc.constantFrom(...ERASES);
  fc.assert(
    fc.property(erases, fc.option(erases, { nil: undefined }), erases, (step, gentle, last) => {
      const radios = catalogue({ erases: step }, gentle && { erases: gentle }, { erases: last });
      const { way, wish } = otherWay(unit, radios, PLAIN_POLICY, goal, true);
      // By hand: the last install must spare all, and one of those before it.
      const possible = last === "nothing" && [step, gentle].includes("nothing");
      expect(wish?.kind === "met").toBe(possible);
      expect(wish?.kind === "met").toBe(way.result.ok && way.result.value.erases === "nothing");
      expect(otherWay(unit, radios, PLAIN_POLICY, goal, false).way).toEqual(
        wayOf(unit, radios, PLAIN_POLICY, goal),
      );
    }),
  );
});

test("the more a route erases, the more is to be saved before it and put back after", () => {
  const care = (erases: "nothing" | "settings" | "codeplug" | "everything") => careOf({ erases });
  expect(care("nothing")).toEqual([]);
  expect(care("settings")).toEqual(["settings"]);
  expect(care("codeplug")).toEqual(["settings", "channels"]);
  expect(care("everything")).toEqual(["settings", "channels", "pairings", "identity"]);
});
