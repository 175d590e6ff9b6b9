// Whom a sheet means by a name.
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

/**
 * Those who may be meant: whoever is called just so; else those whose names have all of these words, each as it is or begun ("Wren", "W. Oldacre").
 */
export function peopleCalled(name: string, people: readonly KnownPerson[]): readonly KnownPerson[] {
  const exact = people.filter((one) => personKey(one.name) === personKey(name));
  if (exact.length > 0) return exact;
  const said = wordsOf(name);
  if (!isName(name)) return [];
  return people.filter((one) => {
    const left = wordsOf(one.name);
    return said.every((word) => {
      const at = left.findIndex((own) => own.startsWith(word));
      if (at >= 0) left.splice(at, 1);
      return at >= 0;
    });
  });
}
