// What each column of a sheet may mean, guessed from its head; a person has the last word.
import { asPartName } from "../release/index.ts";

export const COLUMN_MEANINGS = [
  "ignore",
  "tag",
  "maker",
  "model",
  "hardware",
  "region",
  "serial",
  "place",
  "group",
  "note",
  "noteToo",
  "holder",
  "reading",
  "component",
  "readOn",
] as const;
type PlainMeaning = (typeof COLUMN_MEANINGS)[number];
/**
 * `reading` is the version of the component that the row's `component` names, or of the model's first one;
 * `reading:panel` that of the component called panel, so that one row tells of several.
 */
export type Meaning = PlainMeaning | `reading:${string}`;

/** The component that a column of versions is for; `undefined` where it is not for a certain one. */
export const componentOf = (meaning: Meaning): string | undefined =>
  meaning.startsWith("reading:") ? meaning.slice("reading:".length) : undefined;

/** What a column means that holds the readings of a component. */
export const readingOf = (component: string): Meaning => `reading:${asPartName(component)}`;

/** A meaning as a form tells it; `undefined` for what is none. */
export function toMeaning(text: string): Meaning | undefined {
  const plain = COLUMN_MEANINGS.find((meaning) => meaning === text);
  const component = text.startsWith("reading:") ? text.slice("reading:".length).trim() : "";
  return plain ?? (component === "" ? undefined : readingOf(component));
}

/** Whether the column holds versions, of whichever component. */
export const isReading = (meaning: Meaning): boolean =>
  meaning === "reading" || componentOf(meaning) !== undefined;

/** Words that heads use, the closest first; compared without case, signs and spaces. */
const WORDS: Record<Exclude<PlainMeaning, "ignore" | "noteToo">, readonly string[]> = {
  tag: ["tag", "unit", "unittag", "radio", "id", "label", "asset", "inventory", "no", "number", "nr"],
  maker: ["maker", "make", "manufacturer", "brand"],
  model: ["model", "modelname", "type", "kind"],
  hardware: ["hardware", "hardwarerevision", "hw", "hwrev", "hwrevision", "revision", "rev"],
  region: ["region", "market", "variant"],
  serial: ["serial", "serialnumber", "serialno", "sn", "sno"],
  place: ["place", "location", "shelf", "where", "kept", "storage", "cabinet"],
  group: ["group", "pool", "purpose", "team"],
  note: ["note", "notes", "remark", "remarks", "comment", "comments"],
  holder: ["with", "holder", "heldby", "lentto", "borrower", "who", "carriedby", "whohasit", "givento"],
  reading: [
    "reading",
    "firmware",
    "version",
    "fw",
    "fwversion",
    "firmwareversion",
    "main",
    "runs",
    "software",
  ],
  component: ["component", "part", "componentname", "partname", "chip", "processor"],
  readOn: [
    "readon",
    "date",
    "dateread",
    "readdate",
    "checked",
    "checkedon",
    "lastread",
    "when",
    "asof",
    "dayitwasread",
    "dayread",
    "day",
  ],
};

const folded = (text: string) =>
  text
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^a-z0-9]/g, "");

const wordsOf = (text: string): string[] =>
  text
    .split(/(?<=\p{Ll})(?=\p{Lu})|[^\p{L}\p{N}]+/u)
    .map(folded)
    .filter(Boolean);

/** A head as it is remembered: without case and blanks around it. */
export const headKey = (head: string): string => head.normalize("NFKC").trim().toLowerCase().slice(0, 200);

/** Meanings that several columns may have. */
export const MAY_REPEAT: ReadonlySet<Meaning> = new Set<Meaning>(["ignore", "noteToo"]);

/** The guess, but where the club has said before what a head means, that. */
export function columnsAsBefore(
  guessed: readonly Meaning[],
  head: readonly string[],
  before: ReadonlyMap<string, Meaning>,
): Meaning[] {
  const told = head.map((name) => before.get(headKey(name)));
  const taken = new Set(told.filter((meaning) => meaning !== undefined && !MAY_REPEAT.has(meaning)));
  return guessed.map((guess, i) => told[i] ?? (taken.has(guess) ? "ignore" : guess));
}

/**
 * One meaning for each head; no meaning twice. An exact word beats a word within. A head that has all the words of a
 * component's name ("panel version" with a component "panel") holds that one's versions, if it is no exact word itself.
 */
export function guessColumns(head: readonly string[], components: readonly string[] = []): Meaning[] {
  const named = components.map((name) => ({ meaning: readingOf(name), words: wordsOf(name) }));
  const scores = head.flatMap((text, column) => {
    const name = folded(text);
    const words = wordsOf(text);
    const own = named
      .filter((of) => of.words.length > 0 && of.words.every((word) => words.includes(word)))
      .map(({ meaning, words }) => ({ column, meaning, score: 60 + words.length }));
    const plain = Object.entries(WORDS).flatMap(([meaning, words]) => {
      const exact = words.indexOf(name);
      const within = words.findIndex((word) => word.length > 3 && name.includes(word));
      if (exact >= 0) return [{ column, meaning: meaning as Meaning, score: 100 - exact }];
      return within >= 0 ? [{ column, meaning: meaning as Meaning, score: 50 - within }] : [];
    });
    return [...own, ...plain];
  });
  scores.sort((a, b) => b.score - a.score || a.column - b.column);
  const meanings: Meaning[] = head.map(() => "ignore");
  const taken = new Set<Meaning>();
  for (const { column, meaning } of scores) {
    if (taken.has(meaning) || meanings[column] !== "ignore") continue;
    meanings[column] = meaning;
    taken.add(meaning);
  }
  return meanings;
}
