// What the columns of a table of channels mean: guessed from their headings, else from what stands in them, each with its reason.
import { numberIn } from "../../import/index.ts";
import type { DecimalSign } from "../../quantities/index.ts";
import { readTone } from "../tone.ts";

export const CHANNEL_MEANINGS = [
  "ignore",
  "position",
  "name",
  "receive",
  "transmit",
  "offset",
  "direction",
  "bandwidth",
  "kind",
  "tone",
  "sends",
  "hears",
  "power",
  "scan",
  "colour",
  "slot",
  "talkgroup",
  "identity",
] as const;
export type ChannelMeaning = (typeof CHANNEL_MEANINGS)[number];

export type TableColumn = {
  readonly head: string;
  readonly meaning: ChannelMeaning;
  /** Why it is taken for that. */
  readonly because: "head" | "values" | "told" | "nothing";
  /** What stands in it first. */
  readonly sample: string;
};

const TONE = /\b(tone|ctcss|dcs|dtcs|pl|squelch|sql)\b/i;
const HEADS: readonly (readonly [meaning: ChannelMeaning, words: RegExp, not?: RegExp])[] = [
  [
    "sends",
    /\b(tx|transmit|encode|enc|sent|sends|uplink)\b.*\b(tone|ctcss|dcs|code|pl)\b|\b(tone|ctcss|dcs)\b.*\b(tx|transmit|encode|enc|sent)\b/i,
    /colou?r/i,
  ],
  [
    "hears",
    /\b(rx|receive|decode|dec|heard|hears|downlink)\b.*\b(tone|ctcss|dcs|code|pl|squelch)\b|\b(tone|ctcss|dcs)\b.*\b(rx|receive|decode|dec|heard|squelch)\b/i,
    /colou?r/i,
  ],
  ["colour", /\bcolou?r\b|^cc$/i],
  ["slot", /\bslot\b|^ts$/i],
  ["talkgroup", /talk ?group|\btg\b|\bcontact\b/i],
  ["identity", /\b(dmr|digital|radio) ?id\b|\bidentity\b/i],
  ["power", /\bpower\b|\bpwr\b/i],
  ["scan", /\bscan\b|\bskip\b/i],
  ["transmit", /\b(tx|transmit|uplink|input)\b/i, /tone|code|power|ctcss|dcs/i],
  ["offset", /\boffset\b|\bshift (size|mhz|khz)/i, /\bdir(ection)?\b|\bduplex\b|\bsign\b/i],
  ["direction", /\bduplex\b|\bdir(ection)?\b|\bshift\b|\b(offset|shift) sign\b/i],
  ["bandwidth", /band ?width|\bwidth\b|\b(nfm|wide|narrow)\b/i],
  ["receive", /\b(rx|receive|downlink|output)\b|freq|\b[gmk]?hz\b/i, /tone|code|ctcss|dcs|only/i],
  ["tone", TONE, /mode/i],
  ["kind", /\b(mode|kind|type|modulation)\b/i, /tone|scan|power/i],
  ["name", /\bname\b|\blabel\b|\balias\b/i],
  [
    "position",
    /^(#|no|nr|num|number|pos|position|location|loc|ch|channel|memory|index)\.?$|\b(channel|memory) (no|nr|number)\b/i,
  ],
  ["name", /\bchannel\b/i],
];

const spaced = (head: string): string =>
  head
    .replace(/[_\-./]+/g, " ")
    .replace(/([a-z])([A-Z])/g, "$1 $2")
    .trim();

export const WIDTHS: Readonly<Record<string, number>> = {
  n: 12_500,
  nfm: 12_500,
  narrow: 12_500,
  fmn: 12_500,
  w: 25_000,
  fm: 25_000,
  wide: 25_000,
};
export const KINDS: Readonly<Record<string, boolean>> = {
  digital: true,
  dig: true,
  d: true,
  dmr: true,
  analogue: false,
  analog: false,
  a: false,
  fm: false,
  nfm: false,
  wfm: false,
};

type Guess = {
  readonly name: string;
  readonly meaning: ChannelMeaning;
  readonly because: TableColumn["because"];
};

/** What each column is taken for: each meaning once, by its heading first. */
export function guessColumns(
  head: readonly string[],
  rows: readonly (readonly string[])[],
  sign: DecimalSign,
): Guess[] {
  const taken = new Set<ChannelMeaning>();
  const found: Guess[] = head.map((name) => {
    const plain = spaced(name);
    const meaning = HEADS.find(
      ([one, words, not]) => !taken.has(one) && words.test(plain) && !not?.test(plain),
    )?.[0];
    if (meaning) taken.add(meaning);
    return meaning ? { name, meaning, because: "head" } : { name, meaning: "ignore", because: "nothing" };
  });
  const left = (meaning: ChannelMeaning, fits: (cells: readonly string[]) => boolean) => {
    if (taken.has(meaning)) return;
    const i = found.findIndex(
      (column, place) => column.meaning === "ignore" && fits(rows.map((cells) => cells[place] ?? "")),
    );
    const column = found[i];
    if (!column) return;
    taken.add(meaning);
    found[i] = { name: column.name, meaning, because: "values" };
  };
  const mostly = (cells: readonly string[], is: (cell: string) => boolean) =>
    cells.filter(is).length > cells.length / 2;
  left("receive", (cells) =>
    mostly(cells, (cell) => (numberIn(cell, sign) ?? 0) > 20 && !/^\d{1,3}$/.test(cell)),
  );
  if (!taken.has("tone") && !taken.has("sends"))
    left("tone", (cells) =>
      mostly(
        cells.filter((cell) => cell !== ""),
        (cell) => typeof readTone(cell) === "object" && /[.,]\d|^D/i.test(cell),
      ),
    );
  left("kind", (cells) => mostly(cells, (cell) => /^(digital|analog(ue)?|dmr)$/i.test(cell.trim())));
  left("bandwidth", (cells) => mostly(cells, (cell) => WIDTHS[cell.trim().toLowerCase()] !== undefined));
  left("name", (cells) => mostly(cells, (cell) => /\p{L}/u.test(cell)));
  return found;
}
