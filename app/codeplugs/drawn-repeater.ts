// A repeater as the fields of its form are drawn with it.
import type { ChannelForm } from "#core/codeplug/index.ts";
import type { DrawnFrom } from "../forms/baseline.tsx";

export type Stands = {
  readonly form: ChannelForm;
  readonly latitude: number | null;
  readonly longitude: number | null;
  readonly open: boolean;
  readonly note: string;
};

/** What its fields are drawn with; of a new one, nothing but that it is open. */
export function drawnRepeater(row: Stands | undefined): DrawnFrom {
  const degrees = (value: number | null | undefined) =>
    value === null || value === undefined ? "" : String(value);
  return {
    ...row?.form,
    latitude: degrees(row?.latitude),
    longitude: degrees(row?.longitude),
    note: row?.note ?? "",
    open: !row || row.open ? "on" : [],
  };
}
