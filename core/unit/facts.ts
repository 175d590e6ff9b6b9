// The facts that lead to a verdict, as references that a screen can follow to their records.

import type { PlainDate } from "../quantities/date.ts";
import type { Urgency } from "../release/words.ts";
import type { Numbering, VersionProblem } from "../version/version.ts";
import type { Carries } from "./carried.ts";
import type { FallbackRule, PolicyRule } from "./policy.ts";

export type Fact =
  | { readonly kind: "never-read"; readonly since: PlainDate }
  | { readonly kind: "reading"; readonly reading: string; readonly raw: string; readonly on?: PlainDate }
  | { readonly kind: "none-known" }
  | { readonly kind: "runs"; readonly release: string }
  | { readonly kind: "runs-uncatalogued"; readonly version: string }
  | { readonly kind: "newer"; readonly releases: readonly string[] }
  | { readonly kind: "skips"; readonly count: number; readonly first: string; readonly latest: string }
  | { readonly kind: "ordered-by-date"; readonly release: string }
  | { readonly kind: "not-admitted"; readonly releases: readonly string[] }
  | { readonly kind: "does-not-fit"; readonly releases: readonly string[] }
  | { readonly kind: "may-not-fit"; readonly releases: readonly string[] }
  | { readonly kind: "withdrawn"; readonly release: string; readonly on: PlainDate; readonly why: string }
  | { readonly kind: "numbering"; readonly numbering: Numbering; readonly tau?: number }
  | { readonly kind: "cannot-place"; readonly problem: VersionProblem }
  | { readonly kind: "two-places"; readonly places: readonly Place[] }
  | { readonly kind: "rule"; readonly rule: PolicyRule | FallbackRule }
  | { readonly kind: "fixes"; readonly release: string; readonly tag: string; readonly urgency: Urgency }
  | { readonly kind: "hold"; readonly of: "unit" | "group"; readonly until: PlainDate; readonly why: string }
  | { readonly kind: "hold-broken"; readonly release: string }
  | { readonly kind: "stale"; readonly on?: PlainDate; readonly afterDays: number }
  | { readonly kind: "back-from-custody"; readonly on: PlainDate }
  | { readonly kind: "flash-unconfirmed"; readonly on?: PlainDate }
  | { readonly kind: "backed-up"; readonly on: PlainDate }
  | { readonly kind: "written-since"; readonly on: PlainDate }
  | { readonly kind: "measured"; readonly on?: PlainDate; readonly everyDays?: number }
  | { readonly kind: "flashed-since"; readonly on: PlainDate }
  | { readonly kind: "in-mode"; readonly mode: string; readonly on: PlainDate }
  /** A device that it is paired with, since when that holds no more, and why. */
  | {
      readonly kind: "pairing";
      readonly device: string;
      readonly why: "dropped" | "failed" | "lost";
      readonly on: PlainDate;
    }
  /** The plan of channels, since when it counts; and what the radio carries: an older one, another table, or what nobody knows. */
  | {
      readonly kind: "codeplug";
      readonly plan: number;
      readonly since: PlainDate;
      readonly has: Exclude<Carries, "plan">;
      readonly on?: PlainDate;
    }
  /** A digital ID or a call sign that it is to have: asked for on, and expected by. */
  | {
      readonly kind: "identity";
      readonly what: "digital" | "call";
      readonly askedOn?: PlainDate;
      readonly by?: PlainDate;
    }
  /** What may be used: by a class, of the holder or of the group; or what old radios were approved for. */
  | { readonly kind: "allowed-by"; readonly class?: string; readonly of: "holder" | "group" | "approval" }
  /** Where it transmits beyond that: the first stretch, in hertz, and how much of the air in all. */
  | { readonly kind: "beyond"; readonly from: number; readonly to: number; readonly width: number };

/** One of two equally good ways to place a reading: under which numbering, and between which releases. */
export type Place = {
  readonly numbering: Numbering;
  readonly below?: string;
  readonly above?: string;
};
