// What counts as the same name in a sheet and in the club, whatever its case, its width and the blanks around it.

/** Two names that differ only in case, width of letters or blanks around them are one. */
export const folded = (text: string): string => text.normalize("NFKC").trim().toLowerCase();

/** What a maker and a name are looked up by. */
export const modelKey = (maker: string, name: string): string => `${folded(maker)}\n${folded(name)}`;
