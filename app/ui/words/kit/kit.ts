// Kit in words: what breaks a chain, what would close it, how well it is known.

import {
  type Break,
  type ChainVerdict,
  type Change,
  CONDITION_WORD,
  type Evidence,
  type Level,
} from "#core/kit/index.ts";
import { listed, Memo } from "#core/quantities/index.ts";
import type { Range } from "#core/version/index.ts";
import { counted } from "../count.ts";
import { sayRange, WAY_WORD } from "../route.ts";

export type KitNames = {
  readonly connector: (id: string) => string;
  readonly driver: (id: string) => string;
  readonly tool: (id: string) => string;
  readonly computer: (id: string) => string;
  readonly money: (price: number) => string;
};

export const VERDICT_WORD: Record<ChainVerdict, string> = {
  proven: "proven",
  likely: "likely",
  mixed: "now and then",
  untried: "untried",
  "known-bad": "known bad",
};

/** The verdict in a word or two: what was tried a few times is not untried. */
export function sayVerdict(e: Pick<Evidence, "verdict" | "tries" | "worked">): string {
  if (e.verdict !== "untried" || e.tries === 0) return VERDICT_WORD[e.verdict];
  const failed = e.tries - e.worked;
  return failed > 0 ? `failed ${failed} of ${e.tries}` : `worked ${e.worked} of ${e.tries}`;
}

const LEVEL_WORD: Record<Level, string> = {
  this: "just this",
  "chip-driver-system": "this chip, driver and system",
  "chip-system": "this chip under this system",
};

export function sayEvidence(e: Evidence): string {
  if (e.settled) return "settled: it never works together";
  if (e.tries === 0) return "never tried";
  const share = `${e.worked} of ${counted(e.tries, "try", "tries")} worked`;
  return `${share}${e.level && e.level !== "this" ? `, with ${LEVEL_WORD[e.level]}` : ""}`;
}

const sayRanges = (ranges: readonly (Range | undefined)[]): string =>
  listed(ranges.flatMap((range) => (range ? [sayRange(range)] : [])));

const versionsOf = (ranges: readonly (Range | undefined)[]): string => {
  const said = sayRanges(ranges);
  return said === "" ? "" : ` ${said}`;
};

export function sayBreak(one: Break, names: KitNames): string {
  switch (one.kind) {
    case "charge-only":
      return "only charges, carries no data";
    case "lead-condition":
    case "computer-condition":
      return CONDITION_WORD[one.condition];
    case "with-somebody":
      return `${one.tag} is with ${one.holder}`;
    case "to-buy":
      return "to be bought";
    case "way":
      return `this goes ${listed(one.ways.map((way) => WAY_WORD[way]))} only`;
    case "no-port":
      return "no port for this lead";
    case "no-on-the-go":
      return "needs an on-the-go adapter";
    case "no-bluetooth":
      return "has no Bluetooth";
    case "driver-missing":
      return `needs ${names.driver(one.driver)}${versionsOf([one.range])}`;
    case "driver-other":
      return `needs ${names.driver(one.driver)}${versionsOf([one.range])}`;
    case "driver-must-not":
      return `${names.driver(one.driver)} ${one.has} refuses this chip`;
    case "no-support":
      return "no driver serves this chip here";
    case "tool-missing":
      return `${names.tool(one.tool)}${versionsOf(one.ranges)} is not on it`;
    case "tool-other":
      return `has ${one.has}, needs ${sayRanges(one.ranges)}`;
    case "tool-system":
      return "does not run on it";
    case "tool-firmware":
      return "does not know this firmware";
  }
}

export function sayChange(change: Change, names: KitNames): string {
  switch (change.kind) {
    case "put-driver": {
      const not = change.avoid.length > 0 ? `, not ${sayRanges(change.avoid)}` : "";
      const which = `${names.driver(change.driver)}${versionsOf([change.range])}${not}`;
      return change.had === undefined
        ? `install ${which} on ${names.computer(change.computer)}`
        : `put ${which} in place of ${change.had} on ${names.computer(change.computer)}`;
    }
    case "remove-driver":
      return `remove ${names.driver(change.driver)} from ${names.computer(change.computer)}`;
    case "put-tool":
      return `${change.had === undefined ? "install" : "update to"} ${names.tool(change.tool)}${versionsOf(change.ranges)} on ${names.computer(change.computer)}`;
    case "get":
      return `get ${change.name}`;
    case "fetch":
      return `fetch ${change.tag} from ${change.holder}`;
  }
}

export function sayCost(near: { readonly money: number; readonly minutes: number }, names: KitNames): string {
  return [near.money > 0 && names.money(near.money), near.minutes > 0 && counted(near.minutes, "minute")]
    .filter(Boolean)
    .join(", ");
}

/** A sum in the club's currency, from its smallest coin. */
export function moneyIn(currency: string, locale: string): (price: number) => string {
  const shape = shapes.get(
    `${currency} ${locale}`,
    () => new Intl.NumberFormat(locale, { style: "currency", currency }),
  );
  return (price) => shape.format(price / 100);
}
/** Making one costs a hundred times as much as using it. */
const shapes = new Memo<string, Intl.NumberFormat>(100);
