// A table of repeaters from elsewhere: its channels as every table's, with where they stand and whether they are open.
import { numberIn, readTable } from "../../import/index.ts";
import { bad, good, type Result } from "../../quantities/index.ts";
import type { CodeplugChannel } from "../channel.ts";
import { type ChannelProblem, type OddCell, readChannelTable } from "../table/channel-table.ts";

export type ReadRepeater = {
  readonly channel: CodeplugChannel;
  readonly latitude?: number;
  readonly longitude?: number;
  readonly open: boolean;
};

const LATITUDE = /^(?:lat(?:itude)?|north)\b/i;
const LONGITUDE = /^(?:lon(?:gitude)?|lng|east)\b/i;
const OPEN = /\b(?:open|access|public)\b/i;
const CLOSED = /^(?:no|n|closed|private|false|0)$/i;

/** Positions mean nothing here. One that transmits nowhere, or of which the place cannot be read, is told; a place that is half there is none. */
export function readRepeaterTable(text: string): Result<
  {
    readonly list: readonly ReadRepeater[];
    readonly odd: readonly (Omit<OddCell, "wanted"> & { wanted: string })[];
  },
  ChannelProblem
> {
  const read = readChannelTable(text);
  const table = readTable(text);
  if (!read.ok) return read;
  if (!table.ok) return bad(table.problem);
  const { head, rows } = table.value;
  const at = (words: RegExp) => head.findIndex((one) => words.test(one.trim()));
  const [north, east, openAt] = [at(LATITUDE), at(LONGITUDE), at(OPEN)];
  const odd: (Omit<OddCell, "wanted"> & { wanted: string })[] = [...read.value.odd];
  const cellsOf = new Map(rows.map(({ line, cells }) => [line, cells]));
  const list = read.value.channels.flatMap((channel, i): ReadRepeater[] => {
    const line = read.value.lines[i] ?? 0;
    const cells = cellsOf.get(line) ?? [];
    if (channel.transmit === undefined) {
      odd.push({ row: line, column: "transmit", cell: "", wanted: "where it listens" });
      return [];
    }
    const degrees = (column: number, most: number): number | undefined => {
      const cell = column < 0 ? "" : (cells[column] ?? "").trim();
      if (cell === "") return undefined;
      const value = numberIn(cell, cell.includes(",") ? "," : ".");
      if (value !== undefined && Math.abs(value) <= most) return value;
      odd.push({ row: line, column: head[column] ?? "", cell, wanted: "degrees, such as 54.87" });
      return undefined;
    };
    const [latitude, longitude] = [degrees(north, 90), degrees(east, 180)];
    return [
      {
        channel,
        open: openAt < 0 || !CLOSED.test((cells[openAt] ?? "").trim()),
        ...(latitude !== undefined && longitude !== undefined && { latitude, longitude }),
      },
    ];
  });
  return good({ list, odd });
}
