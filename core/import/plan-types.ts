// What the plan of a sheet says, and what it is held against.
import type { KnownModel, NewModel } from "./models.ts";
import type { KnownPerson } from "./people.ts";
import type { CellProblem, Field, SheetRadio, ToldReading } from "./radios.ts";

/** What the club has now; units by their folded tags. */
export type KnownClub = {
  readonly units: ReadonlyMap<string, KnownRow>;
  readonly models: readonly KnownModel[];
  /** The tags that units have now, by the folded ones they had before. */
  readonly renamed: ReadonlyMap<string, string>;
  readonly people: readonly KnownPerson[];
};

export type KnownRow = Readonly<Record<Exclude<Field, "tag" | "maker" | "model">, string>> & {
  readonly id: string;
  readonly model: string;
  /** Who has it. */
  readonly holder?: string | undefined;
  /** What has been read in its components, by their folded names. */
  readonly read: ReadonlyMap<string, KnownReadings>;
};

export type KnownReadings = {
  readonly newest: string;
  /** Each as text and day; see `readingKey`. */
  readonly all: ReadonlySet<string>;
};

export type RowProblem =
  | CellProblem
  | { readonly kind: "no-model" }
  | { readonly kind: "nearly-model"; readonly name: string; readonly near: readonly string[] }
  | { readonly kind: "unknown-person"; readonly name: string }
  /** Several may be meant. */
  | { readonly kind: "which-person"; readonly name: string; readonly people: readonly string[] }
  | { readonly kind: "with-other"; readonly holder: string }
  | { readonly kind: "renamed"; readonly now: string }
  | { readonly kind: "which-model"; readonly makers: readonly string[] }
  | { readonly kind: "unknown-revision"; readonly revision: string }
  | { readonly kind: "unknown-component"; readonly component: string }
  | { readonly kind: "two-versions"; readonly component: string };

export type PlannedRow = {
  /** The first line that tells of the radio, and all of them. */
  readonly line: number;
  readonly lines: readonly number[];
  readonly values: SheetRadio["values"];
  /** Those that are news, at most one for each component, called as the model calls it. */
  readonly readings: readonly ToldReading[];
  readonly act: "add" | "change" | "same" | "problem";
  /** Which fields a change touches, and what stands in them now. */
  readonly changes: readonly Field[];
  readonly was: Readonly<Partial<Record<Field, string>>>;
  /** The person it goes to; without an id: who is yet to be made. */
  readonly lendTo?: { readonly id?: string; readonly name: string };
  /** The radio of ours that has this tag. */
  readonly unit?: string;
  /** The model that the row names, if it is known; one that is not would be made. */
  readonly model?: string;
  readonly problems: readonly RowProblem[];
};

export type Plan = {
  readonly rows: readonly PlannedRow[];
  /** Models to be made for the rows without problems. */
  readonly newModels: readonly NewModel[];
  /** People to be made for the rows without problems. */
  readonly newPeople: readonly string[];
  /** Names of which nobody in the club is called so, each once, and that could be made. */
  readonly strangers: readonly string[];
};

/** What the person has said of names that are nearly a model's, by `modelKey`: the id of the model meant, or that it is a new one. */
export type NearAnswers = ReadonlyMap<string, string | "new">;
