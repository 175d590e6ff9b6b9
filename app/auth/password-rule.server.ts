// Which passwords will do: long enough, and not one that a list of guesses begins with.
import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import * as common from "@zxcvbn-ts/language-common";
import * as english from "@zxcvbn-ts/language-en";
import { z } from "zod";
import { LONGEST_PASSWORD, SHORTEST_PASSWORD } from "./password-limits.ts";

/** So many steps of the estimate's five: at least ten thousand million guesses. */
const STRONG_ENOUGH = 3;
/** More than this does not make it weaker, and takes long to estimate. */
const LOOKED_AT = 48;

/** A new password, as a form's field. How guessable it is, is looked at by `passwordTrouble`. */
export const newPassword = z
  .string({ error: "Choose a password." })
  .min(SHORTEST_PASSWORD, `At least ${SHORTEST_PASSWORD} characters: a few words are easy to keep in mind.`)
  .max(LONGEST_PASSWORD, `At most ${LONGEST_PASSWORD} characters.`);

let estimator: ZxcvbnFactory | undefined;

/** What is wrong with a password; `about` are words that whoever guesses would try first, such as the person's name. */
export function passwordTrouble(password: string, about: readonly string[]): string | undefined {
  estimator ??= new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
  });
  const words = about.flatMap((text) => [text, ...text.split(/[^\p{L}\p{N}]+/u)]).filter((w) => w.length > 2);
  const { score, feedback } = estimator.check(password.slice(0, LOOKED_AT), words);
  if (score >= STRONG_ENOUGH) return undefined;
  const why = [feedback.warning, ...feedback.suggestions].filter(Boolean).join(" ");
  return `That would be guessed soon. ${why || "Take a few words that do not belong together."}`;
}
