// Channels as a table in a dialect that was kept under a name: the same columns, signs and units as it was read with.
import Papa from "papaparse";
import { z } from "zod";
import { DELIMITERS, FREQUENCY_UNITS, textCell } from "../../import/index.ts";
import type { CodeplugChannel } from "../channel.ts";
import { toneText } from "../tone.ts";
import { CHANNEL_MEANINGS, type ChannelMeaning } from "./columns.ts";

/** How a table is written, and what each of its columns means. */
export const channelMapping = z.object({
  delimiter: z.enum(DELIMITERS),
  sign: z.enum([".", ","]),
  unit: z.enum(FREQUENCY_UNITS),
  columns: z
    .array(z.object({ head: z.string().max(200), meaning: z.enum(CHANNEL_MEANINGS) }))
    .min(1)
    .max(300)
    .readonly(),
});
export type ChannelMapping = Readonly<z.output<typeof channelMapping>>;

/** All that we know of a channel: reading it gives the same channels. */
export const PLAIN_MAPPING: ChannelMapping = {
  delimiter: ",",
  sign: ".",
  unit: "MHz",
  columns: [
    { head: "position", meaning: "position" },
    { head: "name", meaning: "name" },
    { head: "receive MHz", meaning: "receive" },
    { head: "transmit MHz", meaning: "transmit" },
    { head: "width kHz", meaning: "bandwidth" },
    { head: "kind", meaning: "kind" },
    { head: "tone sent", meaning: "sends" },
    { head: "tone heard", meaning: "hears" },
    { head: "power", meaning: "power" },
    { head: "scan", meaning: "scan" },
    { head: "colour code", meaning: "colour" },
    { head: "slot", meaning: "slot" },
    { head: "talkgroup", meaning: "talkgroup" },
    { head: "identity", meaning: "identity" },
  ],
};

const HERTZ = { Hz: 1, kHz: 1e3, MHz: 1e6, GHz: 1e9 } as const;

/** The table's text. Columns that mean nothing to us stay empty; what a mapping has no column for is not in it. */
export function writeChannelTable(channels: readonly CodeplugChannel[], mapping: ChannelMapping): string {
  const { delimiter, columns } = mapping;
  const rows = [...channels]
    .sort((a, b) => a.position - b.position)
    .map((channel) => columns.map(({ head, meaning }) => cellOf(channel, meaning, head, mapping)));
  return `${Papa.unparse([columns.map(({ head }) => textCell(head)), ...rows], {
    delimiter,
    newline: "\n",
  })}\n`;
}

function cellOf(
  one: CodeplugChannel,
  meaning: ChannelMeaning,
  head: string,
  mapping: ChannelMapping,
): string {
  const text = (word: string | undefined) => (word === undefined ? "" : textCell(word));
  const number = (value: number) => String(value).replace(".", mapping.sign);
  const frequency = (hertz: number) => {
    const decimals = { Hz: 0, kHz: 3, MHz: 6, GHz: 9 }[mapping.unit];
    const text = (hertz / HERTZ[mapping.unit]).toFixed(decimals);
    return (decimals > 0 ? text.replace(/0+$/, "").replace(/\.$/, "") : text).replace(".", mapping.sign);
  };
  const shift = one.transmit === undefined ? undefined : one.transmit - one.receive;
  const has = (other: ChannelMeaning) => mapping.columns.some((column) => column.meaning === other);
  switch (meaning) {
    case "ignore":
      return "";
    case "position":
      return String(one.position);
    case "name":
      return textCell(one.name);
    case "receive":
      return frequency(one.receive);
    case "transmit":
      return one.transmit === undefined ? "off" : frequency(one.transmit);
    case "offset": {
      // Nothing else of the table may say that it only receives.
      if (shift === undefined) return "off";
      const size = has("direction") ? Math.abs(shift) : shift;
      const inHead = /(?:^|[^a-z])([gmk]?)hz(?![a-z])/i.exec(head)?.[1]?.toLowerCase();
      const unit = inHead === "k" ? 1e3 : inHead === "" ? 1 : inHead === "g" ? 1e9 : 1e6;
      // From a hundred megahertz on the size alone would be taken for kilohertz.
      const isFar = inHead === undefined && Math.abs(size) >= 1e8;
      const told = `${number(size / unit)}${isFar ? " MHz" : ""}`;
      return size > 0 && !has("direction") ? `+${told}` : told;
    }
    case "direction":
      return shift === undefined ? "off" : shift === 0 ? "simplex" : shift < 0 ? "-" : "+";
    case "bandwidth":
      // From a megahertz on the size alone would be taken for hertz.
      if (one.bandwidth === undefined) return "";
      return `${number(one.bandwidth / 1000)}${one.bandwidth >= 1e6 ? " kHz" : ""}`;
    case "kind":
      return one.digital ? "digital" : "analogue";
    case "tone":
    case "sends":
      return toneText(one.sends);
    case "hears":
      return toneText(one.hears);
    case "power":
      return text(one.power);
    case "scan":
      return one.scan === undefined ? "" : (/\bskip\b/i.test(head) ? !one.scan : one.scan) ? "yes" : "no";
    case "colour":
      return one.colour === undefined ? "" : String(one.colour);
    case "slot":
      return one.slot === undefined ? "" : String(one.slot);
    case "talkgroup":
      return text(one.talkgroup);
    case "identity":
      return text(one.identity);
  }
}
