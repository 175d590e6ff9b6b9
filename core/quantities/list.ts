// Lists as people type them: parted by commas, lines or another mark, blanks around the parts left out.

/** "a, b,, c " as ["a", "b", "c"]. */
export const typedList = (text: string | undefined, by: string | RegExp = ","): string[] =>
  (text ?? "")
    .split(by)
    .map((part) => part.trim())
    .filter(Boolean);
