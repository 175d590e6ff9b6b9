// What can be done about a need: the board groups by it.
import type { Need } from "./need.ts";

/** install: put a release on it. read: read its version. look-up: complete our catalogue. ask-back: it is with somebody. */
export const DOINGS = ["install", "read", "look-up", "ask-back"] as const;
export type Doing = (typeof DOINGS)[number];

/** A unit that is away must come back first, except for what can be done without it. */
export function doingOf(need: Pick<Need, "kind">, away: boolean): Doing {
  switch (need.kind) {
    case "catalogue":
      return "look-up";
    case "firmware":
      return away ? "ask-back" : "install";
    case "reading":
      return away ? "ask-back" : "read";
  }
}
