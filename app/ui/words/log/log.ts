// The log's entries as sentences, each kind by its own line of a table; a kind without one does not compile.
import { type LogEntry, logEntry } from "#core/club/index.ts";
import { CLUB_SAID } from "./club.ts";
import { CODEPLUG_SAID } from "./codeplug.ts";
import type { Sayers } from "./entry.ts";
import { KIT_SAID } from "./kit.ts";
import { MODEL_SAID } from "./model.ts";
import { UNIT_SAID } from "./unit.ts";

const SAID: Sayers<LogEntry["kind"]> = {
  ...CLUB_SAID,
  ...MODEL_SAID,
  ...UNIT_SAID,
  ...KIT_SAID,
  ...CODEPLUG_SAID,
};

export function sayEntry(
  row: { readonly kind: string; readonly detail: Record<string, unknown> },
  locale: string,
): string {
  const parsed = logEntry.safeParse({ ...row.detail, kind: row.kind });
  if (!parsed.success) return row.kind;
  const say = SAID[parsed.data.kind] as (entry: LogEntry, locale: string) => string;
  return say(parsed.data, locale);
}
