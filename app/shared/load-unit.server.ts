// What the unit's page and the answer-as-you-type both need: the unit, its facts, its catalogue, its policy.

import { redirect } from "react-router";
import { laterOf, type PlainDate } from "#core/quantities/index.ts";
import type { Catalogue } from "#core/release/index.ts";
import { goalOfNeeds, otherWay, stateOfUnit, type Way, wayOf } from "#core/route/index.ts";
import { holdsFor } from "#core/run/index.ts";
import { policyOn, type Situation } from "#core/unit/index.ts";
import { confirmationsOf, knownProcedure, proceduresOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import {
  type KnownUnit,
  type LoadedSituation,
  loadSituation,
  type StoredNeed,
  type UnitRow,
  unitByTag,
} from "#db/unit/index.ts";
import { notFound, type SignedIn } from "../context.ts";
import { shownConfirmed } from "./confirmed.server.ts";
import { inPassing } from "./guarded.server.ts";
import type { ShownWay } from "./way.tsx";

export type LoadedUnit = {
  readonly row: UnitRow;
  /** Undefined for a shelved unit. */
  readonly situation: LoadedSituation | undefined;
  readonly catalogue: Catalogue;
};

/** Throws 404 for a tag that no unit has. */
export async function loadUnit(tx: Tx, tag: string | undefined, today: PlainDate): Promise<LoadedUnit> {
  const row = await unitByTag(tx, tag ?? "");
  if (!row) throw notFound(`A radio with the tag ${(tag ?? "").slice(0, 40)}`);
  const situation = await loadSituation(tx, row.id, today);
  return { row, situation, catalogue: situation?.catalogue ?? new Map() };
}

/** Whoever asks for a radio by a tag it had before is led to the one it has now. `end` is what follows it in the address. */
export function leadToTag(row: UnitRow, asked: string | undefined, end = ""): void {
  if (row.tag.toLowerCase() === asked?.toLowerCase()) return;
  throw redirect(`/units/${encodeURIComponent(row.tag)}${end}`);
}

export const componentsOf = (catalogue: Catalogue): { id: string; name: string }[] =>
  [...catalogue.values()].map(({ component }) => ({ id: component.id, name: component.name }));

/** The way to what the unit's open needs call for, and beside it the way to another release if one is asked for. */
export function waysOf(
  { unit, catalogue, policy, today }: Situation,
  needs: readonly StoredNeed[],
  asked: { readonly to: string | undefined; readonly keep: boolean },
) {
  // What is on hold gets its way too: the one that counts on the day the hold ends.
  const day = needs.reduce((latest, need) => laterOf(latest, need.due_from), today);
  const wanted = needs.map((n) => ({ kind: n.kind, component: n.component_id, targets: n.targets }));
  const goal = goalOfNeeds(wanted, day);
  const [first] = goal.values();
  // Without a release asked for, the wish alone is held beside the first.
  const to = asked.to || (asked.keep ? first : undefined);
  const owner = [...catalogue].find(([, prepared]) => prepared.byId.has(to ?? ""));
  const aim = owner && to !== undefined ? new Map([...goal, [owner[0], to]]) : undefined;
  const other = aim && otherWay(unit, catalogue, policyOn(policy, today), aim, asked.keep);
  return {
    goal: [...goal].map(([component, release]) => ({ component, release })),
    way: goal.size > 0 ? shown(wayOf(unit, catalogue, policyOn(policy, day), goal), catalogue) : undefined,
    other: other && {
      ...shown(other.way, catalogue),
      wish:
        other.wish?.kind === "only-erasing"
          ? { kind: other.wish.kind, way: shown(other.wish.way, catalogue) }
          : other.wish,
    },
    asked: { to: to ?? first ?? "", keep: asked.keep, unlisted: to !== undefined && !owner },
    choices: [...catalogue.values()].flatMap((prepared) =>
      [...prepared.releases].reverse().map((release) => ({
        id: release.id,
        words: `${catalogue.size > 1 ? `${prepared.component.name} ` : ""}${release.version}, ${release.track}`,
      })),
    ),
  };
}

const shown = ({ result }: Way, catalogue: Catalogue): ShownWay => ({
  result,
  community:
    result.ok &&
    result.value.steps.some((s) => catalogue.get(s.component)?.byId.get(s.release)?.track === "community"),
});

/** The procedures of its model that hold for a unit: not drafts, not for other hardware, not for other firmware. */
export async function howToOf(tx: Tx, who: SignedIn, unit: KnownUnit, catalogue: Catalogue) {
  const state = stateOfUnit(unit, catalogue);
  const procedures = (await proceduresOf(tx, unit.model)).filter((row) =>
    holdsFor(knownProcedure(row), { unit, catalogue, state }),
  );
  const [first] = catalogue.values();
  const version = first && state.get(first.component.id);
  const runs = version && (first.byId.get(version.release ?? "")?.version ?? version.cleaned);
  return {
    procedures: inPassing(procedures),
    runs,
    confirmed: shownConfirmed(await confirmationsOf(tx, unit.model), who.timeZone),
  };
}
