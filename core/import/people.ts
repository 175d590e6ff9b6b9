// Whom a sheet means by a name.
import { groupBy } from "../quantities/index.ts";
import { folded } from "./names.ts";

export type KnownPerson = { readonly id: string; readonly name: string };

const wordsOf = (text: string) =>
  folded(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** By which two spellings of one name are the same. */
export const personKey = (name: string): string => wordsOf(name).join(" ");

/** Whether a text can be a person's name: a letter or two may mean yes, or a shelf. */
export const isName = (text: string): boolean =>
  text.length <= 100 && wordsOf(text).some((word) => word.length > 2);

/** A name as it is put down: blanks at its ends and twice in a row left out. */
export const spelt = (name: string): string => name.trim().replace(/\s+/g, " ");

/**
 * Finds those who may be meant: whoever is called just so; else those whose names have all of these words, each as it is or begun ("Wren",
 * "W. Oldacre"). Made once for a sheet, whose rows name the same people again and again.
 */
export function peopleFinder(people: readonly KnownPerson[]): (name: string) => readonly KnownPerson[] {
  const exact = groupBy(people, ({ name }) => personKey(name));
  const words = people.map((one) => ({ one, of: wordsOf(one.name) }));
  const found = new Map<string, readonly KnownPerson[]>();
  const find = (name: string) => {
    const just = exact.get(personKey(name));
    if (just) return just;
    if (!isName(name)) return [];
    const said = wordsOf(name);
    return words
      .filter(({ of }) => {
        const left = [...of];
        return said.every((word) => {
          const at = left.findIndex((own) => own.startsWith(word));
          if (at >= 0) left.splice(at, 1);
          return at >= 0;
        });
      })
      .map(({ one }) => one);
  };
  return (name) => {
    const before = found.get(name);
    if (before) return before;
    const now = find(name);
    found.set(name, now);
    return now;
  };
}
