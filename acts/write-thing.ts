// A thing of the kit is added or corrected: a lead, a computer with what is on it, a tool with what it knows, and so on.
import { z } from "zod";
import type { KindName } from "#core/kit/kinds/kinds.ts";
import { KINDS } from "#core/kit/kinds/kinds.ts";
import { Reader, type Values } from "#core/kit/kinds/reader.ts";
import { leavesAll } from "#core/quantities/merge.ts";
import { bad, good } from "#core/quantities/result.ts";
import { isDuplicate } from "#db/errors.ts";
import { putInstalled, putSupports, putThing } from "#db/kit-put.ts";
import { loadKnown, valuesOf } from "#db/kit-values.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";
import { kindShape, valuesShape } from "./thing-fields.ts";

async function standing(
  tx: Tx,
  { kind, thing }: { readonly kind: KindName; readonly thing?: string | undefined },
): Promise<{ values: Values } | undefined> {
  const row = (await valuesOf(tx, kind, await loadKnown(tx))).find((one) => one.id === thing);
  // Beside its fields a row holds what they are called in the inventory.
  const fields = KINDS[kind].fields.map(({ name }) => [name, row?.[name] ?? ""] as const);
  return row && { values: Object.fromEntries(fields) };
}

/** Problems: `no-thing`; `fields`, with what is wrong by field; `taken`, if another one has its tag or name. */
export const writeThing = defineAct({
  name: "write-thing",
  input: z.object({ kind: kindShape, thing: id.optional(), values: valuesShape }),
  may: "edit-kit",
  corrects: { id: ({ thing }) => thing, standing },
  run: async (tx, input) => {
    const kind = KINDS[input.kind];
    const stands = input.thing === undefined ? undefined : await standing(tx, input);
    if (input.thing !== undefined && !stands) return bad({ kind: "no-thing" as const });
    if (input.thing !== undefined && stands && leavesAll(input, stands))
      return good({ answer: { thing: input.thing }, log: [] });
    const typed = Object.entries(input.values).flatMap(([name, value]) =>
      value === undefined ? [] : [[name, value] as const],
    );
    const reader = new Reader(Object.fromEntries(typed), await loadKnown(tx));
    const { columns, installed, supports } = kind.read(reader);
    if (Object.keys(reader.errors).length > 0) return bad({ kind: "fields" as const, errors: reader.errors });
    let thing: string;
    try {
      thing = await putThing(tx, kind.table, input.thing, columns);
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
    if (installed) await putInstalled(tx, thing, installed);
    if (supports) await putSupports(tx, thing, supports);
    const what = `${kind.one} ${String(columns[kind.name] ?? "")}`;
    const entry = {
      kind: input.thing === undefined ? ("kit-added" as const) : ("kit-changed" as const),
      what,
    };
    return good({
      answer: { thing },
      log: [{ entry }],
      touches: [{ scope: { of: "club" as const }, why: what }],
    });
  },
});
