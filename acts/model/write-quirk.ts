// An oddity of a model is written down, or written anew.
import { z } from "zod";
import { bad, good, leavesAll, sourceShape } from "#core/quantities/index.ts";
import { rangeShape } from "#core/version/index.ts";
import { dossierHead, modelById, putQuirk, quirksOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

async function stored(
  tx: Tx,
  { model, quirk }: { readonly model: string; readonly quirk?: string | undefined },
) {
  const row = (await quirksOf(tx, model)).find((q) => q.id === quirk);
  if (!row) return undefined;
  const { symptom, cause, cure, component_id: component, firmware, source } = row;
  return { symptom, cause, cure, component, firmware, source };
}

/** Problems: `no-model`, `no-quirk`, `no-part`. */
export const writeQuirk = defineAct({
  name: "write-quirk",
  input: z.object({
    model: id,
    /** The one that is written anew. */
    quirk: id.optional(),
    symptom: z.string().trim().min(1).max(500),
    cause: z.string().trim().max(1000),
    cure: z.string().trim().max(1000),
    component: id.nullable(),
    firmware: rangeShape.nullable(),
    source: sourceShape,
  }),
  may: "write-procedure",
  corrects: { id: ({ quirk }) => quirk, stored },
  run: async (tx, input) => {
    const { model, quirk, component, ...fields } = input;
    if (!(await modelById(tx, model))) return bad({ kind: "no-model" as const });
    if (quirk !== undefined && !(await quirksOf(tx, model)).some((q) => q.id === quirk))
      return bad({ kind: "no-quirk" as const });
    const stands = await stored(tx, input);
    if (stands && quirk !== undefined && leavesAll(input, stands))
      return good({ answer: { quirk }, log: [] });
    const { parts } = await dossierHead(tx, model);
    if (component !== null && !parts.some((p) => p.id === component))
      return bad({ kind: "no-part" as const });
    const written = await putQuirk(tx, model, quirk, { ...fields, component_id: component });
    return good({
      answer: { quirk: written },
      log: [{ entry: { kind: "quirk-written" as const, symptom: fields.symptom }, model }],
    });
  },
});
