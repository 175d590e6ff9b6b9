// Channels out of a table of whichever dialect: columns guessed from heads and from what stands in them, each with its reason.
import { type FrequencyUnit, frequencyIn, numberIn, unitIn, unitOfColumn } from "../import/numbers.ts";
import { type DecimalSign, findDecimalSign } from "../import/signs.ts";
import { readTable, type TableProblem } from "../import/table.ts";
import type { Channel } from "../modes/mode.ts";
import { bad, good, type Result } from "../quantities/result.ts";

export const CHANNEL_MEANINGS = [
  "ignore",
  "name",
  "receive",
  "transmit",
  "offset",
  "direction",
  "bandwidth",
] as const;
export type ChannelMeaning = (typeof CHANNEL_MEANINGS)[number];

export const MOST_CHANNELS = 5000;

export type TableColumn = {
  readonly head: string;
  readonly meaning: ChannelMeaning;
  /** Why it is taken for that. */
  readonly because: "head" | "values" | "told" | "nothing";
  /** What stands in it first. */
  readonly sample: string;
};

export type OddCell = {
  readonly row: number;
  readonly column: string;
  readonly cell: string;
  readonly wanted: "a frequency" | "an offset" | "a direction" | "a width";
};

export type ReadChannels = {
  readonly columns: readonly TableColumn[];
  readonly unit: FrequencyUnit;
  readonly channels: readonly Channel[];
  readonly odd: readonly OddCell[];
};

export type ChannelProblem =
  | TableProblem
  /** No column that could be what it receives on. */
  | { readonly kind: "no-receive" }
  | { readonly kind: "too-many"; readonly most: number };

const HEADS: readonly (readonly [meaning: ChannelMeaning, words: RegExp])[] = [
  ["transmit", /\b(tx|transmit|uplink|input)\b(?!.*(tone|code|power|ctcss|dcs))/i],
  ["offset", /\boffset\b|\bshift (size|mhz|khz)/i],
  ["direction", /\bduplex\b|\bdirection\b|\bshift\b/i],
  ["bandwidth", /band ?width|\bwidth\b|\b(nfm|wide|narrow)\b/i],
  ["receive", /\b(rx|receive|downlink|output)\b(?!.*(tone|code|ctcss|dcs|only))|freq|\b[gmk]?hz\b/i],
  ["name", /\bname\b|\blabel\b|\balias\b|\bchannel\b/i],
];

const spaced = (head: string): string => head.replace(/[_\-./]+/g, " ").replace(/([a-z])([A-Z])/g, "$1 $2");

const NO_TRANSMIT = /^(?:off|none|no|rx only|receive only|inhibit|-+)$/i;
const WIDTHS: Readonly<Record<string, number>> = {
  ...{ n: 12_500, nfm: 12_500, narrow: 12_500, fmn: 12_500 },
  ...{ w: 25_000, fm: 25_000, wide: 25_000 },
};
const DIRECTIONS: Readonly<Record<string, number>> = {
  ...{ "+": 1, plus: 1, up: 1, "-": -1, "−": -1, minus: -1, down: -1 },
  ...{ "": 0, "0": 0, off: 0, simplex: 0, none: 0 },
};

/** A width in hertz: a word, kilohertz, or hertz told by size; undefined for what is none. */
function widthIn(cell: string, sign: DecimalSign): number | undefined {
  const word = WIDTHS[cell.trim().toLowerCase()];
  if (word !== undefined) return word;
  const number = numberIn(cell, sign);
  if (number === undefined || number <= 0) return undefined;
  const unit = unitIn(cell);
  return Math.round(unit === "Hz" || (unit === undefined && number >= 1000) ? number : number * 1000);
}

/** An offset in hertz with its sign; megahertz, kilohertz or hertz by its unit, else by its size. */
function offsetIn(cell: string, head: string, sign: DecimalSign): number | undefined {
  const number = numberIn(cell, sign);
  if (number === undefined) return undefined;
  const size = Math.abs(number);
  const unit = unitIn(cell) ?? unitIn(head) ?? (size < 100 ? "MHz" : size < 100_000 ? "kHz" : "Hz");
  return Math.round(number * { Hz: 1, kHz: 1e3, MHz: 1e6, GHz: 1e9 }[unit]);
}

/**
 * Reads a table of channels. `asked`: what a person said each column means, and the unit of its frequencies. A row without a frequency to
 * receive on is no channel and is named; every other cell that cannot be read is named too. Problems: those of `readTable`; `no-receive`, `too-many`.
 */
export function readChannelTable(
  text: string,
  asked: { readonly columns?: readonly ChannelMeaning[]; readonly unit?: FrequencyUnit | undefined } = {},
): Result<ReadChannels, ChannelProblem> {
  const table = readTable(text);
  if (!table.ok) return table;
  const { head, rows } = table.value;
  if (rows.length > MOST_CHANNELS) return bad({ kind: "too-many", most: MOST_CHANNELS });
  const sign = findDecimalSign(rows.slice(0, 200).flatMap(({ cells }) => cells));
  const columns = asked.columns
    ? head.map((name, i) => ({ name, meaning: asked.columns?.[i] ?? "ignore", because: "told" as const }))
    : guessed(
        head,
        rows.map(({ cells }) => cells),
        sign,
      );
  const at = (meaning: ChannelMeaning) => columns.findIndex((column) => column.meaning === meaning);
  const receiveAt = at("receive");
  if (receiveAt < 0) return bad({ kind: "no-receive" });
  const numbers = rows.flatMap(({ cells }) => numberIn(cells[receiveAt] ?? "", sign) ?? []);
  const unit = asked.unit ?? unitOfColumn(head[receiveAt] ?? "", numbers);
  const channels: Channel[] = [];
  const odd: OddCell[] = [];
  for (const [i, { line, cells }] of rows.entries()) {
    const cell = (meaning: ChannelMeaning) => (at(meaning) < 0 ? "" : (cells[at(meaning)] ?? "")).trim();
    const miss = (meaning: ChannelMeaning, wanted: OddCell["wanted"]) => {
      odd.push({ row: line, column: head[at(meaning)] ?? "", cell: cell(meaning), wanted });
      return undefined;
    };
    const receive = frequencyIn(cell("receive"), unit, sign) ?? miss("receive", "a frequency");
    if (receive === undefined) continue;
    const bandwidth =
      cell("bandwidth") === ""
        ? undefined
        : (widthIn(cell("bandwidth"), sign) ?? miss("bandwidth", "a width"));
    const transmit = transmitOf(receive, { cell, miss, unit, sign, head: head[at("offset")] ?? "" });
    channels.push({
      name: cell("name").slice(0, 60) || `channel ${i + 1}`,
      receive,
      ...(transmit !== undefined && { transmit }),
      ...(bandwidth !== undefined && { bandwidth }),
    });
  }
  return good({
    columns: columns.map(({ name, meaning, because }, i) => ({
      ...{ head: name || `column ${i + 1}`, meaning, because },
      sample: rows.find(({ cells }) => (cells[i] ?? "") !== "")?.cells[i] ?? "",
    })),
    ...{ unit, channels, odd },
  });
}

type Reading = {
  readonly cell: (meaning: ChannelMeaning) => string;
  readonly miss: (meaning: ChannelMeaning, wanted: OddCell["wanted"]) => undefined;
  readonly unit: FrequencyUnit;
  readonly sign: DecimalSign;
  readonly head: string;
};

/** Where a channel transmits: as it says, else by its offset, else where it receives; undefined: it only receives, or that cannot be read. */
function transmitOf(receive: number, { cell, miss, unit, sign, head }: Reading): number | undefined {
  const told = cell("transmit");
  if (NO_TRANSMIT.test(told) || /^off$/i.test(cell("direction"))) return undefined;
  if (told !== "") return frequencyIn(told, unit, sign) ?? miss("transmit", "a frequency");
  const offset =
    cell("offset") === "" ? 0 : (offsetIn(cell("offset"), head, sign) ?? miss("offset", "an offset"));
  if (offset === undefined) return undefined;
  const word = cell("direction").toLowerCase();
  const direction = DIRECTIONS[word];
  if (direction === undefined) return miss("direction", "a direction");
  // A direction of its own says which way a size goes; without one the sign does.
  const shift = word === "" ? offset : direction * Math.abs(offset);
  const transmit = receive + shift;
  return transmit > 0 ? transmit : miss("offset", "an offset");
}

function guessed(
  head: readonly string[],
  rows: readonly (readonly string[])[],
  sign: DecimalSign,
): { readonly name: string; readonly meaning: ChannelMeaning; readonly because: TableColumn["because"] }[] {
  const taken = new Set<ChannelMeaning>();
  const found = head.map((name) => {
    const meaning = HEADS.find(([one, words]) => !taken.has(one) && words.test(spaced(name)))?.[0];
    if (meaning) taken.add(meaning);
    return {
      name,
      meaning: meaning ?? ("ignore" as const),
      because: meaning ? ("head" as const) : ("nothing" as const),
    };
  });
  const left = (meaning: ChannelMeaning, fits: (cells: readonly string[]) => boolean) => {
    if (taken.has(meaning)) return;
    const i = found.findIndex(
      (column, place) => column.meaning === "ignore" && fits(rows.map((cells) => cells[place] ?? "")),
    );
    const column = found[i];
    if (!column) return;
    taken.add(meaning);
    found[i] = { name: column.name, meaning, because: "values" as never };
  };
  const mostly = (cells: readonly string[], is: (cell: string) => boolean) =>
    cells.filter(is).length > cells.length / 2;
  left("receive", (cells) => mostly(cells, (cell) => (numberIn(cell, sign) ?? 0) > 20));
  left("name", (cells) => mostly(cells, (cell) => /\p{L}/u.test(cell)));
  left("bandwidth", (cells) => mostly(cells, (cell) => WIDTHS[cell.trim().toLowerCase()] !== undefined));
  return found;
}
