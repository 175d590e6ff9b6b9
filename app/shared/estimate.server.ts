// How long work takes, as the club's own runs of the model say, and the dossier where there are none: one estimate for every page.
import { planFor } from "#acts/errands/plan.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { estimate, foldRun, historyOf, stepsOf } from "#core/run/index.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, runsOfModel } from "#db/run/index.ts";

/** From so many of the last runs of a model it is told how long its steps usually take. */
const MOST_BEFORE = 20;

export async function historyOfModel(tx: Tx, model: string) {
  const before = await runsOfModel(tx, model, MOST_BEFORE);
  const events = await eventsOf(
    tx,
    before.map(({ id }) => id),
  );
  return historyOf(
    before.map(({ id, plan, simulated }) => ({ run: foldRun(plan, events.get(id) ?? []), simulated })),
  );
}

/** Minutes of all that an update is at the bench, from what is gathered to what is put away; undefined: it cannot be begun. */
export async function minutesOfUpdate(
  tx: Tx,
  unit: { readonly id: string; readonly model_id: string },
  to: string | undefined,
  today: PlainDate,
): Promise<number | undefined> {
  const planned = await planFor(tx, unit.id, { update: to === undefined ? {} : { to } }, today);
  if (!planned.ok) return undefined;
  const history = await historyOfModel(tx, unit.model_id);
  return stepsOf(planned.value.plan).reduce((sum, { step }) => sum + estimate(step, history).minutes, 0);
}
