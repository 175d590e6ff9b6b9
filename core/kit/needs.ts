// What a unit needs, with what can be done about it with the kit that is there.
import { type Action, actionOf, type Need, needsOf } from "../needs/index.ts";
import type { UnitFacts } from "../unit/index.ts";
import type { AnyDay, KitSituation } from "./situation.ts";
import { toolingOfNeed } from "./tooling.ts";

export type NeedToDo = { readonly need: Need; readonly action: Action };

/** The needs of a unit on whatever day, each with what can be done about it. Neither depends on the day that is asked. */
export function* needsToDo(
  situation: AnyDay<KitSituation<UnitFacts & { readonly away: boolean }>>,
): Generator<NeedToDo> {
  const { unit, catalogue, policy } = situation;
  for (const need of needsOf(unit, catalogue, policy)) {
    // The last release that the need will call for: which it is does not depend on the day.
    const release = need.targets.at(-1)?.release;
    const { component, dueTo } = need;
    const action = actionOf(need, unit.away, () =>
      release === undefined
        ? "no-route"
        : toolingOfNeed(situation, { component, release, ends: dueTo !== undefined }).kind,
    );
    yield { need, action };
  }
}
