// The releases that facts speak of, so that a screen can look up their names at once.
import type { Reason } from "./kinds/index.ts";

/** The ids of all releases that facts speak of, with repeats. */
export function releasesIn(because: readonly Reason[]): string[] {
  return because.flatMap((fact) => {
    const found: string[] = [];
    if ("release" in fact) found.push(fact.release);
    if (fact.kind === "skips") found.push(fact.first, fact.latest);
    if ("releases" in fact) found.push(...fact.releases);
    if (fact.kind === "rule" && fact.rule.kind === "pinned") found.push(...fact.rule.releases);
    if (fact.kind === "two-places") {
      for (const place of fact.places)
        found.push(...[place.below, place.above].filter((id) => id !== undefined));
    }
    if (fact.kind === "cannot-place" && fact.problem.kind === "ambiguous")
      found.push(...fact.problem.releases);
    return found;
  });
}
