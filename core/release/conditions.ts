// Under which conditions a release can be installed, and what installing it costs.
import type { Conditions } from "./conditions-shape.ts";
import type { Erases, Way } from "./words.ts";

export type { Conditions, Erases, Way };

/** A release of which nothing special is known. */
export const PLAIN_CONDITIONS: Conditions = {
  requires: [],
  erases: "nothing",
  ways: [],
  minutes: 5,
  risk: 2,
  unchanged: "",
};
