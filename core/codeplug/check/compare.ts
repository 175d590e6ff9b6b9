// Two codeplugs held against each other: which channel is which, and what became of it.

import { CHANNEL_FIELDS, type ChannelField, type CodeplugChannel } from "../channel.ts";
import { assign } from "./assign.ts";

export type Compared =
  | { readonly kind: "kept"; readonly before: CodeplugChannel; readonly after: CodeplugChannel }
  /** The same, at another position. */
  | { readonly kind: "moved"; readonly before: CodeplugChannel; readonly after: CodeplugChannel }
  | {
      readonly kind: "changed";
      readonly before: CodeplugChannel;
      readonly after: CodeplugChannel;
      readonly fields: readonly ChannelField[];
      readonly moved: boolean;
    }
  | { readonly kind: "gone"; readonly before: CodeplugChannel }
  | { readonly kind: "added"; readonly after: CodeplugChannel };

// What two have in common: their place in the air before their name before their position, and then the rest.
const AIR = 1000;
const NAME = 100;
const POSITION = 10;
const REST = 0.1;
/** Two that have none of the three in common are two. */
const NOTHING = AIR + NAME + POSITION;

/** What a value is told by; tones by what they are. */
const text = (value: unknown): string => (value === undefined ? "" : JSON.stringify(value));
const isRest = (field: ChannelField) => field !== "name" && field !== "receive" && field !== "transmit";

/** A channel with its place in the air, its name and the rest as numbers: the same texts have the same ones. */
type Told = {
  readonly channel: CodeplugChannel;
  readonly air: number;
  readonly name: number;
  readonly rest: readonly number[];
};

/** Numbers for texts; comparing a million pairs by their texts would take most of the time. */
function teller(): (channel: CodeplugChannel) => Told {
  const numbers = new Map<string, number>();
  const numberOf = (told: string) => {
    const known = numbers.get(told) ?? numbers.size;
    numbers.set(told, known);
    return known;
  };
  return (channel) => ({
    channel,
    air: numberOf(`${channel.receive} ${channel.transmit ?? ""}`),
    name: numberOf(`name ${channel.name}`),
    rest: CHANNEL_FIELDS.filter(isRest).map((field) => numberOf(text(channel[field]))),
  });
}

/** The same for those that are the same at the same position. */
const keyOf = ({ channel, air, name, rest }: Told): string =>
  [channel.position, air, name, ...rest].join(" ");

/** How far two are from being the same: 0 for the same at the same position, `NOTHING` at most. It keeps to the triangle. */
function apart(a: Told, b: Told): number {
  const common =
    (a.air === b.air ? 0 : AIR) +
    (a.name === b.name ? 0 : NAME) +
    (a.channel.position === b.channel.position ? 0 : POSITION);
  if (common >= NOTHING) return NOTHING;
  let rest = 0;
  for (let i = 0; i < a.rest.length; i++) if (a.rest[i] !== b.rest[i]) rest += REST;
  return Math.min(NOTHING, common + rest);
}

/**
 * What became of each channel: aligned so that all together are as little apart as can be (exact); in the order of `after`, with what is gone at
 * the end. Those that are the same at the same position are paired at once: since distances keep to the triangle, none is lost by that.
 */
export function compareCodeplugs(
  before: readonly CodeplugChannel[],
  after: readonly CodeplugChannel[],
): Compared[] {
  const tell = teller();
  const olds = before.map(tell);
  const byKey = new Map<string, number[]>();
  for (const [i, old] of olds.entries()) byKey.set(keyOf(old), [...(byKey.get(keyOf(old)) ?? []), i]);
  const partner = new Map<Told, Told>();
  const used = new Set<number>();
  const news = after.map(tell);
  for (const one of news) {
    const same = byKey.get(keyOf(one))?.shift();
    const old = same === undefined ? undefined : olds[same];
    if (same === undefined || !old) continue;
    used.add(same);
    partner.set(one, old);
  }
  const leftOld = olds.filter((_, i) => !used.has(i));
  const leftNew = news.filter((one) => !partner.has(one));
  const size = Math.max(leftOld.length, leftNew.length);
  const cost = new Float64Array(size * size);
  for (const [i, old] of leftOld.entries())
    for (const [j, one] of leftNew.entries()) cost[i * size + j] = apart(old, one);
  const paired = assign(size, cost);
  const gone: Compared[] = [];
  for (const [i, old] of leftOld.entries()) {
    const one = leftNew[paired[i] ?? -1];
    if (one && apart(old, one) < NOTHING) partner.set(one, old);
    else gone.push({ kind: "gone", before: old.channel });
  }
  return [
    ...news.map((one): Compared => {
      const old = partner.get(one);
      return old ? comparedPair(old.channel, one.channel) : { kind: "added", after: one.channel };
    }),
    ...gone,
  ];
}

/** How many on either side are not the same at the same position: aligning them takes longer by the cube of that. */
export function leftToAlign(before: readonly CodeplugChannel[], after: readonly CodeplugChannel[]): number {
  const tell = teller();
  const counts = new Map<string, number>();
  for (const channel of before) {
    const key = keyOf(tell(channel));
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  let same = 0;
  for (const channel of after) {
    const key = keyOf(tell(channel));
    const there = counts.get(key) ?? 0;
    if (there === 0) continue;
    counts.set(key, there - 1);
    same++;
  }
  return Math.max(before.length, after.length) - same;
}

function comparedPair(before: CodeplugChannel, after: CodeplugChannel): Compared {
  const fields = CHANNEL_FIELDS.filter((field) => text(before[field]) !== text(after[field]));
  const moved = before.position !== after.position;
  if (fields.length > 0) return { kind: "changed", before, after, fields, moved };
  return { kind: moved ? "moved" : "kept", before, after };
}
