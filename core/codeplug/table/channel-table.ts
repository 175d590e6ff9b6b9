// Channels out of a table of whichever dialect: what each column means is guessed or told, and no cell is dropped silently.
import {
  type Delimiter,
  type FrequencyUnit,
  frequencyIn,
  numberIn,
  readTable,
  type TableProblem,
  unitOfColumn,
} from "../../import/index.ts";
import { bad, type DecimalSign, findDecimalSign, good, type Result } from "../../quantities/index.ts";
import type { CodeplugChannel, Tone } from "../channel.ts";
import { readTone } from "../tone.ts";
import { DIRECTIONS, offsetIn, widthIn, yesNo } from "./channel-cells.ts";
import { type ChannelMeaning, guessColumns, KINDS, type TableColumn } from "./columns.ts";

export const MOST_CHANNELS = 5000;
/** Signs of a name that are kept. */
const MOST_NAME = 300;

export type OddCell = {
  readonly row: number;
  readonly column: string;
  readonly cell: string;
  readonly wanted:
    | "a frequency"
    | "an offset"
    | "a direction"
    | "a width"
    | "a tone"
    | "yes or no"
    | "digital or analogue"
    | "a colour code from 0 to 15"
    | "slot 1 or 2"
    | "a name of 300 signs at most"
    | "a word of 60 signs at most"
    | "a position of its own, from 1 on";
};

export type ReadChannels = {
  readonly columns: readonly TableColumn[];
  readonly unit: FrequencyUnit;
  /** The unit that the heading names, where what stands in the column is in another. */
  readonly headSays?: FrequencyUnit;
  readonly sign: DecimalSign;
  readonly delimiter: Delimiter;
  readonly channels: readonly CodeplugChannel[];
  /** In which row each of them stands. */
  readonly lines: readonly number[];
  readonly odd: readonly OddCell[];
};

export type ChannelProblem =
  | TableProblem
  /** No column that could be what it receives on. */
  | { readonly kind: "no-receive" }
  | { readonly kind: "too-many"; readonly most: number };

const NO_TRANSMIT = /^(?:off|none|no|rx only|receive only|inhibit|-+)$/i;
export type AskedTable = {
  /** What a person said each column means. */
  readonly columns?: readonly ChannelMeaning[];
  readonly unit?: FrequencyUnit | undefined;
  readonly sign?: DecimalSign | undefined;
};

/**
 * Reads a table of channels. A row without a frequency to receive on is no channel and is named; every other cell that cannot be read is named
 * too. Positions are those of their column; without one, or where one is doubled or none, the next that is free. Where the heading names a unit
 * in which what stands there would be out of all reach, the size counts. Problems: those of `readTable`; `no-receive`, `too-many`.
 */
export function readChannelTable(text: string, asked: AskedTable = {}): Result<ReadChannels, ChannelProblem> {
  const table = readTable(text);
  if (!table.ok) return table;
  const { head, rows, delimiter } = table.value;
  if (rows.length > MOST_CHANNELS) return bad({ kind: "too-many", most: MOST_CHANNELS });
  const first = rows.slice(0, 200);
  const usual = asked.sign ?? findDecimalSign(first.flatMap(({ cells }) => cells));
  const columns = asked.columns
    ? head.map((name, i) => ({ name, meaning: asked.columns?.[i] ?? "ignore", because: "told" as const }))
    : guessColumns(
        head,
        rows.map(({ cells }) => cells),
        usual,
      );
  // What stands in the column of frequencies decides: names and notes have points too.
  const tuned = columns.findIndex(({ meaning }) => meaning === "receive");
  const own = first.map(({ cells }) => cells[tuned] ?? "").filter((cell) => /\d[.,]\d/.test(cell));
  const sign = asked.sign ?? (own.length > 0 ? findDecimalSign(own) : usual);
  const places = new Map(columns.map(({ meaning }, i) => [meaning, i] as const).reverse());
  const receiveAt = places.get("receive");
  if (receiveAt === undefined) return bad({ kind: "no-receive" });
  const numbers = rows.flatMap(({ cells }) => numberIn(cells[receiveAt] ?? "", sign) ?? []);
  const told = asked.unit ?? unitOfColumn(head[receiveAt] ?? "", numbers);
  const bySize = unitOfColumn("", numbers);
  const headSays =
    asked.unit === undefined && told !== bySize && outOfReach(numbers, told) ? told : undefined;
  const unit = headSays === undefined ? told : bySize;
  const offsetAt = places.get("offset");
  const isSigned =
    places.has("direction") ||
    (offsetAt !== undefined && rows.some(({ cells }) => /^\s*[+\-−]\s*[\d.,]/.test(cells[offsetAt] ?? "")));
  const channels: Omit<CodeplugChannel, "position">[] = [];
  const wanted: (number | undefined)[] = [];
  const odd: OddCell[] = [];
  const lines: number[] = [];
  for (const { line, cells } of rows) {
    const row = rowOf(line, cells, { head, places, odd, unit, sign, isSigned });
    const receive = frequencyIn(row.cell("receive"), unit, sign) ?? row.miss("receive", "a frequency");
    if (receive === undefined) continue;
    lines.push(line);
    wanted.push(positionOf(row, wanted));
    channels.push(channelOf(row, receive, channels.length));
  }
  return good({
    columns: columns.map(({ name, meaning, because }, i) => ({
      head: name || `column ${i + 1}`,
      meaning,
      because,
      sample: rows.find(({ cells }) => (cells[i] ?? "") !== "")?.cells[i] ?? "",
    })),
    unit,
    sign,
    delimiter,
    lines,
    odd,
    ...(headSays && { headSays }),
    channels: placed(channels, wanted),
  });
}

/** Nothing that radios of clubs use: under 10 kHz, or over 300 GHz. */
function outOfReach(numbers: readonly number[], unit: FrequencyUnit): boolean {
  const sorted = numbers.filter((value) => value > 0).sort((a, b) => a - b);
  const middle = (sorted[Math.floor(sorted.length / 2)] ?? 0) * { Hz: 1, kHz: 1e3, MHz: 1e6, GHz: 1e9 }[unit];
  return middle > 0 && (middle < 1e4 || middle > 3e11);
}

type Row = {
  readonly cell: (meaning: ChannelMeaning) => string;
  readonly has: (meaning: ChannelMeaning) => boolean;
  readonly miss: (meaning: ChannelMeaning, wanted: OddCell["wanted"]) => undefined;
  readonly head: (meaning: ChannelMeaning) => string;
  readonly unit: FrequencyUnit;
  readonly sign: DecimalSign;
  /** What says which way an offset goes: its sign, or a column. */
  readonly isSigned: boolean;
};

function rowOf(
  line: number,
  cells: readonly string[],
  known: Pick<Row, "unit" | "sign" | "isSigned"> & {
    readonly head: readonly string[];
    readonly places: ReadonlyMap<ChannelMeaning, number>;
    readonly odd: OddCell[];
  },
): Row {
  const { head, places, odd, ...rest } = known;
  const at = (meaning: ChannelMeaning) => places.get(meaning) ?? -1;
  const cell = (meaning: ChannelMeaning) => cells[at(meaning)] ?? "";
  return {
    ...rest,
    cell,
    has: (meaning) => places.has(meaning),
    head: (meaning) => head[at(meaning)] ?? "",
    miss: (meaning, wanted) => {
      odd.push({ row: line, column: head[at(meaning)] ?? "", cell: cell(meaning), wanted });
      return undefined;
    },
  };
}

function positionOf(row: Row, taken: readonly (number | undefined)[]): number | undefined {
  if (!row.has("position") || row.cell("position") === "") return undefined;
  const text = row.cell("position");
  const position = /^\d{1,6}$/.test(text) ? Number(text) : 0;
  if (position < 1 || position > 100_000 || taken.includes(position))
    return row.miss("position", "a position of its own, from 1 on");
  return position;
}

/** Each at the position it wants; the others at the next that is free behind the one before. */
function placed(
  channels: readonly Omit<CodeplugChannel, "position">[],
  wanted: readonly (number | undefined)[],
): CodeplugChannel[] {
  const taken = new Set(wanted.flatMap((one) => one ?? []));
  let last = 0;
  return channels.map((channel, i) => {
    let position = wanted[i];
    if (position === undefined) {
      position = last + 1;
      while (taken.has(position)) position++;
      taken.add(position);
    }
    last = position;
    return { position, ...channel };
  });
}

function channelOf(row: Row, receive: number, before: number): Omit<CodeplugChannel, "position"> {
  const { cell, miss, sign } = row;
  const read = <T>(
    meaning: ChannelMeaning,
    of: (text: string) => T | undefined,
    wanted: OddCell["wanted"],
  ) => (cell(meaning) === "" ? undefined : (of(cell(meaning)) ?? miss(meaning, wanted)));
  const tone = (meaning: "tone" | "sends" | "hears"): Tone | undefined => {
    const found = read(meaning, readTone, "a tone");
    return found === "none" ? undefined : found;
  };
  const wholeNumber = (most: number, least: number) => (text: string) => {
    const found = /^(?:ts|slot|cc)? ?(\d{1,2})$/i.exec(text);
    const number = found ? Number(found[1]) : -1;
    return number >= least && number <= most ? number : undefined;
  };
  const word = (meaning: ChannelMeaning) =>
    read(meaning, (text) => (text.length <= 60 ? text : undefined), "a word of 60 signs at most");
  const digital = read("kind", (text) => KINDS[text.toLowerCase()], "digital or analogue") ?? false;
  const kindWidth = /^nfm$/i.test(cell("kind")) ? 12_500 : undefined;
  const bandwidth = read("bandwidth", (text) => widthIn(text, sign), "a width") ?? kindWidth;
  const transmit = transmitOf(receive, row);
  const both = tone("tone");
  const [sends, hears] = [tone("sends") ?? both, tone("hears") ?? (row.has("sends") ? undefined : both)];
  const scan = row.has("scan") ? read("scan", yesNo, "yes or no") : undefined;
  const [colour, slot] = [
    read("colour", wholeNumber(15, 0), "a colour code from 0 to 15"),
    read("slot", wholeNumber(2, 1), "slot 1 or 2"),
  ];
  const [power, talkgroup, identity] = [word("power"), word("talkgroup"), word("identity")];
  const name = cell("name");
  if (name.length > MOST_NAME) miss("name", "a name of 300 signs at most");
  const skips = /\bskip\b/i.test(row.head("scan"));
  return {
    name: row.has("name") ? name.slice(0, MOST_NAME) : `channel ${before + 1}`,
    receive,
    digital,
    ...(transmit !== undefined && { transmit }),
    ...(bandwidth !== undefined && { bandwidth }),
    ...(sends && { sends }),
    ...(hears && { hears }),
    ...(power !== undefined && { power }),
    ...(scan !== undefined && { scan: skips ? !scan : scan }),
    ...(digital && colour !== undefined && { colour }),
    ...(digital && slot !== undefined && { slot: slot as 1 | 2 }),
    ...(digital && talkgroup !== undefined && { talkgroup }),
    ...(digital && identity !== undefined && { identity }),
  };
}

/** Where a channel transmits: as it says, else by its offset, else where it receives; undefined: it only receives, or that cannot be read. */
function transmitOf(receive: number, { cell, miss, unit, sign, head, isSigned }: Row): number | undefined {
  const told = cell("transmit");
  if (NO_TRANSMIT.test(told) || /^off$/i.test(cell("direction"))) return undefined;
  if (told !== "") return frequencyIn(told, unit, sign) ?? miss("transmit", "a frequency");
  if (/^(?:off|inhibit|(?:rx|receive) only)$/i.test(cell("offset"))) return undefined;
  const offset =
    cell("offset") === ""
      ? 0
      : (offsetIn(cell("offset"), head("offset"), sign) ?? miss("offset", "an offset"));
  if (offset === undefined) return undefined;
  // Nothing in the whole table says which way its offsets go.
  if (offset !== 0 && !isSigned) return miss("offset", "a direction");
  const word = cell("direction").toLowerCase();
  const direction = DIRECTIONS[word];
  if (direction === undefined) return miss("direction", "a direction");
  // A direction of its own says which way a size goes; without one the sign does.
  const shift = word === "" ? offset : direction * Math.abs(offset);
  const transmit = receive + shift;
  return transmit > 0 ? transmit : miss("offset", "an offset");
}
