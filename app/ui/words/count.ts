// Counting words: "1 release", "3 releases".
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count.toLocaleString("en-GB")} ${count === 1 ? one : many}`;
