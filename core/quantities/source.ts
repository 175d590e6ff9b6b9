// Where a fact comes from: every procedure, key combination, quirk and condition says so.
import { z } from "zod";

export const SOURCE_KINDS = ["maker", "bench", "club", "hearsay"] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

export const sourceShape = z.object({
  kind: z.enum(SOURCE_KINDS),
  /** Which leaflet, which evening, which club. */
  what: z.string().trim().max(300).default(""),
});
export type Source = z.infer<typeof sourceShape>;

export const SOURCE_WORD: Record<SourceKind, string> = {
  maker: "the maker's document",
  bench: "our own bench",
  club: "another club",
  hearsay: "hearsay",
};
