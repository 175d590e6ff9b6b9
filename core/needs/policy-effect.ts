// What another policy, or a hold, would do to radios, before anybody makes it: who becomes due, who is relieved, and when it first shows.
import type { PlainDate } from "../quantities/index.ts";
import type { Hold, Policy, Situation } from "../unit/index.ts";
import type { Need } from "./kinds/index.ts";
import { isOpen, targetOn } from "./need.ts";
import { needsOf } from "./unit.ts";

export type PolicyEffect = {
  /** Nothing due today, and something would be. */
  readonly newlyDue: readonly string[];
  /** Something due today, and something else would be. */
  readonly changed: readonly string[];
  /** Something due today, and nothing would be. */
  readonly freed: readonly string[];
  /** Today is as it was; another day is not. */
  readonly later: readonly string[];
  /** The first day on which anything is other than it would have been; absent: none, as far as is known today. */
  readonly firstOn?: PlainDate;
};

/** `after`: the policy that all of these radios would have. */
export const policyEffect = (situations: readonly Situation[], after: Policy): PolicyEffect =>
  effectOf(situations, ({ unit, catalogue }) => needsOf(unit, catalogue, after));

/** `hold`: what all of these radios would be on, in the place of their own holds. */
export const holdEffect = (situations: readonly Situation[], hold: Hold): PolicyEffect =>
  effectOf(situations, ({ unit, catalogue, policy }) => needsOf({ ...unit, hold }, catalogue, policy));

/** Each radio's needs as they are beside those that it would have. */
function effectOf(
  situations: readonly Situation[],
  then: (situation: Situation) => readonly Need[],
): PolicyEffect {
  const effect = {
    newlyDue: [] as string[],
    changed: [] as string[],
    freed: [] as string[],
    later: [] as string[],
  };
  let firstOn: PlainDate | undefined;
  for (const situation of situations) {
    const { unit, catalogue, policy, today } = situation;
    const was = needsOf(unit, catalogue, policy);
    const will = then(situation);
    const first = firstDifference(was, will, today);
    if (first === undefined) continue;
    if (firstOn === undefined || first < firstOn) firstOn = first;
    if (first > today) effect.later.push(unit.id);
    else {
      const [open, willOpen] = [openOn(was, today), openOn(will, today)];
      if (open.length === 0) effect.newlyDue.push(unit.id);
      else if (willOpen.length === 0) effect.freed.push(unit.id);
      else effect.changed.push(unit.id);
    }
  }
  return { ...effect, ...(firstOn && { firstOn }) };
}

const openOn = (needs: readonly Need[], day: PlainDate) => needs.filter((need) => isOpen(need, day));

/** What is due on a day, in one text: two that are alike ask for the same. */
const dueOn = (needs: readonly Need[], day: PlainDate): string =>
  openOn(needs, day)
    .map(
      (need) => `${need.kind} ${need.component} ${need.cause} ${need.urgency} ${targetOn(need, day) ?? ""}`,
    )
    .sort()
    .join("\n");

/** From `today` on, the first day on which other things are due; only days on which something begins, ends or changes can be that. */
function firstDifference(
  was: readonly Need[],
  will: readonly Need[],
  today: PlainDate,
): PlainDate | undefined {
  const days = [...was, ...will].flatMap(({ dueFrom, dueTo, targets }) => [
    dueFrom,
    ...(dueTo ? [dueTo] : []),
    ...targets.map(({ from }) => from),
  ]);
  const ahead = [...new Set(days.filter((day) => day > today))].sort();
  return [today, ...ahead].find((day) => dueOn(was, day) !== dueOn(will, day));
}
