// What a model is known by, where its keys are, what its parts are called and how each is read.
import { z } from "zod";
import { identityShape, partReadingShape } from "#core/dossier/index.ts";
import { bad, good, leavesAll } from "#core/quantities/index.ts";
import { partName } from "#core/release/index.ts";
import { dossierHead, modelById, putIdentity, putPartReading, renamePart } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

const MOST = 100;

const identityInput = z.object({
  model: id,
  identity: identityShape,
  /** By the ids of the parts. */
  parts: z
    .record(z.string().regex(/^\d{1,18}$/), z.object({ name: partName, reading: partReadingShape }))
    .refine((parts) => Object.keys(parts).length <= MOST, "At most 100 parts.")
    .meta({ maxProperties: MOST }),
});

/** What a model is known by and how its parts are read, as it stands; undefined if there is no such model. */
export async function identityStands(tx: Tx, { model }: { readonly model: string }) {
  if (!(await modelById(tx, model))) return undefined;
  const { identity, parts } = await dossierHead(tx, model);
  return {
    identity,
    parts: Object.fromEntries(parts.map(({ id: part, name, reading }) => [part, { name, reading }])),
  };
}

/** Problems: `no-model`; `no-part`; `names-twice`, where two parts would be called alike. */
export const writeIdentity = defineAct({
  name: "write-identity",
  input: identityInput,
  may: "edit-model",
  corrects: { id: ({ model }) => model, stored: identityStands },
  run: async (tx, input) => {
    const { model, identity, parts } = input;
    const stands = await identityStands(tx, input);
    const row = await modelById(tx, model);
    if (!stands || !row) return bad({ kind: "no-model" as const });
    if (Object.keys(parts).some((part) => !(part in stands.parts))) return bad({ kind: "no-part" as const });
    const all = { ...stands.parts, ...parts };
    const names = Object.values(all).map(({ name }) => name.toLowerCase());
    if (new Set(names).size < names.length) return bad({ kind: "names-twice" as const });
    if (leavesAll({ identity, parts: all }, stands)) return good({ answer: {}, log: [] });
    await putIdentity(tx, model, identity);
    const renamed = Object.entries(parts).filter(([part, { name }]) => stands.parts[part]?.name !== name);
    // Two parts may change names with each other: first out of the way, then to the new one.
    for (const [part, { name }] of renamed)
      await renamePart(tx, model, part, `${name} ${crypto.randomUUID()}`);
    for (const [part, { name }] of renamed) await renamePart(tx, model, part, name);
    for (const [part, { reading }] of Object.entries(parts)) await putPartReading(tx, part, reading);
    return good({
      answer: {},
      log: [
        { entry: { kind: "model-changed" as const, name: row.name, what: "what it is known by" }, model },
      ],
      // Which leads meet it hangs on its plugs, and what releases require goes by the names of parts.
      touches: [{ scope: { of: "model" as const, id: model }, why: row.name }],
    });
  },
});
