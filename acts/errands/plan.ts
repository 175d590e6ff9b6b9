// What a run is to do, made from what is known of a radio when it is taken to the bench.
import { z } from "zod";
import { bad, good, type PlainDate, type Result } from "#core/quantities/index.ts";
import { sendings, withGathered } from "#core/run/index.ts";
import { knownProcedure, proceduresOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituation, unitById } from "#db/unit/index.ts";
import { backup, restore } from "./backup.ts";
import type { ErrandKind } from "./errand.ts";
import { freeLoad } from "./free-load.ts";
import { measure } from "./measure.ts";
import { mode } from "./mode.ts";
import { pair } from "./pair.ts";
import type { Planned, PlanProblem } from "./planned.ts";
import { component, procedure } from "./procedure.ts";
import { program } from "./program.ts";
import { update } from "./update.ts";
import { write } from "./write.ts";

const ERRANDS = {
  procedure,
  component,
  update,
  backup,
  restore,
  mode,
  measure,
  pair,
  program,
  write,
} as const;
type Errands = typeof ERRANDS;
type Name = keyof Errands;
/** What a radio is taken to the bench for: the name of the errand, with what is asked. */
export type Errand = { [N in Name]: Readonly<Record<N, z.output<Errands[N]["shape"]>>> }[Name];

export const errandShape = z.union(
  Object.entries(ERRANDS).map(([name, { shape }]) => z.object({ [name]: shape })),
) as unknown as z.ZodType<Errand>;

/** What each errand asks, by its name. */
export const ERRAND_SHAPES: Readonly<Record<Name, z.ZodType>> = Object.fromEntries(
  Object.entries(ERRANDS).map(([name, { shape }]) => [name, shape]),
) as unknown as Record<Name, z.ZodType>;
export const isErrand = (name: string): name is Name => Object.hasOwn(ERRANDS, name);

function kindOf(errand: Errand): { readonly kind: ErrandKind<z.ZodType>; readonly asked: unknown } {
  const [[name, asked] = []] = Object.entries(errand);
  return { kind: ERRANDS[name as Name] as unknown as ErrandKind<z.ZodType>, asked };
}

/** Whether the radio must be here, or with whoever begins. */
export const isWork = (errand: Errand): boolean => kindOf(errand).kind.isWork;

/** The plan for an errand, with what it works with; a dummy load, too, where it transmits. */
export async function planFor(
  tx: Tx,
  unit: string,
  errand: Errand,
  today: PlainDate,
): Promise<Result<Planned, PlanProblem>> {
  const situation = await loadSituation(tx, unit, today);
  if (!situation) return bad({ kind: "no-unit" });
  const procedures = (await proceduresOf(tx, situation.unit.model)).map(knownProcedure);
  const { kind, asked } = kindOf(errand);
  const planned = await kind.plan({ tx, situation, procedures, today }, asked);
  if (!planned.ok || sendings(planned.value.plan) === 0) return planned;
  const { plan, things } = planned.value;
  const row = await unitById(tx, unit);
  if (!row) return bad({ kind: "no-unit" });
  const load = await freeLoad(tx, { tag: row.tag, model: row.model_id }, plan);
  // Without a load nothing is measured; what transmits to see whether it does finds another.
  if (load.missing && plan.purpose === "measure") return bad({ kind: "no-adapter", ...load.missing });
  return good({
    ...planned.value,
    plan: withGathered(plan, load.what),
    things: [...things, ...load.things],
  });
}
