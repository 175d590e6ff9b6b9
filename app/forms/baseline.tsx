// What a form was drawn from goes with it, so that saving can tell what somebody else has changed meanwhile.

import { useState } from "react";
import { useLocation } from "react-router";

/** The name of the hidden field. */
export const BASELINE = "baseline";
/** The field that says for whom a form was drawn, where the address may have come to mean another. */
export const DRAWN_FOR = "drawn-for";

/** By field what stands in it; a mark that is not set is no text at all. */
export type DrawnFrom = Readonly<Record<string, string | readonly string[]>>;

/** The values that the form was drawn from, as JSON; of a form that was refused, what came back with it. */
export const Baseline = ({ drawn }: { readonly drawn: string }) => (
  <input type="hidden" name={BASELINE} value={drawn} />
);

/**
 * The values that the form of this page was drawn from at first. Loaders are asked again while somebody types (as long as a job
 * runs, every second): what others save then must neither draw the form anew, nor pass for what was seen.
 */
export function useDrawn<Values>(values: Values): Values {
  const { pathname } = useLocation();
  const [drawn, setDrawn] = useState({ pathname, values });
  if (drawn.pathname === pathname) return drawn.values;
  setDrawn({ pathname, values });
  return values;
}

export type Options = readonly (string | readonly [string, string])[];

/** An option as its value and its words. */
export const optionParts = (option: Options[number]): readonly [value: string, words: string] =>
  typeof option === "string" ? [option, option] : [option[0], option[1]];

/** What is said of a choice quotes its value, which may be a bare number: in the words of the choice. */
export function inWords(says: string, options: Options | undefined): string {
  const words = new Map((options ?? []).map(optionParts));
  return says.replace(/“([^”]*)”/, (quoted, values: string) => {
    const chosen = values.split("\n").map((value) => words.get(value));
    return chosen.every((word) => word !== undefined) ? `“${chosen.join(", ")}”` : quoted;
  });
}
