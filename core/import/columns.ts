// What each column of a sheet may mean, guessed from its head; a person has the last word.
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
  "reading",
  "readOn",
] as const;
export type Meaning = (typeof COLUMN_MEANINGS)[number];

/** Words that heads use, the closest first; compared without case, signs and spaces. */
const WORDS: Record<Exclude<Meaning, "ignore">, readonly string[]> = {
  tag: ["tag", "unit", "unittag", "radio", "id", "label", "asset", "inventory", "no", "number", "nr"],
  maker: ["maker", "make", "manufacturer", "brand"],
  model: ["model", "modelname", "type", "kind"],
  hardware: ["hardware", "hardwarerevision", "hw", "hwrev", "hwrevision", "revision", "rev"],
  region: ["region", "market", "variant"],
  serial: ["serial", "serialnumber", "serialno", "sn", "sno"],
  place: ["place", "location", "shelf", "where", "kept", "storage", "cabinet"],
  group: ["group", "pool", "purpose", "team"],
  note: ["note", "notes", "remark", "remarks", "comment", "comments"],
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
  readOn: ["readon", "date", "dateread", "readdate", "checked", "checkedon", "lastread", "when", "asof"],
};

const folded = (text: string) =>
  text
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^a-z0-9]/g, "");

/** One meaning for each head; no meaning twice. An exact word beats a word within. */
export function guessColumns(head: readonly string[]): Meaning[] {
  const scores = head.flatMap((text, column) => {
    const name = folded(text);
    return Object.entries(WORDS).flatMap(([meaning, words]) => {
      const exact = words.indexOf(name);
      const within = words.findIndex((word) => word.length > 3 && name.includes(word));
      if (exact >= 0) return [{ column, meaning: meaning as Meaning, score: 100 - exact }];
      return within >= 0 ? [{ column, meaning: meaning as Meaning, score: 50 - within }] : [];
    });
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
