// The needs of one radio: what each of its parts lacks, and what the whole of it does.
import type { Catalogue, PreparedComponent } from "../release/index.ts";
import {
  isAheadOfAll,
  newestReading,
  type Policy,
  placeReading,
  placingFact,
  readingFact,
  type UnitFacts,
} from "../unit/index.ts";
import { catalogueNeed, firstListed, unlistedNeed } from "./kinds/catalogue.ts";
import { firmwareNeeds } from "./kinds/firmware.ts";
import type { Need } from "./kinds/index.ts";
import { RADIO_NEEDS } from "./kinds/index.ts";
import type { SeenPart } from "./kinds/kind.ts";
import { rereadNeed, unreadNeed } from "./kinds/reading.ts";

/** For each part at most one reading, one catalogue and (with a lapsing pin) two firmware needs; and those of the whole radio, which stand with its first part. */
export function needsOf(unit: UnitFacts, catalogue: Catalogue, policy: Policy): Need[] {
  const needs: Need[] = [];
  for (const prepared of catalogue.values()) needsOfComponent(unit, prepared, policy, needs);
  return needsOfWhole(unit, catalogue, policy, needs);
}

/** Puts the needs of the whole radio behind those in `needs`: they hang on no release, and stand with its first part. */
export function needsOfWhole(
  unit: UnitFacts,
  catalogue: Catalogue,
  policy: Policy,
  needs: Need[] = [],
): Need[] {
  const [component] = catalogue.keys();
  if (component === undefined) return needs;
  const radio = { unit, policy, component };
  for (const arising of RADIO_NEEDS) for (const need of arising(radio)) needs.push(need);
  return needs;
}

/** Puts the needs of one component behind those in `needs`: no component's depend on another's. */
export function needsOfComponent(
  unit: UnitFacts,
  prepared: PreparedComponent,
  policy: Policy,
  needs: Need[] = [],
): Need[] {
  const component = prepared.component.id;
  const reading = newestReading(unit, component);
  if (!reading) {
    needs.push(unreadNeed({ unit, policy, component }));
    return needs;
  }
  const part: SeenPart = { unit, policy, component, prepared, reading, seen: readingFact(reading) };
  const placed = placeReading(prepared, reading.raw);
  const listed = firstListed(prepared, unit);
  // With nothing to compare there is nothing that another look would make clearer.
  const problem = placed.ok || listed === undefined ? undefined : placed.problem;
  // Where only the way of counting is in doubt, another look shows the same: somebody has to say how they count.
  const isUncounted = problem?.kind === "two-places";
  needs.push(rereadNeed(part, isUncounted ? undefined : problem));
  const unlisted = unlistedNeed(part, listed);
  if (unlisted) needs.push(unlisted);
  else if (isUncounted) needs.push(catalogueNeed(part, "uncounted", placingFact(problem)));
  if (!placed.ok) return needs;
  for (const need of firmwareNeeds(part, placed.value)) needs.push(need);
  // Ahead of releases that are for other hardware says nothing: of its own we know none.
  if (!unlisted && isAheadOfAll(prepared, prepared.releases, placed.value))
    needs.push(catalogueNeed(part, "ahead", { kind: "runs-uncatalogued", version: placed.value.cleaned }));
  return needs;
}
