// The words of a release: its tracks, how urgent its fixes are, and what its fields are called.
export const TRACKS = ["factory", "beta", "community"] as const;
export type Track = (typeof TRACKS)[number];

export const ERASES = ["nothing", "settings", "codeplug", "everything"] as const;
export type Erases = (typeof ERASES)[number];

/** By what a release can be brought into a radio. */
export const WAYS = ["cable", "bluetooth", "card", "phone"] as const;
export type Way = (typeof WAYS)[number];

/** Least first. */
export const URGENCIES = ["routine", "fix", "safety"] as const;
export type Urgency = (typeof URGENCIES)[number];

/** The worse of two urgencies. */
export const worseOf = (a: Urgency, b: Urgency): Urgency =>
  URGENCIES.indexOf(a) >= URGENCIES.indexOf(b) ? a : b;

/** Each field of a written release, as the log and comparisons call it. */
export const RELEASE_FIELD_WORD = {
  version: "version",
  aliases: "also shown as",
  track: "track",
  releasedOn: "released on",
  withdrawn: "withdrawal",
  hardwareRevisions: "hardware",
  regions: "regions",
  fixes: "mends",
  notes: "notes",
  source: "known from",
  conditions: "conditions",
  draft: "draft",
  file: "file",
} as const;
