// Needs of 100,000 units, computed in core on one core.

import { needsOf } from "#core/needs/index.ts";
import { addDays, plain } from "#core/quantities/index.ts";
import { type Catalogue, type Component, catalogueOf, type Release } from "#core/release/index.ts";
import { PLAIN_POLICY, type Policy, type UnitFacts } from "#core/unit/index.ts";
import { best, type Measured, sorts } from "./clock.ts";

export const MODELS = 500;
export const RELEASES = 40;
export const UNITS = 100_000;
const first = plain("2023-01-01");

export type BigClub = {
  readonly models: readonly (readonly Component[])[];
  readonly units: readonly { readonly unit: UnitFacts; readonly model: number }[];
};

/** Models of two components with 40 releases each, and as many units of each as of any other. */
export function bigClub(modelCount = MODELS, unitCount = UNITS): BigClub {
  const models = Array.from({ length: modelCount }, (_, m) =>
    ["main", "dsp"].map(
      (name): Component => ({
        id: `${m}-${name}`,
        name,
        numbering: { kind: "dotted" },
        suffixes: [],
        releases: Array.from(
          { length: RELEASES },
          (_, r): Release => ({
            id: `${m}-${name}-${r}`,
            version: `${1 + Math.floor(r / 10)}.${r % 10}.${m % 7}`,
            aliases: [],
            track: r % 9 === 8 ? "beta" : "factory",
            releasedOn: addDays(first, r * 30 + (m % 30)),
            fixes: r % 5 === 0 ? [{ tag: "x", urgency: r % 10 === 0 ? "safety" : "fix", text: "" }] : [],
          }),
        ),
      }),
    ),
  );
  const units = Array.from({ length: unitCount }, (_, u) => {
    const model = u % modelCount;
    const readings = (models[model] ?? []).map((component, i) => {
      const on = addDays(first, 1100 + (u % 100));
      // Most run one of the last few; one in ten is far behind, as in a club that is looked after.
      const behind = u % 10 === 9 ? (u * 7 + i * 3) % RELEASES : (u + i) % 6;
      const release = component.releases[RELEASES - 1 - behind];
      return {
        id: `${u}-${i}`,
        component: component.id,
        raw: release?.version ?? "",
        source: "screen" as const,
        at: `${on}T12:00:00Z`,
        on,
      };
    });
    return { model, unit: { id: String(u), addedOn: first, readings } };
  });
  return { models, units };
}

export const POLICIES: readonly Policy[] = [
  PLAIN_POLICY,
  { ...PLAIN_POLICY, rule: { kind: "settled", days: 30 } },
  { ...PLAIN_POLICY, tracks: ["beta"] },
  { ...PLAIN_POLICY, rule: { kind: "fixes", tags: ["x"] } },
];

export async function measureCore(): Promise<Measured[]> {
  const { models, units } = bigClub();
  let needs = 0;
  const time = await best(3, () => {
    needs = 0;
    // Preparing the catalogues is part of the work: nothing is carried over from try to try.
    const catalogues: Catalogue[] = models.map((components) => catalogueOf(components));
    const policies = POLICIES.map((policy) => ({ ...policy }));
    for (const { unit, model } of units) {
      const catalogue = catalogues[model];
      const policy = policies[Number(unit.id) % policies.length];
      if (catalogue && policy) needs += needsOf(unit, catalogue, policy).length;
    }
  });
  return [
    await sorts(
      `needs of ${UNITS.toLocaleString("en")} units computed in core (${needs.toLocaleString("en")} needs)`,
      time,
      100,
    ),
  ];
}
