// A sheet as it was looked at: what the page shows of it, and what it is answered.
import type { Encoding, Meaning, Plan, Table, unusedCells } from "#core/import/index.ts";
import type { DateOrder } from "#core/quantities/index.ts";

export type Preview = {
  readonly text: string;
  readonly file: string;
  readonly encoding: Encoding | "pasted";
  readonly delimiter: Table["delimiter"];
  readonly decimal: "." | ",";
  readonly dates: DateOrder;
  readonly datesAsk: boolean;
  /** The day said for readings without one; empty: nobody knows. */
  readonly undated: string;
  /** How many readings have no day in the sheet. */
  readonly withoutDay: number;
  readonly nothing: string;
  readonly above: readonly string[];
  readonly head: readonly string[];
  readonly sample: readonly string[];
  readonly meanings: readonly Meaning[];
  /** Cells that are not used, by column, and beyond the last one. */
  readonly unused: ReturnType<typeof unusedCells>;
  /** Names of the components that the club's models have. */
  readonly components: readonly string[];
  readonly shown: Plan["rows"];
  readonly counts: Record<"add" | "change" | "same" | "problem", number> & { readings: number };
  readonly newModels: Plan["newModels"];
  /** Who has a radio by the sheet and is not in the club; `makes`: they come in with it. */
  readonly strangers: Plan["strangers"];
  readonly makes: boolean;
  /** The cells of rows with a problem, by their lines: what is corrected here need not be corrected in the sheet first. */
  readonly cells: readonly (readonly [line: number, cells: readonly string[]])[];
  /** Names that are nearly a model's: what may be meant, and what was said of it. */
  readonly near: readonly {
    readonly key: string;
    readonly name: string;
    readonly options: readonly (readonly [string, string])[];
    readonly said: string;
  }[];
  readonly trouble?: string;
};

export type Reply =
  | { readonly trouble: string; readonly text?: string }
  | { readonly preview: Preview }
  /** It is brought in, but for these rows. */
  | { readonly left: Plan["rows"]; readonly brought: number };
