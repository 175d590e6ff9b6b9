// Cleans a readout as people type or paste it: "Firmware Ver. V1.14-EU" becomes "1.14".
// Cleaning is repeated until nothing changes, so that cleaning twice is the same as cleaning once.
const LABELS = ["firmware", "software", "version", "ver", "rev", "f/w", "s/w", "fw", "sw", "v"];
const LABEL = new RegExp(`^(?:${LABELS.join("|")})(\\s*[.:]?\\s*)(?=.)`, "s");
/** Direction marks, zero-width characters and the like: they cannot be seen, so they cannot be meant. */
const INVISIBLE = /\p{Default_Ignorable_Code_Point}|[\u200e\u200f\u202a-\u202e\u2066-\u2069]/gu;

export type CleaningRules = {
  /** Endings that this model hangs on its versions, such as regions ("-eu"). */
  readonly suffixes: readonly string[];
  /** A scheme whose versions begin with letters keeps a label's letter that stands right before a digit. */
  readonly keepsLetters: boolean;
};

/**
 * Cleans a readout: Unicode NFKC, invisible characters out, trimmed, case folded, labels dropped from the
 * front, the model's suffixes from the end. Never empties a text: a label or suffix alone stays.
 */
export function cleanReadout(raw: string, rules: CleaningRules): string {
  let text = fold(raw);
  const suffixes = rules.suffixes.map(fold).filter((s) => s !== "");
  for (;;) {
    const next = withoutSuffix(withoutLabel(text, rules.keepsLetters), suffixes);
    if (next === text) return text;
    text = next;
  }
}

const PLAIN_LETTERS = /^[ -~]*$/;

function fold(text: string): string {
  // Nearly every readout: nothing to compose, nothing hidden.
  if (PLAIN_LETTERS.test(text)) return text.toLowerCase().trim();
  let folded = text;
  // Lower case can decompose and a removed character can join its neighbours: settle to a fixed point.
  for (;;) {
    const next = folded.normalize("NFKC").replace(INVISIBLE, "").toLowerCase().normalize("NFKC").trim();
    if (next === folded) return folded;
    folded = next;
  }
}

function withoutLabel(text: string, keepsLetters: boolean): string {
  const label = LABEL.exec(text);
  if (!label) return text;
  const rest = text.slice(label[0].length);
  const parted = label[1] !== "";
  const first = rest[0] ?? "";
  // "wren-3" or "verdant" must not lose their first letters: unparted, only a digit may follow a label.
  if (!parted && !/\d/.test(first)) return text;
  if (keepsLetters && !/\p{L}/u.test(first)) return text;
  return rest.trim();
}

function withoutSuffix(text: string, suffixes: readonly string[]): string {
  // The longest that is there: of "-eu" and "-x-eu" the second is meant, whichever was written down first.
  let suffix = "";
  for (const one of suffixes)
    if (one.length > suffix.length && text.endsWith(one) && text.length > one.length) suffix = one;
  return suffix ? text.slice(0, -suffix.length).trim() : text;
}
