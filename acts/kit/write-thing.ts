// A thing of the kit is added or corrected: a lead, a computer with what is on it, a tool with what it knows, and so on.
import { z } from "zod";
import { KINDS, type KindName, movesKind, Reader, type Values } from "#core/kit/index.ts";
import { bad, good, leavesAll } from "#core/quantities/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { loadKnown, putInstalled, putProgrammer, putSupports, putThing, valuesOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { kindShape, valuesShape } from "./thing-fields.ts";

async function stored(
  tx: Tx,
  { kind, thing }: { readonly kind: KindName; readonly thing?: string | undefined },
): Promise<{ values: Values } | undefined> {
  const row = (await valuesOf(tx, kind, await loadKnown(tx))).find((one) => one.id === thing);
  // Beside its fields a row holds what they are called in the inventory.
  const fields = KINDS[kind].fields.map(({ name }) => [name, row?.[name] ?? ""] as const);
  return row && { values: Object.fromEntries(fields) };
}

/** What there is but once beside tags and names: the index, the field, and what is answered there. */
const TWICE = [
  ["device_address", "address", "Another device has this address already."],
  ["pair_advice_once", "what", "There is advice for this type with this model already."],
] as const;

/** Problems: `no-thing`; `fields`, with what is wrong by field; `taken`, if another one has its tag or name. */
export const writeThing = defineAct({
  name: "write-thing",
  input: z.object({ kind: kindShape, thing: id.optional(), values: valuesShape }),
  may: "edit-kit",
  corrects: { id: ({ thing }) => thing, stored },
  run: async (tx, sent) => {
    const kind = KINDS[sent.kind];
    // What the kind has no field for says nothing.
    const fields = kind.fields.map(({ name }) => [name, sent.values[name]] as const);
    const input = { ...sent, values: Object.fromEntries(fields.filter(([, value]) => value !== undefined)) };
    const stands = input.thing === undefined ? undefined : await stored(tx, input);
    if (input.thing !== undefined && !stands) return bad({ kind: "no-thing" as const });
    if (input.thing !== undefined && stands && leavesAll(input, stands))
      return good({ answer: { thing: input.thing }, log: [] });
    const typed = Object.entries(input.values).flatMap(([name, value]) =>
      value === undefined ? [] : [[name, value] as const],
    );
    const reader = new Reader(Object.fromEntries(typed), await loadKnown(tx));
    const { columns, installed, supports } = kind.read(reader);
    if (Object.keys(reader.errors).length > 0) return bad({ kind: "fields" as const, errors: reader.errors });
    const moved = input.kind === "devices" && movesKind(stands?.values.kind, columns.kind);
    if (moved)
      return bad({
        kind: "fields" as const,
        errors: {
          kind: "A programmer comes with its lead, a radio with its unit; neither becomes the other.",
        },
      });
    let thing: string;
    try {
      thing = await putThing(tx, kind.table, input.thing, columns);
    } catch (error) {
      const twice = TWICE.find(([index]) => isDuplicate(error, index));
      if (twice) return bad({ kind: "fields" as const, errors: { [twice[1]]: twice[2] } });
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
    if (installed) await putInstalled(tx, thing, installed);
    if (supports) await putSupports(tx, thing, supports);
    if (kind.table === "lead" && columns.kind === "programmer")
      await putProgrammer(tx, thing, String(columns.tag));
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
