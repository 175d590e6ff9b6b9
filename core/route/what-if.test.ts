// What if: the same as asking for each unit's way by itself.
import fc from "fast-check";
import { expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { catalogueOf, conditionsShape, type Release } from "../release/index.ts";
import { PLAIN_POLICY, type UnitFacts } from "../unit/index.ts";
import { wayOf } from "./way.ts";
import { whatIf } from "./what-if.ts";

const release = (id: string, version: string, conditions: object, more: Partial<Release> = {}): Release => ({
  id,
  version,
  aliases: [],
  track: "factory",
  releasedOn: plain("2026-01-01"),
  fixes: [],
  conditions: conditionsShape.parse(conditions),
  ...more,
});
const catalogue = catalogueOf([
  {
    id: "main",
    name: "main",
    numbering: { kind: "dotted" },
    suffixes: [],
    releases: [
      release("a", "1.0", {}),
      release("b", "1.1", { erases: "settings", minutes: 7, tool: { name: "loader" } }),
      release("c", "1.2", { from: [{ atLeast: "1.1" }], minutes: 3 }, { hardwareRevisions: ["B"] }),
    ],
  },
]);

test("every radio is there, gets there, or is stuck, as its own way says", () => {
  const units = fc.array(
    fc.record({
      raw: fc.constantFrom("1.0", "1.1", "1.2", "odd", undefined),
      hardwareRevision: fc.constantFrom("A", "B", undefined),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(units, (list) => {
      const facts: UnitFacts[] = list.map(({ raw, hardwareRevision }, i) => ({
        id: String(i),
        addedOn: plain("2025-01-01"),
        ...(hardwareRevision && { hardwareRevision }),
        readings: raw
          ? [
              {
                id: `r${i}`,
                component: "main",
                raw,
                source: "screen",
                at: "2026-01-01",
                on: plain("2026-01-01"),
              },
            ]
          : [],
      }));
      const told = whatIf(
        facts.map((unit) => ({ unit, policy: PLAIN_POLICY, today: plain("2026-06-01") })),
        catalogue,
        "main",
        "c",
      );
      const ways = facts.map((unit) => wayOf(unit, catalogue, PLAIN_POLICY, new Map([["main", "c"]])).result);
      expect([...told.there].sort()).toEqual(
        facts.filter((_, i) => ways[i]?.ok && ways[i].value.steps.length === 0).map((u) => u.id),
      );
      expect(told.stuck.map((s) => s.unit).sort()).toEqual(
        facts.filter((_, i) => !ways[i]?.ok).map((u) => u.id),
      );
      expect(told.minutes).toBe(ways.reduce((sum, way) => sum + (way.ok ? way.value.minutes : 0), 0));
      const steps = ways.flatMap((way) => (way.ok ? way.value.steps : []));
      expect(new Map(told.installs.map((i) => [i.release, i.times]))).toEqual(
        new Map(
          [...new Set(steps.map((s) => s.release))].map((r) => [
            r,
            steps.filter((s) => s.release === r).length,
          ]),
        ),
      );
      const withTool = ways.filter((way) => way.ok && way.value.steps.some((s) => s.conditions.tool));
      expect(told.tools.map((t) => t.radios)).toEqual(withTool.length > 0 ? [withTool.length] : []);
      expect(told.losing).toBe(ways.filter((way) => way.ok && way.value.erasing > 0).length);
    }),
  );
});
