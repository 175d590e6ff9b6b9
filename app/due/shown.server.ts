// The board's rows in the words that the page shows: said here, so that the page gets sentences and not the facts behind them.
import type { NeedKind } from "#core/needs/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import type { BoardName, BoardRow } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import type { Counting } from "../shared/how-counted.tsx";
import { namesOf } from "../ui/why.tsx";
import { sayNeed } from "../ui/words/needs/index.ts";
import { countingKey } from "./counting.server.ts";
import { type RowTooling, toolingKey } from "./tooling.server.ts";

/** What is not so is left out. */
export type ShownRow = {
  readonly unit: string;
  readonly tag: string;
  readonly model: string;
  readonly kind: NeedKind;
  readonly component: string;
  readonly raw?: string;
  readonly urgency?: "fix" | "safety";
  readonly says: string;
  /** For an install: with what, or what is missing. */
  readonly tooling?: string;
  /** Somebody must say how its model numbers its releases. */
  readonly asksHow?: Counting | "on its page";
  /** Who has it, or where it is. */
  readonly where: string;
  /** The reader of the page has it. */
  readonly mine?: true;
  readonly due: PlainDate;
};

export type Said = {
  readonly known: readonly BoardName[];
  readonly releases: Readonly<Record<string, string>>;
  readonly tooling: Readonly<Record<string, RowTooling>>;
  readonly counting: ReadonlyMap<string, Counting>;
};

const URGENCY = [undefined, "fix", "safety"] as const;

export function shownRows(
  rows: readonly BoardRow[],
  { known, releases, tooling, counting }: Said,
  who: SignedIn,
): ShownRow[] {
  const called = new Map(known.map((k) => [k.kind + k.id, k.name]));
  const names = namesOf(releases, who.locale, who.today);
  return rows.map((row): ShownRow => {
    const urgency = URGENCY[row.urgency];
    const with_ = row.kind === "firmware" ? tooling[toolingKey(row)] : undefined;
    const holder = row.holder_id && called.get(`person${row.holder_id}`)?.split(" ")[0];
    return {
      unit: row.unit_id,
      tag: row.tag,
      model: called.get(`model${row.model_id}`) ?? "?",
      kind: row.kind,
      component: row.component,
      ...(row.raw && { raw: row.raw.slice(0, 24) }),
      ...(urgency && { urgency }),
      says: sayNeed(row, names, row.component !== "main"),
      ...(with_ && {
        tooling: with_.word ? `${with_.word}: ${with_.words}` : with_.words,
      }),
      ...(row.cause === "uncounted" && {
        asksHow: counting.get(countingKey(row)) ?? ("on its page" as const),
      }),
      where: holder ? `with ${holder}` : (called.get(`place${row.place_id}`) ?? "no place"),
      ...(row.holder_id === who.person && { mine: true }),
      due: row.due_from,
    };
  });
}
