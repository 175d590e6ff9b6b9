// The usual causes of trouble between computer and radio: signs, checks and cures, the quickest and likeliest first. Sources: docs/rules.md.

import type { RunStep } from "./plan.ts";

export type Cause = {
  readonly id: string;
  readonly cause: string;
  /** Words by which it is found from what was seen. */
  readonly shows: readonly string[];
  readonly check: string;
  readonly cure: string;
  readonly seconds: number;
};

export const CAUSES = [
  {
    id: "loose-plug",
    cause: "The plug is not pressed home",
    shows: ["stopped", "half", "stuck", "timeout", "no answer", "disconnected"],
    check: "Press it until it clicks; many stop a hair before",
    cure: "Pressed it home",
    seconds: 10,
  },
  {
    id: "not-on",
    cause: "The radio is off, or not in update mode",
    shows: ["no answer", "nothing happens", "dark"],
    check: "Look at the lamp and the screen",
    cure: "Turned it on in the right mode",
    seconds: 20,
  },
  {
    id: "battery-low",
    cause: "The battery is low",
    shows: ["went off", "dark", "died", "dim"],
    check: "Read the charge, or put it on a supply",
    cure: "Charged it, or put it on a supply",
    seconds: 60,
  },
  {
    id: "port-fault",
    cause: "The driver is missing, or is the wrong one",
    shows: ["fault sign", "exclamation", "no driver", "code 10", "unknown device"],
    check: "Look at the port's entry for a fault sign",
    cure: "Installed the driver that the chip takes",
    seconds: 300,
  },
  {
    id: "no-port",
    cause: "The lead carries no data, or sits in a dead socket",
    shows: ["no port", "nothing appears", "not found"],
    check: "Try another socket, then another lead",
    cure: "Took another lead or socket",
    seconds: 60,
  },
  {
    id: "no-answer",
    cause: "The wrong port is picked",
    shows: ["no answer", "timeout", "cannot open"],
    check: "Unplug the lead and see which port goes",
    cure: "Picked the one that goes and comes with the lead",
    seconds: 30,
  },
  {
    id: "wrong-model",
    cause: "The wrong model is picked in the tool",
    shows: ["another model", "wrong model", "mismatch", "not supported"],
    check: "Read the model on the label, and in the tool",
    cure: "Picked what the label says",
    seconds: 20,
  },
  {
    id: "old-tool",
    cause: "The tool is too old for this firmware",
    shows: ["not supported", "unknown version", "cannot read"],
    check: "Compare its version with what the release asks for",
    cure: "Installed the newer tool",
    seconds: 480,
  },
] as const satisfies readonly Cause[];

/** What one does when something is odd: causes of another kind of work are no help. */
export type OddAt = "link" | "version" | "mode" | "meter" | "pair" | "hand";

const MODE_CAUSES = [
  {
    id: "not-switched",
    cause: "It is not in that mode yet",
    shows: ["where this mode should not", "where this mode should"],
    check: "Turn it off and on; look at what it shows when it starts",
    cure: "Switched it again, with the keys as they are drawn",
    seconds: 60,
  },
  {
    id: "other-frequency",
    cause: "It was on another frequency",
    shows: ["where this mode"],
    check: "Read the frequency on its screen",
    cure: "Set the frequency that is asked for",
    seconds: 20,
  },
  {
    id: "no-load-seen",
    cause: "The meter or the dummy load is not connected",
    shows: ["does not transmit"],
    check: "Key it where it surely transmits: does the meter move?",
    cure: "Connected the meter",
    seconds: 30,
  },
] as const satisfies readonly Cause[];
const VERSION_CAUSES = [
  {
    id: "read-another",
    cause: "Another number was read",
    shows: ["it shows"],
    check: "Read it once more where the dossier says that it shows",
    cure: "Read the right one",
    seconds: 30,
  },
  {
    id: "not-taken",
    cause: "The flash did not take",
    shows: ["it shows"],
    check: "Does the tool say that it went through?",
    cure: "Flashed it again",
    seconds: 600,
  },
  {
    id: "other-file",
    cause: "The file is of another release",
    shows: ["it shows"],
    check: "Compare the file's name and sum with the release",
    cure: "Took the right file",
    seconds: 120,
  },
] as const satisfies readonly Cause[];
const POWER_CAUSES = CAUSES.filter(({ id }) => ["not-on", "battery-low"].includes(id));

const OF: Readonly<Record<OddAt, readonly Cause[]>> = {
  link: CAUSES,
  version: VERSION_CAUSES,
  mode: [...MODE_CAUSES, ...POWER_CAUSES],
  meter: [MODE_CAUSES[2], ...POWER_CAUSES],
  pair: POWER_CAUSES,
  hand: POWER_CAUSES,
};

/**
 * The causes for what was seen at a step of that kind, best first: those that a word of it names, then the others in their usual order. Empty
 * words: the usual order.
 */
export function causesFor(symptom: string, at: OddAt = "link"): readonly Cause[] {
  const seen = symptom.toLowerCase();
  const named = (cause: Cause) => cause.shows.filter((word) => seen.includes(word)).length;
  const counted = OF[at].map((cause, i) => ({ cause, i, n: seen === "" ? 0 : named(cause) }));
  return counted.sort((a, b) => b.n - a.n || a.i - b.i).map(({ cause }) => cause);
}

/** What can be at fault at a step: between computer and radio, in what was read, in the mode, at the meter, between two that are paired, or by hand. */
export function oddAt(step: RunStep | undefined): OddAt {
  switch (step?.kind) {
    case "read-back":
      return "version";
    case "switched":
    case "probe":
      return "mode";
    case "measure":
      return "meter";
    case "right-menu":
    case "pin":
    case "paired":
      return "pair";
    case "machine":
      return "link";
    case "do":
      return step.step.kind === "connect" || step.step.kind === "tool" ? "link" : "hand";
    case "gather":
    case "gate":
    case "open":
    case "put-away":
    case undefined:
      return "link";
  }
}
