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

/** Work at the bench that can be begun without a further question. */
export type BenchWork = "update" | "read" | "backup" | "measure";

/** By which of it something is done; undefined: by none, or only once somebody has said with what, or into which mode. */
const BENCH_WORK: Readonly<Record<Action, BenchWork | undefined>> = {
  install: "update",
  read: "read",
  "back-up": "backup",
  measure: "measure",
  ...{ kit: undefined, "no-route": undefined, "look-up": undefined, "ask-back": undefined },
  ...{ switch: undefined, pair: undefined, program: undefined, "ask-for": undefined },
};

/** Of what a radio needs, the first that is done at the bench, in the order of the actions, and by which work. */
export function firstAtBench<One extends { readonly action: Action }>(
  needs: readonly One[],
): { readonly need: One; readonly work: BenchWork } | undefined {
  for (const action of ACTIONS) {
    const work = BENCH_WORK[action];
    const need = work && needs.find((one) => one.action === action);
    if (work && need) return { need, work };
  }
  return undefined;
}

/** Whether a unit with this to be done may be with somebody: by `actionOf`, the others are left only to units that are here. */
export const mayBeAway = (action: Action): boolean =>
  action === "ask-back" || action === "look-up" || action === "ask-for";
