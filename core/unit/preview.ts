// What a readout would mean for a unit if it were recorded today: the answer while somebody types.
import { bad, good, mustFind, type Result } from "../quantities/index.ts";
import { type EntryProblem, readEntry } from "../version/index.ts";
import type { Situation } from "./situation.ts";
import { type Standing, standingOf } from "./standing.ts";

export type ReadingPreview = {
  readonly component: string;
  readonly componentName: string;
  readonly raw: string;
  readonly standing: Standing;
};

/** Problems: those of `readEntry`. A readout that cannot be placed is no problem here; its standing is `unclear`. */
export function previewReading(
  { unit, catalogue, policy, today }: Situation,
  typed: string,
): Result<ReadingPreview, EntryProblem> {
  const components = [...catalogue.values()].map(({ component }) => component);
  const entry = readEntry(components, typed);
  if (!entry.ok) return bad(entry.problem);
  const { component, raw } = entry.value;
  const imagined = {
    id: "",
    component,
    raw,
    source: "screen",
    at: "9999-12-31T00:00:00Z",
    on: today,
  } as const;
  const standing = standingOf({ ...unit, readings: [imagined] }, component, catalogue, policy, today);
  const componentName = mustFind(components, component).name;
  return good({ component, componentName, raw, standing });
}
