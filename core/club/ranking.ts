// Which of what the finder has found comes first: a beginning before a middle, a tag before a name before a page; small slips are forgiven.

/** In the order in which they stand where all else is equal. */
export const FOUND_SORTS = ["tag", "name", "page"] as const;
export type FoundSort = (typeof FOUND_SORTS)[number];

/** How well a name fits: it is that; begins so; a word of it begins so; it has that somewhere; it is that but for a slip. Undefined: not at all. */
export function fitOf(name: string, asked: string): number | undefined {
  const [whole, part] = [name.toLowerCase(), asked.trim().toLowerCase()];
  if (part === "") return undefined;
  if (whole === part) return 0;
  if (whole.startsWith(part)) return 1;
  const words = whole.split(/[^\p{L}\p{N}]+/u);
  if (words.some((word) => word.startsWith(part))) return 2;
  if (whole.includes(part)) return 3;
  // Two letters are too few to have slipped in.
  if (part.length < 3) return undefined;
  return [whole, ...words].some((word) => isSlip(word.slice(0, part.length + 1), part)) ? 4 : undefined;
}

/**
 * Whether what is typed is the beginning of a word but for one slip of the finger: a letter too many, one missing, one wrong, or two in the
 * wrong order. `word`: of one letter more than what is typed, at most.
 */
function isSlip(word: string, typed: string): boolean {
  for (const end of [typed.length - 1, typed.length, typed.length + 1])
    if (end <= word.length && end > 0 && isOneOff(word.slice(0, end), typed)) return true;
  return false;
}

function isOneOff(a: string, b: string): boolean {
  let i = 0;
  while (i < a.length && a[i] === b[i]) i++;
  const [restA, restB] = [a.slice(i), b.slice(i)];
  if (restA === "" && restB === "") return true;
  return (
    restA.slice(1) === restB.slice(1) ||
    restA.slice(1) === restB ||
    restA === restB.slice(1) ||
    (restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2))
  );
}

const inOrder = new Intl.Collator("en", { numeric: true });

/** Those that fit, the best first; of equal ones tags, then names, then pages, each in order. */
export function ranked<Found extends { readonly name: string; readonly sort: FoundSort }>(
  all: readonly Found[],
  asked: string,
): Found[] {
  return all
    .flatMap((found) => {
      const fit = fitOf(found.name, asked);
      return fit === undefined ? [] : [{ found, fit }];
    })
    .sort(
      (a, b) =>
        a.fit - b.fit ||
        FOUND_SORTS.indexOf(a.found.sort) - FOUND_SORTS.indexOf(b.found.sort) ||
        inOrder.compare(a.found.name, b.found.name),
    )
    .map(({ found }) => found);
}
