// What is said about a kind of need, beside what core knows of it: its causes, its reasons, its groups in Due and its lines in the summary.
import type { z } from "zod";
import type { KINDS, NeedKind } from "#core/needs/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import type { Names } from "../unit/standing.ts";

type Kinds = typeof KINDS;
type KeysOf<One> = One extends One ? keyof One & string : never;
type ReasonsOf<Kind extends NeedKind> = z.output<Kinds[Kind]["reasons"][number]>;

/** A reason as a sentence, and which record it leads to. */
export type SaidFact = {
  readonly text: string;
  readonly to?: "readings" | "releases" | "group" | "history" | "modes" | "pairings" | "channels";
};
/** What a reason's sentence is made with. */
export type Saying = { readonly names: Names; readonly day: (date: PlainDate) => string };

/** A group in Due. */
export type GroupWords = { readonly title: string; readonly says: string };

/** How many radios a line of the summary is about, in words, and their tags. */
export type Counted = { readonly radios: string; readonly tags: string; readonly one: boolean };
/** A line of the summary; `mark` is the class of its mark. */
export type ItemWords = {
  readonly mark: string;
  readonly head: string;
  readonly text: string;
  readonly act: string;
  readonly to: string;
};

/** What is pressed about a need on a radio's page: a place to go, or work at the bench. */
export type Press =
  | { readonly to: (page: string) => string; readonly words: string }
  | { readonly bench: "backup" | "measure"; readonly words: string };

export type WordsOfNeed<Kind extends NeedKind> = {
  /** By cause; `to` is the release that the need leads to, if there is one. */
  readonly causes: Readonly<Record<Kinds[Kind]["causes"][number], (to: string | undefined) => string>>;
  /** Of a radio with several parts, which one is said before. */
  readonly namesPart: boolean;
  readonly reasons: {
    readonly [Name in ReasonsOf<Kind>["kind"]]: (
      reason: Extract<ReasonsOf<Kind>, { kind: Name }>,
      saying: Saying,
    ) => SaidFact;
  };
  /** What comes next for the radio, for whoever takes it off the bench. */
  readonly next: (part: string) => string;
  readonly groups: Readonly<Record<KeysOf<Kinds[Kind]["doings"]>, GroupWords>>;
  readonly items: Readonly<Record<KeysOf<Kinds[Kind]["items"]>, (item: Counted) => ItemWords>>;
  /** `by-standing`: it depends on the need and on the way; the radio's page knows. */
  readonly press: Press | "by-standing";
};
