// A model is added or corrected: who makes it, what it is called, its parts with firmware of their own, its hardware revisions.

import { z } from "zod";
import { BODIES, overlapOf, serialRangeShape } from "#core/dossier/index.ts";
import { bad, good, leavesAll } from "#core/quantities/index.ts";
import { partName } from "#core/release/index.ts";
import { FIELD_LIMITS } from "#core/unit/index.ts";
import { isDuplicate } from "#db/errors.ts";
import {
  addParts,
  dossierHead,
  modelById,
  orderParts,
  othersInUse,
  type PartUse,
  putModel,
  revisionsOf,
  takeAway,
} from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

export const MOST_PARTS = 20;
export const MOST_REVISIONS = 200;

export const modelInput = z.object({
  model: id.optional(),
  maker: z.string().trim().max(FIELD_LIMITS.maker).default(""),
  name: z.string().trim().min(1).max(FIELD_LIMITS.model),
  kind: z.enum(BODIES),
  note: z.string().trim().max(2000).default(""),
  /** The first is the one meant where a reading names none. */
  components: z.array(partName).min(1).max(MOST_PARTS),
  suffixes: z.array(z.string().trim().min(1).max(40)).max(100).default([]),
  /** Why no backup is wanted before a flash that erases nothing; empty: one is. */
  noBackupWhy: z.string().trim().max(300).default(""),
  revisions: z
    .array(
      z.object({
        name: z.string().trim().min(1).max(200),
        tell: z.string().trim().max(1000).default(""),
        serials: z.array(serialRangeShape).max(50).default([]),
      }),
    )
    .max(MOST_REVISIONS)
    .default([]),
});

/** A model as it stands, in the same shape. */
export async function modelStands(tx: Tx, { model }: { readonly model?: string | undefined }) {
  const row = model === undefined ? undefined : await modelById(tx, model);
  if (!row) return undefined;
  const { maker, name, note, suffixes, no_backup_why: noBackupWhy } = row;
  const { parts } = await dossierHead(tx, row.id);
  const revisions = (await revisionsOf(tx, row.id)).map((r) => ({
    name: r.name,
    tell: r.how_to_tell,
    serials: r.serials,
  }));
  const kind = BODIES.find((one) => one === row.kind) ?? "handheld";
  return {
    maker,
    name,
    kind,
    note,
    suffixes,
    noBackupWhy,
    components: parts.map((part) => part.name),
    revisions,
  };
}

/** Problems: `no-model`; `taken`; `serials-overlap`; `in-use`, with the parts or revisions that cannot go. */
export const writeModel = defineAct({
  name: "write-model",
  input: modelInput,
  may: "edit-model",
  corrects: { id: ({ model }) => model, stored: modelStands },
  run: async (tx, input) => {
    const { model, components, revisions, ...fields } = input;
    const stands = await modelStands(tx, input);
    if (model !== undefined && !stands) return bad({ kind: "no-model" as const });
    const both = overlapOf(revisions);
    if (both) return bad({ kind: "serials-overlap" as const, revisions: both });
    const inOrder = JSON.stringify(stands?.components) === JSON.stringify(components);
    if (model !== undefined && stands && inOrder && leavesAll(input, stands))
      return good({ answer: { model }, log: [] });
    const stuck = model === undefined ? [] : await takenAway(tx, model, components, revisions);
    if (stuck.length > 0) return bad({ kind: "in-use" as const, stuck });
    let stored: string;
    try {
      stored = await putModel(tx, model, fields);
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
    await addParts(tx, stored, components, revisions);
    await orderParts(tx, stored, components);
    const entry = stands
      ? { kind: "model-changed" as const, name: fields.name, what: "its identity" }
      : { kind: "model-added" as const, name: fields.name };
    return good({
      answer: { model: stored },
      log: [{ entry, model: stored }],
      touches: [{ scope: { of: "model" as const, id: stored }, why: fields.name }],
    });
  },
});

export type StuckPart = PartUse & { readonly of: "component" | "hardware_revision" };

/** Takes away the parts and revisions that are no longer named; or nothing, and answers which cannot go. */
async function takenAway(
  tx: Tx,
  model: string,
  components: readonly string[],
  revisions: readonly { readonly name: string }[],
): Promise<StuckPart[]> {
  const named = { component: components, hardware_revision: revisions.map((r) => r.name) } as const;
  const all: StuckPart[] = [];
  for (const of of ["component", "hardware_revision"] as const)
    all.push(...(await othersInUse(tx, model, of, named[of])).map((one) => ({ ...one, of })));
  const stuck = all.filter((one) => Object.values(one.by).some((count) => count > 0));
  if (stuck.length > 0) return stuck;
  for (const of of ["component", "hardware_revision"] as const)
    await takeAway(
      tx,
      of,
      all.filter((one) => one.of === of).map((one) => one.id),
    );
  return [];
}
