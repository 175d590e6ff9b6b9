// What is typed to search the log, as a question to PostgreSQL's full text: each word must be there, the last one may go on.

/** So many words are asked for; what is typed beyond them says nothing more. */
const MOST_WORDS = 12;

/**
 * The text for `to_tsquery('simple', ...)`. Signs part a word into pieces that must follow each other (K-07 is k, then 7), as the log's own
 * words are kept: in small letters, without leading zeros. "" where nothing was typed that could be found.
 */
export function logQuery(typed: string): string {
  return typed
    .toLowerCase()
    .split(/\s+/)
    .map((word) =>
      word
        .split(/[^\p{L}\p{N}]+/u)
        .filter((piece) => piece !== "")
        .map((piece) => piece.replace(/^0+(?=\d)/, "")),
    )
    .filter((pieces) => pieces.length > 0)
    .slice(0, MOST_WORDS)
    .map((pieces, i, all) => {
      const last = pieces.at(-1) ?? "";
      // Numbers are whole: 1 is not 12.
      const goesOn = i === all.length - 1 && !/\d$/.test(last);
      return `(${pieces.join(" <-> ")}${goesOn ? ":*" : ""})`;
    })
    .join(" & ");
}
