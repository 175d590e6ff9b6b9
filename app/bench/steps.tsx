// A step of a run in words, for its headline and for the list of all of them.
import type { Gate } from "#core/run/event.ts";
import type { RunStep } from "#core/run/plan.ts";
import { saySigns, sayStep, signsOf } from "../ui/words/step.ts";

const GATE_WORD: Record<Gate, string> = {
  power: "Charged to half or more, or on a supply",
  backup: "A sound backup of this radio is kept",
  file: "The file is the one that the release names",
  hardware: "The release fits its hardware",
  chain: "What leads into it is not known to fail",
};

export function sayRunStep(step: RunStep): string {
  switch (step.kind) {
    case "gather":
      return `Get ${step.what}`;
    case "gate":
      return GATE_WORD[step.gate];
    case "do":
      return sayStep(step.step);
    case "open":
      return `Nobody has written down how to ${step.wanted}`;
    case "machine":
      return { flash: "Flash it", read: "Read it out", write: "Write it" }[step.work];
    case "read-back":
      return `What does ${step.component} show?`;
    case "put-away":
      return `Put ${step.what} away`;
  }
}

/** What should be seen at a step; nothing where nothing is written. */
export function shouldSee(step: RunStep): readonly string[] {
  const signs = step.kind === "do" ? signsOf(step.step) : undefined;
  return signs ? saySigns(signs) : [];
}

/** "1:05" of milliseconds. */
export function sayClock(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** How long a step usually takes. */
export const sayUsual = (minutes: number): string =>
  minutes < 1 ? "usually under a minute" : `usually ${Math.round(minutes)} min`;
