// Counting words: "1 release", "3 releases"; and lists: "A, B and C".
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count.toLocaleString("en-GB")} ${count === 1 ? one : many}`;

export function listed(words: readonly string[], most = 4): string {
  if (words.length <= 1) return words.join("");
  if (words.length > most)
    return `${words.slice(0, most - 1).join(", ")} and ${words.length - most + 1} more`;
  return `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}
