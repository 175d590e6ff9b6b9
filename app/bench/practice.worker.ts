// The simulated radio of the practice page, off the page's own thread.
import {
  beginPractice,
  type Exercise,
  findCause,
  type Practice,
  type PracticeDeed,
  tryDeed,
} from "#simulators/radio/practice.ts";
import type { FaultKind } from "#simulators/radio/state.ts";

export type PracticeOrder =
  | { readonly kind: "begin"; readonly exercise: Exercise; readonly seed: number; readonly fault?: FaultKind }
  | { readonly kind: "deed"; readonly deed: PracticeDeed }
  | { readonly kind: "cause"; readonly cause: string };

let exercise: Exercise | undefined;
let practice: Practice | undefined;

self.onmessage = ({ data }: MessageEvent<PracticeOrder>) => {
  if (data.kind === "begin") {
    exercise = data.exercise;
    practice = beginPractice(exercise, data.seed, data.fault);
  } else if (exercise && practice) {
    practice =
      data.kind === "deed" ? tryDeed(exercise, practice, data.deed) : findCause(practice, data.cause);
  }
  if (practice) self.postMessage(practice);
};
