// Lists as people say them and as they type them: those parted by commas, lines or another mark, blanks around the parts left out.

/** "a, b,, c " as ["a", "b", "c"]. */
export const typedList = (text: string | undefined, by: string | RegExp = ","): string[] =>
  (text ?? "")
    .split(by)
    .map((part) => part.trim())
    .filter(Boolean);

/** Each name once, as it is written first; `keyOf`: what makes two the same, else that they are in whatever case of letters. */
export function onceEach(
  names: readonly string[],
  keyOf: (name: string) => string = (name) => name.toLowerCase(),
): string[] {
  const first = new Map<string, string>();
  for (const name of names) if (!first.has(keyOf(name))) first.set(keyOf(name), name);
  return [...first.values()];
}

/**
 * "USB-A, serial, nine pins; USB-C" as the names it is made of, where names themselves may hold commas: parted by
 * semicolons, and by commas into the longest names that are known. What is no known name comes as it stands between marks.
 */
export function typedNames(text: string, isKnown: (name: string) => boolean): string[] {
  return typedList(text, ";").flatMap((stretch) => {
    const parts = typedList(stretch);
    const names: string[] = [];
    for (let from = 0; from < parts.length; ) {
      let to = parts.length;
      while (to > from + 1 && !isKnown(parts.slice(from, to).join(", "))) to--;
      names.push(parts.slice(from, to).join(", "));
      from = to;
    }
    return names;
  });
}

/** "A, B and C"; of more than `most`, "A, B, C and 4 more". */
export function listed(words: readonly string[], most = 4): string {
  if (words.length <= 1) return words.join("");
  if (words.length > most)
    return `${words.slice(0, most - 1).join(", ")} and ${words.length - most + 1} more`;
  return `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}
