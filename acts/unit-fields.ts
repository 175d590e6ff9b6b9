// What a radio is, as its form and its acts take it: the one shape, with its bounds.
import { z } from "zod";
import { FIELD_LIMITS, isTagUsable } from "#core/club/unit-fields.ts";
import { bad, good, type Result } from "#core/quantities/result.ts";
import { modelsToPick } from "#db/models.ts";
import type { Tx } from "#db/pool.ts";
import type { UnitFields, UnitRow } from "#db/units.ts";
import { id } from "./shapes.ts";

export const unitShape = z.object({
  tag: z
    .string({ error: "A radio is known by its tag." })
    .trim()
    .min(1)
    .max(FIELD_LIMITS.tag, `At most ${FIELD_LIMITS.tag} characters.`)
    .refine(isTagUsable, "Without / \\ ? # and %, not only dots, and not “new”."),
  model: id.optional().transform((m) => m ?? ""),
  hardware: id.optional(),
  region: z.string().trim().max(FIELD_LIMITS.region).optional(),
  serial: z.string().trim().max(FIELD_LIMITS.serial).default(""),
  place: id.optional(),
  group: id.optional(),
  note: z.string().trim().max(FIELD_LIMITS.note).default(""),
});

/** A radio as it stands, in the same shape. */
export const unitStands = (row: UnitRow): z.infer<typeof unitShape> => ({
  tag: row.tag,
  model: row.model_id,
  hardware: row.hardware_revision_id ?? undefined,
  region: row.region ?? undefined,
  serial: row.serial,
  place: row.place_id ?? undefined,
  group: row.group_id ?? undefined,
  note: row.note,
});

/** Problems: `no-model`; `no-revision`, with the model that has none such. */
export async function fieldsIn(
  tx: Tx,
  told: z.infer<typeof unitShape>,
): Promise<Result<UnitFields, { kind: "no-model" } | { kind: "no-revision"; model: string }>> {
  const model = (await modelsToPick(tx)).find((m) => m.id === told.model);
  if (!model) return bad({ kind: "no-model" });
  if (told.hardware && !model.revisions.some((r) => r.id === told.hardware))
    return bad({ kind: "no-revision", model: model.name });
  const { hardware = null, region = null, group = null, place = null, ...rest } = told;
  return good({ ...rest, hardwareRevision: hardware, region: region || null, group, place });
}
