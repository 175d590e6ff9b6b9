// A radio's own facts as its form shows them.
import type { UnitRow } from "#db/units.ts";

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
