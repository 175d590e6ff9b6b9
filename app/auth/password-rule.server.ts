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
  const weak = famousIn(password) ?? ownWordsIn(password, about);
  if (weak) return `That would be guessed soon. ${weak}`;
  const words = about.flatMap((text) => [text, ...text.split(/[^\p{L}\p{N}]+/u)]).filter((w) => w.length > 2);
  const { score, feedback } = estimator.check(password.slice(0, LOOKED_AT), words);
  if (score >= STRONG_ENOUGH) return undefined;
  const why = [feedback.warning, ...feedback.suggestions].filter(Boolean).join(" ");
  return `That would be guessed soon. ${why || "Take a few words that do not belong together."}`;
}

/** Beside what is known by heart, so many signs at least must be one's own. */
const OWN_SIGNS = 8;
const plainSigns = (text: string): string =>
  text
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, "");

/** Sentences that everybody knows; lists of guesses begin with them, with and without the spaces. */
const FAMOUS = [
  "correct horse battery staple",
  "the quick brown fox jumps over the lazy dog",
  "to be or not to be that is the question",
  "once upon a time",
  "and they lived happily ever after",
  "in the beginning was the word",
  "let there be light",
  "all that glitters is not gold",
  "an apple a day keeps the doctor away",
  "a penny for your thoughts",
  "actions speak louder than words",
  "better late than never",
  "birds of a feather flock together",
  "early to bed and early to rise",
  "every cloud has a silver lining",
  "it was a dark and stormy night",
  "it was the best of times",
  "i think therefore i am",
  "mary had a little lamb",
  "twinkle twinkle little star",
  "row row row your boat",
  "the early bird catches the worm",
  "the rain in spain",
  "the sky is the limit",
  "two roads diverged in a wood",
  "when in rome do as the romans do",
  "where there is a will there is a way",
  "you only live once",
  "open sesame",
  "i love you",
  "this is my password",
  "my password is",
  "let me in",
  "alpha bravo charlie delta",
].map(plainSigns);

/** What is wrong with a password that is little more than a sentence everybody knows. */
function famousIn(password: string): string | undefined {
  const signs = plainSigns(password);
  const found = FAMOUS.some(
    (phrase) =>
      phrase.includes(signs) || (signs.includes(phrase) && signs.length - phrase.length < OWN_SIGNS),
  );
  return found ? "Everybody knows that sentence. Take a few words that do not belong together." : undefined;
}

/** The same of one that is little more than names which whoever guesses knows too. */
function ownWordsIn(password: string, about: readonly string[]): string | undefined {
  const words = about
    .flatMap((text) => text.split(/[^\p{L}\p{N}]+/u))
    .map(plainSigns)
    .filter((word) => word.length > 2)
    .sort((a, b) => b.length - a.length);
  const signs = plainSigns(password);
  const left = words.reduce((rest, word) => rest.replaceAll(word, ""), signs);
  return left.length < OWN_SIGNS && left.length < signs.length
    ? "It is made of your own name, your address or the club's. Take words that have nothing to do with you."
    : undefined;
}
