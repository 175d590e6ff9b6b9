// What can be done about a need: the board groups by it.
import type { Need } from "./need.ts";

/**
 * install: put a release on it, with what stands ready. kit: the same, once some kit is there. no-route: nothing leads to
 * the release. read: read its version. look-up: complete our catalogue. ask-back: it is with
 * somebody. back-up: read it out and keep the file. switch: bring it into another mode. measure: its power, with a meter. pair: with a device of ours.
 * program: write the plan of channels into it. ask-for: a digital ID or a call sign.
 */
export const ACTIONS = [
  "install",
  "kit",
  "no-route",
  "read",
  "look-up",
  "ask-back",
  "back-up",
  "switch",
  "measure",
  "pair",
  "program",
  "ask-for",
] as const;
export type Action = (typeof ACTIONS)[number];

/**
 * A unit that is away must come back first, except for what can be done without it; whether an install stands ready is
 * asked only of those that are here.
 */
export function actionOf(
  need: Pick<Need, "kind">,
  away: boolean,
  tooling: () => "ready" | "kit" | "no-route" | "look-up" = () => "ready",
): Action {
  switch (need.kind) {
    case "catalogue":
      return "look-up";
    case "firmware": {
      if (away) return "ask-back";
      const kind = tooling();
      return kind === "ready" ? "install" : kind;
    }
    case "backup":
      return away ? "ask-back" : "back-up";
    case "measurement":
      return away ? "ask-back" : "measure";
    case "pairing":
      return away ? "ask-back" : "pair";
    case "codeplug":
      return away ? "ask-back" : "program";
    case "identity":
      return "ask-for";
    case "mode":
      return away ? "ask-back" : "switch";
    case "reading":
      return away ? "ask-back" : "read";
  }
}

/** Whether a unit with this to be done may be with somebody: by `actionOf`, the others are left only to units that are here. */
export const mayBeAway = (action: Action): boolean =>
  action === "ask-back" || action === "look-up" || action === "ask-for";
