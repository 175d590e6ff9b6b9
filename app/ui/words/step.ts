// Steps of procedures as a person reads them at the bench.

import type { Effect, LineProblem, Purpose, Signs, Step } from "#core/dossier/index.ts";
import { listed, SOURCE_WORD, type Source } from "#core/quantities/index.ts";

export const PURPOSE_WORD: Record<Purpose, string> = {
  "read-version": "Read the version",
  "update-mode": "Enter update mode",
  flash: "Flash",
  recover: "Recover a failed flash",
  "back-up": "Back up",
  restore: "Write back",
  "factory-reset": "Factory reset",
  "service-menu": "Service menu",
  "change-mode": "Change the mode",
};

export const EFFECT_WORD: Record<Effect, string> = {
  harmless: "changes nothing",
  mode: "changes the mode",
  unlock: "unlocks it",
  erase: "erases or resets",
};

export const saySource = (source: Source | null | undefined): string =>
  source ? `${SOURCE_WORD[source.kind]}${source.what ? `: ${source.what}` : ""}` : "nobody said from where";

export const sayTime = (seconds: number): string =>
  seconds % 60 === 0 ? `${seconds / 60} min` : `${seconds} s`;

export function saySigns(signs: Signs): string[] {
  return [
    ...(signs.lamp ? [`The lamp: ${signs.lamp}.`] : []),
    ...(signs.screen ? [`The screen: ${signs.screen}.`] : []),
    ...(signs.sound ? [`You hear: ${signs.sound}.`] : []),
  ];
}

/** The step as one sentence to act on. */
export function sayStep(step: Step): string {
  switch (step.kind) {
    case "hold": {
      const turn = step.turn ? `, and turn it ${step.turn}` : "";
      const time = step.seconds === undefined ? "" : `; keep holding for ${sayTime(step.seconds)}`;
      return `Hold ${listed(step.keys, 9)}${turn}${time}.`;
    }
    case "turn":
      return `Turn it ${step.to}.`;
    case "press":
      return `Press ${step.keys.join(", then ")}.`;
    case "menu":
      return `In the menu: ${step.path.join(" › ")}.`;
    case "connect":
      return `Connect ${step.what}.`;
    case "watch":
      return `Watch for it${step.seconds === undefined ? "" : `, up to ${sayTime(step.seconds)}`}.`;
    case "wait":
      return `Wait ${sayTime(step.seconds)}. Do not touch it.`;
    case "port":
      return `Pick the port: ${step.hint}.`;
    case "file":
      return `Choose the file: ${step.hint}.`;
    case "tool":
      return step.act ? `In ${step.name}: ${step.act}.` : `Start ${step.name}.`;
    case "confirm":
      return `Make sure that ${step.what}.`;
    case "key-up":
      return `Key up ${step.what}.`;
    case "note":
      return `${step.what.slice(0, 1).toUpperCase()}${step.what.slice(1)}.`;
  }
}

export const signsOf = (step: Step): Signs | undefined =>
  step.kind === "hold" || step.kind === "watch" ? step.signs : undefined;

/** The step with what is then seen and heard. */
export const sayStepAndSigns = (step: Step): string =>
  [sayStep(step), ...saySigns(signsOf(step) ?? {})].join(" ");

export function sayLineProblem(problem: LineProblem): string {
  switch (problem.kind) {
    case "unknown-step":
      return `Line ${problem.line}: “${problem.word}” begins no step. Begin with hold, turn, press, menu, connect, watch, wait, port, file, tool, confirm, key up or note.`;
    case "step-incomplete":
      return `Line ${problem.line}: write it such as “${problem.expected}”.`;
    case "unknown-key":
      return `Line ${problem.line}: this model has no key “${problem.key}”.`;
  }
}
