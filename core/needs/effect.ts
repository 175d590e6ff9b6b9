// What a change to a model's catalogue would do to its units, before anybody makes it.

import type { PlainDate } from "../quantities/date.ts";
import { type Catalogue, type Component, catalogueOf } from "../release/catalogue.ts";
import type { Release } from "../release/release.ts";
import type { Policy } from "../unit/policy.ts";
import type { UnitFacts } from "../unit/unit.ts";
import { isOpen, targetOn } from "./need.ts";
import { needsOf } from "./unit.ts";

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

/** The catalogue with a release put in or replaced (by id), or taken out (`undefined`). */
export function withRelease(
  catalogue: Catalogue,
  component: string,
  id: string,
  release: Release | undefined,
): Catalogue {
  const components = [...catalogue.values()].map((prepared): Component => {
    const own = prepared.component;
    const others = own.releases.filter((r) => r.id !== id);
    if (own.id !== component || !release) return { ...own, releases: others };
    const place = own.releases.findIndex((r) => r.id === id);
    const releases = place < 0 ? [...others, release] : own.releases.map((r) => (r.id === id ? release : r));
    return { ...own, releases };
  });
  return catalogueOf(components);
}

export function effectOf<Unit extends UnitFacts>(
  units: readonly Unit[],
  policyOf: (unit: Unit) => Policy,
  before: Catalogue,
  after: Catalogue,
  today: PlainDate,
): Effect {
  const effect = {
    newlyDue: [] as string[],
    changed: [] as string[],
    freed: [] as string[],
    later: [] as string[],
  };
  for (const unit of units) {
    const was = gist(unit, before, policyOf(unit), today);
    const will = gist(unit, after, policyOf(unit), today);
    if (was.open !== will.open) {
      if (was.open === "") effect.newlyDue.push(unit.id);
      else if (will.open === "") effect.freed.push(unit.id);
      else effect.changed.push(unit.id);
    } else if (was.later !== will.later) effect.later.push(unit.id);
  }
  return effect;
}

/** What is open and what lies ahead, as texts that are equal if nothing a person would notice differs. */
function gist(unit: UnitFacts, catalogue: Catalogue, policy: Policy, today: PlainDate) {
  const needs = needsOf(unit, catalogue, policy);
  const open = needs
    .filter((n) => isOpen(n, today))
    .map((n) => [n.kind, n.component, n.cause, n.urgency, targetOn(n, today)].join());
  const later = needs
    .filter((n) => n.kind === "firmware")
    .map((n) => [n.component, n.cause, n.urgency, n.dueFrom, ...n.targets.map((t) => t.release)].join());
  return { open: open.sort().join(";"), later: later.sort().join(";") };
}
