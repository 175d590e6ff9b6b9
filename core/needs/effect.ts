// What a change to a model's catalogue would do to its units, before anybody makes it.

import type { PlainDate } from "../quantities/index.ts";
import { type Catalogue, prepareComponent, type Release } from "../release/index.ts";
import type { Policy, Situation, UnitFacts } from "../unit/index.ts";
import type { Need } from "./kinds/index.ts";
import { isOpen, targetOn } from "./need.ts";
import { needsOfComponent, needsOfWhole } from "./unit.ts";

export type Effect = {
  /** Units with nothing due now that would have something due. */
  readonly newlyDue: readonly string[];
  /** Units whose open needs would change: another target, cause or urgency. */
  readonly changed: readonly string[];
  /** Units that would have nothing due any more. */
  readonly freed: readonly string[];
  /** Units whose installs to come would change: another day, cause, urgency or release. */
  readonly later: readonly string[];
};

/**
 * The catalogue with a release put in or replaced (by id), or taken out (`undefined`). Components that it does not concern stay
 * the same objects.
 */
export function withRelease(
  catalogue: Catalogue,
  component: string,
  id: string,
  release: Release | undefined,
): Catalogue {
  const after = new Map(catalogue);
  for (const [own, prepared] of catalogue) {
    const here = own === component ? release : undefined;
    if (!here && !prepared.byId.has(id)) continue;
    const others = prepared.component.releases.filter((r) => r.id !== id);
    const place = prepared.component.releases.findIndex((r) => r.id === id);
    if (here) others.splice(place < 0 ? others.length : place, 0, here);
    after.set(own, prepareComponent({ ...prepared.component, releases: others }));
  }
  return after;
}

/**
 * Which units of a model another catalogue would touch. Needs of one component never depend on another's: only components that are not the same
 * object in both are gone through.
 */
export function effectOf(situations: readonly Situation[], before: Catalogue, after: Catalogue): Effect {
  const effect = {
    newlyDue: [] as string[],
    changed: [] as string[],
    freed: [] as string[],
    later: [] as string[],
  };
  const touched = [...new Set([...before.keys(), ...after.keys()])].filter(
    (component) => before.get(component) !== after.get(component),
  );
  const others = [...before.keys()].filter((component) => !touched.includes(component));
  for (const { unit, policy, today } of situations) {
    const was = needsIn(unit, before, touched, policy);
    const will = needsIn(unit, after, touched, policy);
    const open = openOnes(was, today);
    const willOpen = openOnes(will, today);
    if (isAlike(open, willOpen, today)) {
      if (!isAlikeAhead(firmwareOnes(was), firmwareOnes(will))) effect.later.push(unit.id);
      continue;
    }
    const alone =
      (open.length === 0 || willOpen.length === 0) &&
      openOnes([...needsIn(unit, before, others, policy), ...needsOfWhole(unit, before, policy)], today)
        .length === 0;
    if (alone && open.length === 0) effect.newlyDue.push(unit.id);
    else if (alone) effect.freed.push(unit.id);
    else effect.changed.push(unit.id);
  }
  return effect;
}

function needsIn(unit: UnitFacts, catalogue: Catalogue, components: readonly string[], policy: Policy) {
  const needs: Need[] = [];
  for (const component of components) {
    const prepared = catalogue.get(component);
    if (prepared) needsOfComponent(unit, prepared, policy, needs);
  }
  return needs;
}

const openOnes = (needs: readonly Need[], today: PlainDate) => needs.filter((need) => isOpen(need, today));
const firmwareOnes = (needs: readonly Need[]) => needs.filter((need) => need.kind === "firmware");

/** Whether a person would notice no difference today. (Needs of one component come in the same order: reading, catalogue, firmware.) */
function isAlike(some: readonly Need[], others: readonly Need[], today: PlainDate): boolean {
  if (some.length !== others.length) return false;
  for (const [i, one] of some.entries()) {
    const other = others[i];
    if (!other || !isSameCall(one, other) || targetOn(one, today) !== targetOn(other, today)) return false;
  }
  return true;
}

/** Whether the same installs are asked for, one after the other, from the same days on. */
function isAlikeAhead(some: readonly Need[], others: readonly Need[]): boolean {
  if (some.length !== others.length) return false;
  for (const [i, one] of some.entries()) {
    const other = others[i];
    if (!other || !isSameCall(one, other) || one.dueFrom !== other.dueFrom) return false;
    if (one.targets.length !== other.targets.length) return false;
    for (const [j, { release }] of one.targets.entries())
      if (release !== other.targets[j]?.release) return false;
  }
  return true;
}

const isSameCall = (one: Need, other: Need): boolean =>
  one.kind === other.kind &&
  one.component === other.component &&
  one.cause === other.cause &&
  one.urgency === other.urgency;
