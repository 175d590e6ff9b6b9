// What a radio's codeplug is held against: gathered once, for pages, cures and runs.

import {
  type CodeplugCheck,
  type CodeplugLists,
  digitsOf,
  habitsOf,
  identityState,
} from "#core/codeplug/index.ts";
import { allowedOn, classOf } from "#core/modes/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { codeplugFactsOf, identities, known, planNow, repeaters, tablesOf } from "#db/codeplug/index.ts";
import { bandPlan, knownMode, modesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import type { LoadedSituation } from "#db/unit/index.ts";

const NOTHING_SAID = { rule: "as it is" } as const;

/** `lists`: those of the codeplug that is checked. */
export async function codeplugCheck(
  tx: Tx,
  { unit, policy }: LoadedSituation,
  lists: CodeplugLists,
  today: PlainDate,
): Promise<CodeplugCheck> {
  const [modes, plan, segments, directory, own, [row]] = await Promise.all([
    modesOf(tx, unit.model),
    planNow(tx),
    bandPlan(tx),
    repeaters(tx),
    identities(tx, unit.id),
    codeplugFactsOf(tx, unit.model),
  ]);
  const onDay = policyOn(policy, today);
  const transmit = onDay.transmit ?? NOTHING_SAID;
  const facts = { policy: transmit, plan: segments, holder: unit.holder };
  const digital = own.filter(({ kind }) => kind === "digital").map((one) => identityState(known(one), today));
  // Where the plan begins is where those meet who carry it; a model that cannot is not held to it.
  const first = onDay.codeplug === "plan" ? plan?.blocks[0]?.members[0]?.transmit : undefined;
  const [table] = plan && first !== undefined ? await tablesOf(tx, plan.id, unit.model) : [];
  const meets = table?.laid.channels.some((channel) => channel.transmit === first) ? first : undefined;
  return {
    mode: modes.map(knownMode).find(({ id }) => id === unit.mode?.now.id),
    allowed: allowedOn(facts, today),
    class: transmit.rule === "legacy" ? undefined : classOf(facts),
    plan: segments,
    on: today,
    lists,
    habits: habitsOf(directory),
    holds: row?.facts,
    meets,
    identities: digital.flatMap((one) => (one.kind === "there" ? [digitsOf(one.value)] : [])),
    identity: digital.some(({ kind }) => kind === "there")
      ? "there"
      : digital.length > 0
        ? "awaited"
        : undefined,
  };
}
