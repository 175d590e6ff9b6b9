// How one kind of entry is said, and what several of them say alike.
import type { LogEntry } from "#core/club/index.ts";
import { isPlainDate } from "#core/quantities/index.ts";
import { counted } from "../count.ts";
import { sayDate } from "../time.ts";

export type Sayers<Kind extends LogEntry["kind"]> = {
  readonly [K in Kind]: (entry: Extract<LogEntry, { kind: K }>, locale: string) => string;
};

/** Those of one subject; together they say all there are. */
export type SomeSayers = Partial<Sayers<LogEntry["kind"]>>;

/** A day as people of the locale write it; what is no day stays as it was written. */
export const dayOf = (text: string, locale: string) => (isPlainDate(text) ? sayDate(text, locale) : text);

/** How many radios a change concerns, as the end of a sentence. */
export const touching = (units: number) => (units === 0 ? "" : `, touching ${counted(units, "radio")}`);
