// An item of a service menu, or a region code, is written down for a model, or written anew.
import { z } from "zod";
import { codeShape, settingShape } from "#core/dossier/index.ts";
import { bad, good, leavesAll, sourceShape } from "#core/quantities/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { type ItemRow, modelById, putServiceItem, serviceItems } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** A stored item in the shape of the input. */
export const itemStands = ({ kind, name, facts, source }: ItemRow) => ({ kind, name, ...facts, source });

const common = {
  model: id,
  /** The one that is written anew. */
  item: id.optional(),
  source: sourceShape,
};

async function stored(
  tx: Tx,
  { model, item }: { readonly model: string; readonly item?: string | undefined },
) {
  const row = (await serviceItems(tx, model)).find((one) => one.id === item);
  return row && (itemStands(row) as object);
}

/** Problems: `no-model`; `no-item`, or it is of the other kind; `taken`, if another has that name. */
export const writeServiceItem = defineAct({
  name: "write-service-item",
  input: z.discriminatedUnion("kind", [
    settingShape.extend({ kind: z.literal("setting"), ...common }),
    codeShape.extend({ kind: z.literal("code"), ...common }),
  ]),
  may: "write-procedure",
  corrects: { id: ({ item }) => item, stored },
  run: async (tx, input) => {
    const { model, item, kind, name, source, ...facts } = input;
    if (!(await modelById(tx, model))) return bad({ kind: "no-model" as const });
    const row = (await serviceItems(tx, model)).find((one) => one.id === item);
    if (item !== undefined && row?.kind !== kind) return bad({ kind: "no-item" as const });
    if (row && leavesAll(input, itemStands(row))) return good({ answer: { item }, log: [] });
    try {
      const written = await putServiceItem(tx, model, item, { kind, name, facts, source });
      return good({
        answer: { item: written },
        log: [{ entry: { kind: "service-item-written" as const, what: name, of: kind }, model }],
      });
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
