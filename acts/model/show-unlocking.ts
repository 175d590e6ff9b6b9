// Something guarded is shown to somebody; that is noted, once an hour for a person and a thing. Done first by whoever hands such facts out (`app/shared/guarded.server.ts`).
import { z } from "zod";
import { type GuardedPart, isGuarded } from "#core/dossier/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { hasGuarded } from "#core/run/index.ts";
import { clubName } from "#db/club/index.ts";
import { modelById, modesOf, procedureById } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { runById } from "#db/run/index.ts";
import { unitById } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

export const guardedShape = z.union([
  z.object({ model: id, procedure: id }),
  z.object({ model: id, mode: id }),
  z.object({ model: id, service: z.literal("menu") }),
  z.object({ model: id, dossier: z.literal("whole") }),
  z.object({ unit: id, service: z.literal("values") }),
  z.object({ run: id }),
  z.object({ club: z.literal("whole") }),
]);
/** Which guarded facts. */
export type Guarded = z.output<typeof guardedShape>;

/** Problems: `not-there`; `not-guarded`, of which nothing has to be noted. */
export const showUnlocking = defineAct({
  name: "show-unlocking",
  input: guardedShape,
  may: "see-unlocking",
  shows: true,
  run: async (tx, guarded) => {
    const found = await lookUp(tx, guarded);
    if (found === "not-there" || found === "not-guarded") return bad({ kind: found });
    const { part, what, ...about } = found;
    return good({ answer: {}, log: [{ entry: { kind: "unlocking-shown" as const, what, part }, ...about }] });
  },
});

type Found = {
  readonly part: GuardedPart;
  readonly what: string;
  readonly model?: string;
  readonly unit?: string;
};

async function lookUp(tx: Tx, guarded: Guarded): Promise<Found | "not-there" | "not-guarded"> {
  if ("run" in guarded) {
    const run = await runById(tx, guarded.run);
    if (!run) return "not-there";
    return hasGuarded(run.plan) ? { part: "run", what: run.title, unit: run.unit_id } : "not-guarded";
  }
  if ("club" in guarded) return { part: "club", what: await clubName(tx) };
  if ("unit" in guarded) {
    const unit = await unitById(tx, guarded.unit);
    return unit ? { part: "service-values", what: unit.model, unit: unit.id } : "not-there";
  }
  const { model } = guarded;
  if ("procedure" in guarded) {
    const row = await procedureById(tx, model, guarded.procedure);
    if (!row) return "not-there";
    return isGuarded(row) ? { part: "procedure", what: row.title, model } : "not-guarded";
  }
  if ("mode" in guarded) {
    const row = (await modesOf(tx, model)).find((one) => one.id === guarded.mode);
    if (!row) return "not-there";
    return row.facts.setting === undefined ? "not-guarded" : { part: "mode", what: row.name, model };
  }
  const row = await modelById(tx, model);
  if (!row) return "not-there";
  return { part: "dossier" in guarded ? "dossier" : "service-menu", what: row.name, model };
}
