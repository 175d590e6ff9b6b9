// A radio's own facts as a form, and what a save changed, for the log.
import { z } from "zod";
import { FIELD_LIMITS, isTagUsable } from "#core/club/unit-fields.ts";
import type { UnitFields, UnitRow } from "#db/units.ts";

const id = z.string().regex(/^\d{1,18}$/);

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

export const fieldsOf = (unit: UnitRow | undefined): Record<string, string> => ({
  tag: unit?.tag ?? "",
  model: unit?.model_id ?? "",
  hardware: unit?.hardware_revision_id ?? "",
  region: unit?.region ?? "",
  serial: unit?.serial ?? "",
  place: unit?.place_id ?? "",
  group: unit?.group_id ?? "",
  note: unit?.note ?? "",
});

/** What is different now, in words: "tag W-03 to W-30, group". */
export function changesIn(before: UnitRow, after: UnitFields): string {
  const changed = [
    before.tag !== after.tag && `tag ${before.tag} to ${after.tag}`,
    before.model_id !== after.model && "model",
    before.hardware_revision_id !== after.hardwareRevision && "hardware revision",
    before.region !== after.region && "region",
    before.serial !== after.serial && "serial number",
    before.place_id !== after.place && "place",
    before.group_id !== after.group && "group",
    before.note !== after.note && "note",
  ];
  return changed.filter(Boolean).join(", ");
}
