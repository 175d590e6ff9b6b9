// In which mode a radio is, how that stands, and what else it could be in.

import { modesHere } from "#acts/errands/work.ts";
import { allowedOn, classOf, excess, modeStanding, transmitOf } from "#core/modes/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { bandPlan, knownMode, modesOf, unitModes } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import type { LoadedSituation } from "#db/unit/index.ts";

const NOTHING_SAID = { rule: "as it is" } as const;

/** Undefined: its dossier knows no modes. */
export async function shownMode(tx: Tx, situation: LoadedSituation | undefined, today: PlainDate) {
  if (!situation) return undefined;
  const { unit } = situation;
  const rows = modesHere(situation, await modesOf(tx, unit.model));
  if (rows.length === 0) return undefined;
  const [history, plan] = await Promise.all([unitModes(tx, unit.id, 6), bandPlan(tx)]);
  const modes = rows.map(knownMode);
  const policy = policyOn(situation.policy, today).transmit ?? NOTHING_SAID;
  const holder = unit.holder;
  const facts = { modes, now: unit.mode?.now.id, policy, plan, holder };
  const allowed = allowedOn(facts, today);
  return {
    rule: policy.rule,
    class: policy.rule === "legacy" ? undefined : classOf(facts),
    held: holder !== undefined,
    standing: modeStanding(facts, today),
    allowed,
    now: unit.mode?.now.id,
    modes: modes.map((mode) => ({
      id: mode.id,
      name: mode.name,
      transmit: transmitOf(mode),
      ticks: mode.fixed?.flatMap(({ frequency, receiveOnly }) => (receiveOnly ? [] : [frequency])),
      receive: mode.receive,
      watts: mode.watts,
      outside: mode.outside,
      erases: mode.erases,
      sign: mode.sign,
      excess: allowed && excess(mode, allowed),
    })),
    history: history.map(({ at, ...one }) => ({ ...one, at: at.toISOString() })),
  };
}

export type ShownMode = NonNullable<Awaited<ReturnType<typeof shownMode>>>;
