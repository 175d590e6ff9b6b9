// What a new club does first, in the order of the work: what is done, what comes next, what it said it does not want.

export const FIRST_STEPS = ["radios", "releases", "readings", "kit", "people"] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

/** What a club can say that it does not want to be offered: a first step, and, of the demo, its card of things to try. */
export const OFFERS = [...FIRST_STEPS, "try"] as const;

/** What there is so far. */
export type Begun = {
  readonly units: number;
  /** Of these, how many have been read. */
  readonly read: number;
  /** One that has not; absent: all have, or there is none. */
  readonly unread?: string;
  /** Models of its radios of which no release is known: how many, and the first by name. */
  readonly bare: number;
  readonly bareModel?: { readonly id: string; readonly name: string };
  readonly connectors: number;
  readonly leads: number;
  readonly computers: number;
  readonly people: number;
};

export type StepNow = { readonly step: FirstStep; readonly state: "done" | "next" | "later" };

const isDone: Readonly<Record<FirstStep, (begun: Begun) => boolean>> = {
  radios: ({ units }) => units > 0,
  releases: ({ units, bare }) => units > 0 && bare === 0,
  readings: ({ read }) => read > 0,
  kit: ({ leads, computers }) => leads > 0 && computers > 0,
  people: ({ people }) => people > 1,
};

/**
 * The steps that are wanted, in order; none once all of them are done. The first that is open comes next.
 * @param unwanted steps that somebody said the club does not need.
 */
export function firstSteps(begun: Begun, unwanted: readonly string[]): StepNow[] {
  const wanted = FIRST_STEPS.filter((step) => !unwanted.includes(step));
  const next = wanted.find((step) => !isDone[step](begun));
  if (next === undefined) return [];
  return wanted.map((step) => ({
    step,
    state: isDone[step](begun) ? "done" : step === next ? "next" : "later",
  }));
}
