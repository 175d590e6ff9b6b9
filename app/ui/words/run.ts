// A step of a run in words, for its headline and for the list of all of them.
import { type Gate, POWER_FLOOR, type RunStep } from "#core/run/index.ts";
import { sayHertz } from "./frequency.ts";
import { saySigns, sayStep, signsOf } from "./step.ts";

const GATE_WORD: Record<Gate, string> = {
  power: "Charged to half or more, or on a supply",
  backup: "A sound backup of this radio is kept",
  file: "The file is the one that the release names",
  hardware: "The release fits its hardware",
  same: "What is in it now is what was written",
  chain: "What leads into it is not known to fail",
  base: "What is written is meant for this radio",
};

export function sayRunStep(step: RunStep): string {
  switch (step.kind) {
    case "gather":
      return `Get ${step.what}`;
    case "gate":
      return step.gate === "power" && step.device !== undefined
        ? `${step.device} is charged to ${step.floor ?? POWER_FLOOR} % or more`
        : GATE_WORD[step.gate];
    case "do":
      return sayStep(step.step);
    case "open":
      return `Nobody has written down how to ${step.wanted}`;
    case "machine":
      return step.work === "flash"
        ? `Flash ${[step.component, step.version].filter(Boolean).join(" ") || "it"}`
        : step.again
          ? "Read it out once more"
          : { read: "Read out what is in it", write: "Write it back" }[step.work];
    case "read-back":
      return `What does ${step.component} show?`;
    case "switched":
      return `It is in the mode ${step.mode} now`;
    case "probe":
      return `Key up on ${sayHertz(step.frequency)}, into the dummy load`;
    case "measure":
      return "Measure its power, into the dummy load";
    case "right-menu":
      return step.wrong === undefined
        ? `In the menu ${step.menu}`
        : `In the menu ${step.menu}, not in ${step.wrong}`;
    case "pin":
      return step.seconds === undefined
        ? `Type the PIN ${step.pin}`
        : `Type the PIN ${step.pin} within ${step.seconds} seconds`;
    case "paired":
      return `Does it hold with ${step.device}?`;
    case "put-away":
      return `Put ${step.what} away`;
  }
}

/** The same in a list, where nothing beside it says what should be seen: to watch for it alone would say nothing. */
export const sayListedStep = (step: RunStep): string =>
  step.kind === "do" && step.step.kind === "watch"
    ? [sayRunStep(step), ...shouldSee(step)].join(" ")
    : sayRunStep(step);

/** What should be seen at a step; nothing where nothing is written. */
export function shouldSee(step: RunStep): readonly string[] {
  if (step.kind === "paired" && step.shows !== undefined) return [`The screen shows ${step.shows}.`];
  const signs = step.kind === "do" ? signsOf(step.step) : undefined;
  return signs ? saySigns(signs) : [];
}
