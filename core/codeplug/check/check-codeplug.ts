// A codeplug held against its model, the mode its radio is in, what its user may use, the band plan and its own lists: the worst first, each with its cure.
import { groupBy } from "../../quantities/index.ts";
import type { CodeplugChannel } from "../channel.ts";
import type { CodeplugLists } from "../document.ts";
import type { CodeplugFacts } from "../facts.ts";
import { digitsOf } from "../identity.ts";
import { shortened } from "../plan/names.ts";
import type { ListedRepeater } from "../plan/plan.ts";
import { referrer } from "../refer.ts";
import { isCommon, toneText } from "../tone.ts";
import { type CheckFacts, checkChannels, type Finding } from "./check.ts";
import { zoneRoom } from "./zones.ts";

/** How repeaters usually shift on a stretch of the air, in hertz: to receive minus to transmit. */
export type Habit = { readonly from: number; readonly to: number; readonly shift: number };

/** What can be done about a finding in one press: a revision is made in which it is so. */
export const CURES = ["narrow", "listen-only", "shorten-names", "drop-doubles"] as const;
export type Cure = (typeof CURES)[number];

export type CodeplugFinding = { readonly channel: CodeplugChannel | undefined; readonly cure?: Cure } & (
  | Pick<Extract<Finding, { kind: "beyond" }>, "kind" | "frequency">
  | Pick<Extract<Finding, { kind: "stranded" }>, "kind" | "does" | "edge">
  | Pick<Extract<Finding, { kind: "deaf" }>, "kind">
  | Pick<Extract<Finding, { kind: "wide" }>, "kind" | "most" | "from">
  | Pick<Extract<Finding, { kind: "narrow" }>, "kind" | "usual">
  /** It cannot transmit where its group meets. */
  | { readonly kind: "apart"; readonly frequency: number }
  | {
      readonly kind: "too-many";
      readonly what: "channels" | "zones" | "contacts";
      readonly count: number;
      readonly most: number;
    }
  /** Its zones together take fewer channels than it has. */
  | { readonly kind: "beyond-zones"; readonly count: number; readonly most: number }
  /** `others`: some of them. */
  | { readonly kind: "same-name"; readonly shown: string; readonly others: readonly number[] }
  | { readonly kind: "long-name"; readonly shown: string }
  | { readonly kind: "strange-signs"; readonly signs: string }
  | { readonly kind: "twice"; readonly others: readonly number[] }
  | { readonly kind: "unusual-shift"; readonly shift: number; readonly usual: number }
  /** `from`: where its list of tones is from; empty: those commonly built. */
  | { readonly kind: "tone"; readonly tone: string; readonly from: string }
  | { readonly kind: "incomplete"; readonly lacks: readonly ("colour code" | "slot" | "digital ID")[] }
  | { readonly kind: "identity-awaited" }
  | { readonly kind: "dangling"; readonly list: "talkgroups"; readonly what: string }
  /** By its position it means another than it says. */
  | {
      readonly kind: "slipped";
      readonly list: "talkgroups";
      readonly position: number;
      readonly says: string;
      readonly means: string;
    }
  /** It wants another digital ID than the radio has. */
  | { readonly kind: "other-identity"; readonly wants: string; readonly has: readonly string[] }
);

const AIR_CURE: { readonly [kind in Finding["kind"]]?: Cure } = {
  wide: "narrow",
  beyond: "listen-only",
  stranded: "listen-only",
};

/** With these it does what it should not, or nothing; worst first, and before all others. */
export const CODEPLUG_WORST: readonly CodeplugFinding["kind"][] = [
  ...(["beyond", "stranded", "apart", "too-many", "beyond-zones", "dangling", "slipped"] as const),
];

/** Worst first. */
export const CODEPLUG_ORDER: readonly CodeplugFinding["kind"][] = [
  ...CODEPLUG_WORST,
  ...(["other-identity", "wide", "twice", "same-name", "tone"] as const),
  ...([
    "incomplete",
    "identity-awaited",
    "deaf",
    "unusual-shift",
    "narrow",
    "strange-signs",
    "long-name",
  ] as const),
];

export type CodeplugCheck = CheckFacts & {
  /** Absent: nobody has noted what the model holds. */
  readonly holds?: CodeplugFacts | undefined;
  readonly lists: CodeplugLists;
  readonly habits: readonly Habit[];
  /** Where its group meets; absent: nowhere in particular. */
  readonly meets?: number | undefined;
  /** Of the radio's own digital ID. */
  readonly identity?: "there" | "awaited" | undefined;
  /** The digital IDs that it has. */
  readonly identities?: readonly string[];
};

/** Positions of so many others are told where names are alike. */
const MOST_OTHERS = 5;

/** Signs that take two places in a text. */
const PAIRED = /[\ud800-\udbff]/;
const PLAIN = /^[A-Z0-9 +\-/.]*$/;

/** Shifts that most repeaters of the directory have in each megahertz, where five at least agree. */
export function habitsOf(directory: readonly Pick<ListedRepeater, "receive" | "transmit">[]): Habit[] {
  const byMegahertz = groupBy(directory, ({ receive }) => Math.floor(receive / 1e6));
  return [...byMegahertz].flatMap(([megahertz, some]): Habit[] => {
    const counted = groupBy(some, ({ receive, transmit }) => receive - transmit);
    const [usual] = [...counted].sort(([, a], [, b]) => b.length - a.length);
    if (!usual || usual[1].length < 5 || usual[1].length * 2 <= some.length) return [];
    return [{ from: megahertz * 1e6, to: (megahertz + 1) * 1e6, shift: usual[0] }];
  });
}

/** What is wrong with it, the worst first, then by position. What is not known is not judged. */
export function checkCodeplug(channels: readonly CodeplugChannel[], facts: CodeplugCheck): CodeplugFinding[] {
  // Its cure beside each: assigned, since that is much quicker than a copy of many.
  const inAir = checkChannels(channels, facts).map((one): CodeplugFinding => {
    const cure = AIR_CURE[one.kind];
    return Object.assign(one, { channel: channels[one.place] }, cure && { cure });
  });
  const found = [
    ...inAir,
    ...wholeTable(channels, facts),
    ...names(channels, facts),
    ...each(channels, facts),
    ...doubles(channels),
  ];
  const byKind = groupBy(found, ({ kind }) => kind);
  const at = ({ channel }: CodeplugFinding) => channel?.position ?? 0;
  return CODEPLUG_ORDER.flatMap((kind) => (byKind.get(kind) ?? []).sort((a, b) => at(a) - at(b)));
}

function wholeTable(
  channels: readonly CodeplugChannel[],
  { holds, lists, meets }: CodeplugCheck,
): CodeplugFinding[] {
  const size = (list: keyof CodeplugLists) =>
    lists[list]?.members.filter((member) => member !== null).length ?? 0;
  const counts = [
    ["channels", channels.length, holds?.capacity],
    ["zones", size("zones"), holds?.zones],
    ["contacts", size("contacts"), holds?.contacts],
  ] as const;
  const full = counts.flatMap(([what, count, most]): CodeplugFinding[] =>
    most !== undefined && count > most ? [{ kind: "too-many", channel: undefined, what, count, most }] : [],
  );
  const room = holds && zoneRoom(holds);
  if (room !== undefined && channels.length > room)
    full.push({ kind: "beyond-zones", channel: undefined, count: channels.length, most: room });
  const isApart =
    meets !== undefined && channels.length > 0 && !channels.some(({ transmit }) => transmit === meets);
  return isApart ? [...full, { kind: "apart", channel: undefined, frequency: meets }] : full;
}

function names(channels: readonly CodeplugChannel[], { holds }: CodeplugCheck): CodeplugFinding[] {
  const most = holds?.nameSigns;
  // What a display shows of a name is its beginning.
  const shown = channels.map(({ name }) => (most === undefined ? name : beginning(name, most)));
  const alike = groupBy(channels.keys(), (i) => shown[i]?.toLowerCase());
  return channels.flatMap((channel, i): CodeplugFinding[] => {
    const here: CodeplugFinding[] = [];
    const begins = shown[i] ?? "";
    const group = alike.get(begins.toLowerCase()) ?? [];
    const cure = "shorten-names";
    // A few of them tell: all would be as many as the square of those alike.
    if (group.length > 1) {
      const others = group.slice(0, MOST_OTHERS + 1).filter((other) => other !== i);
      const positions = others.slice(0, MOST_OTHERS).map((other) => channels[other]?.position ?? 0);
      here.push({ kind: "same-name", channel, shown: begins, cure, others: positions });
    } else if (most !== undefined && channel.name.length > most && [...channel.name].length > most)
      here.push({ kind: "long-name", channel, shown: shortened(channel.name, most), cure });
    if (holds?.plainSigns && !PLAIN.test(channel.name)) {
      const signs = [...new Set([...channel.name].filter((sign) => !PLAIN.test(sign)))].join("");
      here.push({ kind: "strange-signs", channel, signs });
    }
    return here;
  });
}

/** So many signs of a name, as a display would show them. */
function beginning(name: string, most: number): string {
  if (name.length <= most) return name;
  const cut = PAIRED.test(name) ? [...name].slice(0, most).join("") : name.slice(0, most);
  return cut.trimEnd();
}

function each(channels: readonly CodeplugChannel[], facts: CodeplugCheck): CodeplugFinding[] {
  const { holds, habits, lists, identity, identities = [] } = facts;
  const refersTo = lists.talkgroups && referrer(lists.talkgroups);
  const found: CodeplugFinding[] = [];
  for (const channel of channels) {
    const { receive, transmit, digital, colour, slot, talkgroup, sends, hears } = channel;
    const odd =
      holds && !holds.everyTone ? [sends, hears].find((tone) => tone && !isCommon(tone)) : undefined;
    if (odd && holds) found.push({ kind: "tone", channel, tone: toneText(odd), from: holds.tonesFrom });
    const shift = transmit === undefined ? 0 : receive - transmit;
    const habit = shift === 0 ? undefined : habits.find(({ from, to }) => from <= receive && receive < to);
    if (habit && shift !== habit.shift)
      found.push({ kind: "unusual-shift", channel, shift: -shift, usual: -habit.shift });
    const meant = talkgroup === undefined ? undefined : refersTo?.(talkgroup);
    if (talkgroup !== undefined && meant?.kind === "nothing")
      found.push({ kind: "dangling", channel, list: "talkgroups", what: talkgroup });
    if (meant?.kind === "other") found.push({ ...meant, kind: "slipped", channel, list: "talkgroups" });
    if (!digital) continue;
    const wants = digitsOf(channel.identity ?? "");
    // What is no number is what the tool calls it, and nothing to compare with.
    if (identities.length > 0 && /^\d+$/.test(wants) && !identities.includes(wants))
      found.push({ kind: "other-identity", channel, wants, has: identities });
    const own = channel.identity !== undefined;
    const lacks = [
      ...(colour === undefined ? ["colour code" as const] : []),
      ...(slot === undefined ? ["slot" as const] : []),
      ...(!own && identity === undefined ? ["digital ID" as const] : []),
    ];
    if (lacks.length > 0) found.push({ kind: "incomplete", channel, lacks });
    if (!own && identity === "awaited") found.push({ kind: "identity-awaited", channel });
  }
  return found;
}

/** The same place in the air with the same tones, colour, slot and group. */
function doubles(channels: readonly CodeplugChannel[]): CodeplugFinding[] {
  const air = (one: CodeplugChannel) =>
    `${one.receive} ${one.transmit} ${toneText(one.sends)} ${toneText(one.hears)} ${one.digital} ${one.colour} ${one.slot} ${one.talkgroup}`;
  return [...groupBy(channels, air).values()].flatMap((same): CodeplugFinding[] => {
    const [first, ...others] = same;
    if (!first || others.length === 0) return [];
    return [
      { kind: "twice", channel: first, others: others.map(({ position }) => position), cure: "drop-doubles" },
    ];
  });
}
