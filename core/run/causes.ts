// The usual causes of what goes wrong between computer and radio: how each shows, what to look at, what helps. In the order in which they
// are worth trying, the quickest and likeliest first. Where they come from: docs/rules.md.

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

/**
 * The causes for what was seen, best first: those that a word of it names, then the others in their usual order. Empty words: the usual order.
 */
export function causesFor(symptom: string): readonly Cause[] {
  const seen = symptom.toLowerCase();
  const named = (cause: Cause) => cause.shows.filter((word) => seen.includes(word)).length;
  const counted = CAUSES.map((cause, i) => ({ cause, i, n: seen === "" ? 0 : named(cause) }));
  return counted.sort((a, b) => b.n - a.n || a.i - b.i).map(({ cause }) => cause);
}
