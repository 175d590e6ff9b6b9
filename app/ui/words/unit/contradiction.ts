// What is wrong with a release's conditions, in words that stand beside the field.
import { listed } from "#core/quantities/index.ts";
import type { Contradiction } from "#core/release/index.ts";
import { sayRange } from "../route.ts";

export function sayContradiction(wrong: Contradiction, version: (release: string) => string): string {
  switch (wrong.kind) {
    case "two-of-one-version":
      return `There is a release of that version already: ${listed(wrong.releases.map(version))}.`;
    case "bound-unreadable":
      return `“${wrong.bound.slice(0, 40)}” is no version as this part counts them.`;
    case "empty-range":
      return "No version can lie in that range: its ends are the wrong way round.";
    case "no-release-in-range":
      return `No release in our list is ${sayRange(wrong.range)}.`;
    case "older-than-from":
      return `It is older than ${wrong.bound}, which it is to be installed over.`;
    case "unknown-component":
      return `This model has no part called ${wrong.component.slice(0, 40)}.`;
    case "requires-itself":
      return "A release cannot require its own part; say what it is installed over instead.";
    case "circle":
      return `It waits for what waits for it: ${listed(wrong.releases.map(version))}. Neither could ever be installed.`;
    case "floor-above-itself":
      return `Once it runs, the radio would not take the release itself: ${wrong.floor} is newer.`;
  }
}
