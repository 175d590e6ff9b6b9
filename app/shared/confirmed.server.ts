// Confirmations as pages show them.
import { dateInZone } from "#core/quantities/index.ts";
import type { Confirmed } from "#db/model/index.ts";
import type { ShownConfirmed } from "./known-from.tsx";

export const shownConfirmed = (rows: readonly Confirmed[], timeZone: string): ShownConfirmed[] =>
  rows.map(({ at, ...rest }) => ({ ...rest, date: dateInZone(at, timeZone) }));
