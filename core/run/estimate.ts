// How long a step usually takes: what it took on our own bench, else what the dossier says.
import type { Run } from "./fold.ts";
import { type RunStep, stepsOf } from "./plan.ts";

/** So many of the last times count. */
const LAST = 9;

/** What makes a step the same as another: all but how long it is said to take, in whatever order its fields stand (the database has its own). */
const keyOf = ({ minutes: _, ...step }: RunStep): string =>
  JSON.stringify(step, (_name, value: unknown) =>
    typeof value === "object" && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

/** Milliseconds that each step took, by what it asks for, the last time first. */
export type History = ReadonlyMap<string, readonly number[]>;

/** `runs`: of one model, the last one first; of those on simulated radios machine work does not count, since that is quicker there. */
export function historyOf(runs: readonly { readonly run: Run; readonly simulated: boolean }[]): History {
  const history = new Map<string, number[]>();
  for (const { run, simulated } of runs)
    for (const { step, place } of stepsOf(run.plan)) {
      const took = run.took.get(place);
      if (took === undefined || place >= run.place || (simulated && step.kind === "machine")) continue;
      const key = keyOf(step);
      const had = history.get(key) ?? [];
      if (had.length < LAST) history.set(key, [...had, took]);
    }
  return history;
}

/** The middle of the last nine times, in minutes, and how many those are; else the minutes that are declared, and 0. */
export function estimate(
  step: RunStep,
  history: History,
): { readonly minutes: number; readonly times: number } {
  const had = [...(history.get(keyOf(step)) ?? [])].sort((a, b) => a - b);
  if (had.length === 0) return { minutes: step.minutes, times: 0 };
  const [low, high] = [had[Math.floor((had.length - 1) / 2)] ?? 0, had[Math.ceil((had.length - 1) / 2)] ?? 0];
  return { minutes: (low + high) / 2 / 60_000, times: had.length };
}
