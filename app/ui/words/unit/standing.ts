// Verdicts as sentences. The facts come from core; here they only get their words.

import { listed, type PlainDate } from "#core/quantities/index.ts";
import type { PlacingProblem, Standing, StandingName, VersionPlace } from "#core/unit/index.ts";
import type { EntryProblem, Numbering } from "#core/version/index.ts";
import { counted } from "../count.ts";

/** What a sentence needs to know to name things. */
export type Names = {
  readonly release: (id: string) => string;
  readonly locale: string;
  readonly today: PlainDate;
};

export const STANDING_WORD: Record<StandingName, string> = {
  current: "current",
  behind: "behind",
  ahead: "newer than all we know",
  aside: "on another track",
  unread: "not read yet",
  unlisted: "no release known",
  unclear: "unclear",
  withdrawn: "withdrawn release",
};

const PATTERN_WORDS = {
  yyyymmdd: "year, month, day",
  yymmdd: "short year, month, day",
  ddmmyyyy: "day, month, year",
  ddmmyy: "day, month, short year",
} as const;

export function sayNumbering(numbering: Numbering): string {
  switch (numbering.kind) {
    case "dotted":
      return "number by number (1.9 comes before 1.10)";
    case "decimal":
      return "as a decimal fraction (1.26 comes before 1.3)";
    case "dated":
      return `by date (${PATTERN_WORDS[numbering.pattern]})`;
    case "lettered":
      return "by letter, then number (A9 comes before B1)";
    case "listed":
      return "in the order of our own list";
  }
}

export function sayProblem(problem: PlacingProblem | EntryProblem, names: Pick<Names, "release">): string {
  switch (problem.kind) {
    case "empty":
    case "nothing-typed":
      return "Type what the radio shows, for instance 1.14.";
    case "no-version":
      return `Type the version after “${problem.component}”.`;
    case "too-long":
    case "entry-too-long":
      return `That is ${counted(problem.length, "character")}; no radio shows more than ${problem.limit}. Type only the version.`;
    case "other-digits":
      return "It has digits of another script; type it with the digits 0 to 9.";
    case "unreadable":
      return `“${clip(problem.cleaned)}” does not have the shape this model's versions have, and no release goes by it.`;
    case "ambiguous":
      return `Two releases go by it: ${listed(problem.releases.map(names.release))}.`;
    case "two-places":
      return `It can be placed in two ways: ${problem.places.map((p) => sayPlace(p, names)).join("; ")}. Confirm the numbering on the model's page.`;
  }
}

export const clip = (text: string, most = 40): string =>
  text.length > most ? `${text.slice(0, most)}…` : text;

/** Among which releases it is. */
export function sayWhere({ below, above }: VersionPlace, { release }: Pick<Names, "release">): string {
  if (below && above) return `between ${release(below)} and ${release(above)}`;
  return below ? `newer than ${release(below)}` : above ? `older than ${release(above)}` : "anywhere";
}

export const sayPlace = (place: VersionPlace, names: Pick<Names, "release">): string =>
  `${sayNumbering(place.numbering)} it is ${sayWhere(place, names)}`;

/** "3 releases behind", "current", "cannot be placed: …". */
export function sayStanding(standing: Standing, names: Names): string {
  switch (standing.standing) {
    case "current":
      return standing.possibly
        ? `current as far as we can tell; its hardware revision is not known and ${names.release(standing.possibly.latest)} may fit`
        : "current";
    case "behind": {
      const { behind } = standing;
      if (!behind) return "behind";
      return `${counted(behind.newer.length, "release")} behind`;
    }
    case "ahead":
      return "newer than anything we know of; our list is behind, not the radio";
    case "aside":
      return "on a track that its group does not use";
    case "unread":
      return "We have not read this radio yet";
    case "unlisted":
      return "we know of no release for it; there is nothing to compare";
    case "withdrawn":
      return "runs a release that has been withdrawn";
    case "unclear": {
      const problem = problemOf(standing);
      // Both places stand among the reasons.
      if (problem?.kind === "two-places")
        return "cannot be placed yet: how does this model number its releases?";
      return problem ? `cannot be placed: ${sayProblem(problem, names)}` : "cannot be placed";
    }
  }
}

function problemOf(standing: Standing): PlacingProblem | undefined {
  for (const fact of standing.because) {
    if (fact.kind === "cannot-place") return fact.problem;
    if (fact.kind === "two-places") return fact;
  }
  return undefined;
}
