// How something is done with a model is written down, or written anew.
import { z } from "zod";
import { procedureShape } from "#core/dossier/index.ts";
import { bad, good, leavesAll } from "#core/quantities/index.ts";
import { rangeShape } from "#core/version/index.ts";
import { dossierHead, modelById, procedureById, putProcedure, revisionsOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

async function stored(
  tx: Tx,
  { model, procedure }: { readonly model: string; readonly procedure?: string | undefined },
) {
  const row = procedure === undefined ? undefined : await procedureById(tx, model, procedure);
  if (!row) return undefined;
  const { id: _, component_id: component, hardware_revisions: revisions, ...fields } = row;
  return { ...fields, component, revisions };
}

/** Problems: `no-model`, `no-procedure`, `no-part`, `no-revision`. */
export const writeProcedure = defineAct({
  name: "write-procedure",
  input: procedureShape.omit({ firmware: true, hardwareRevisions: true }).extend({
    model: id,
    /** The one that is written anew. */
    procedure: id.optional(),
    component: id.nullable(),
    firmware: rangeShape.nullable(),
    revisions: z.array(id).min(1).max(200).nullable(),
    /** Not all of its lines could be read as steps. */
    draft: z.boolean(),
  }),
  may: "write-procedure",
  corrects: { id: ({ procedure }) => procedure, stored },
  run: async (tx, input) => {
    const { model, procedure, component, revisions, ...fields } = input;
    if (!(await modelById(tx, model))) return bad({ kind: "no-model" as const });
    if (procedure !== undefined && !(await procedureById(tx, model, procedure)))
      return bad({ kind: "no-procedure" as const });
    const stands = await stored(tx, input);
    if (stands && procedure !== undefined && leavesAll(input, stands))
      return good({ answer: { procedure }, log: [] });
    const { parts } = await dossierHead(tx, model);
    if (component !== null && !parts.some((p) => p.id === component))
      return bad({ kind: "no-part" as const });
    const known = (await revisionsOf(tx, model)).map((r) => r.id);
    if (revisions?.some((revision) => !known.includes(revision)))
      return bad({ kind: "no-revision" as const });
    const written = await putProcedure(tx, model, procedure, {
      ...fields,
      component_id: component,
      hardware_revisions: revisions,
    });
    return good({
      answer: { procedure: written },
      log: [{ entry: { kind: "procedure-written" as const, title: fields.title }, model }],
    });
  },
});
