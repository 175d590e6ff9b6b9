// What counts as the same name in a sheet and in the club, whatever its case, its width and the blanks around it.

export const folded = (text: string): string => text.normalize("NFKC").trim().toLowerCase();
export const modelKey = (maker: string, name: string): string => `${folded(maker)}\n${folded(name)}`;
