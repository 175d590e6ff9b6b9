// Where what is known of a device's battery stands.
import type { DeviceRow } from "#db/kit/index.ts";

/** A programmer's is the page of its lead. */
export const pageOf = ({ id, kind, lead_id }: Pick<DeviceRow, "id" | "kind" | "lead_id">): string =>
  kind === "programmer" ? `/kit/leads/${lead_id}` : `/kit/devices/${id}`;
