// The first letter of a sentence.
export const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);
