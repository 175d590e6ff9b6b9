// Channels held against where a radio transmits in a mode, what its user may use, and how wide the band plan lets anybody be.
import {
  type Bands,
  type Channel,
  changesAfter,
  liesInBands,
  type Mode,
  type Segment,
  type Stranded,
  segmentsOn,
  strandedChannels,
} from "../../modes/index.ts";
import type { PlainDate } from "../../quantities/index.ts";

export type Finding = {
  /** Its place in the list, from 0. */
  readonly place: number;
  readonly channel: Channel;
} & (
  | { readonly kind: "beyond"; readonly frequency: number }
  | { readonly kind: "stranded"; readonly does: Stranded["does"]; readonly edge?: number }
  /** It does not hear there in this mode. */
  | { readonly kind: "deaf" }
  /** Wider than the plan lets it be, now or from that day on, the first such. */
  | { readonly kind: "wide"; readonly most: number; readonly from?: PlainDate }
  /** Narrower than what the plan has there. */
  | { readonly kind: "narrow"; readonly usual: number }
);

/** Worst first. */
export const FINDING_ORDER: readonly Finding["kind"][] = ["beyond", "stranded", "wide", "deaf", "narrow"];

export type CheckFacts = {
  /** Absent: nobody knows in which it is, or its model has none. */
  readonly mode?: Mode | undefined;
  /** Where its user may transmit; absent: nothing to compare with. */
  readonly allowed?: Bands | undefined;
  readonly plan: readonly Segment[];
  /** The class whose lines of the plan count. */
  readonly class?: string | undefined;
  readonly on: PlainDate;
};

/** What is wrong with a radio's channels, the worst first, then by their place. What is not known is not judged. */
export function checkChannels(channels: readonly Channel[], facts: CheckFacts): Finding[] {
  const { mode, allowed, on } = facts;
  const stranded = new Map(
    (mode ? strandedChannels(channels, mode) : []).map((one) => [one.channel, one] as const),
  );
  const lines = facts.class === undefined ? [] : segmentsOn(facts.plan, facts.class, on);
  const widestNow = widestOf(lines);
  const widestLater = widestFrom(facts);
  const found: Finding[] = [];
  for (const [place, channel] of channels.entries()) {
    const { transmit, bandwidth } = channel;
    if (transmit !== undefined && allowed && !liesInBands(allowed, transmit))
      found.push({ place, channel, kind: "beyond", frequency: transmit });
    const stray = stranded.get(channel);
    if (stray?.edge !== undefined)
      found.push({ place, channel, kind: "stranded", does: stray.does, edge: stray.edge });
    else if (stray) found.push({ place, channel, kind: "stranded", does: stray.does });
    if (mode && mode.receive.length > 0 && !liesInBands(mode.receive, channel.receive))
      found.push({ place, channel, kind: "deaf" });
    if (bandwidth === undefined || transmit === undefined) continue;
    const now = widestNow(transmit);
    const then = widestLater.find(({ most }) => bandwidth > (most(transmit) ?? Number.POSITIVE_INFINITY));
    if (now !== undefined && bandwidth > now) found.push({ place, channel, kind: "wide", most: now });
    else if (then)
      found.push({ place, channel, kind: "wide", most: then.most(transmit) ?? 0, from: then.day });
    if (now !== undefined && bandwidth < now) found.push({ place, channel, kind: "narrow", usual: now });
  }
  // They come by place: put side by side by kind, they are in order.
  return FINDING_ORDER.flatMap((kind) => found.filter((one) => one.kind === kind));
}

/** The days to come on which the plan changes, in their order, each with the widest that it allows from then on. */
function widestFrom({ plan, class: of, on }: CheckFacts) {
  const days: { readonly day: PlainDate; readonly most: ReturnType<typeof widestOf> }[] = [];
  if (of === undefined) return days;
  for (let day = changesAfter(plan, of, on); day !== undefined; day = changesAfter(plan, of, day))
    days.push({ day, most: widestOf(segmentsOn(plan, of, day)) });
  return days;
}

/** The widest that any line of the plan allows on a frequency; undefined where none says how wide. Many channels are on few frequencies. */
function widestOf(lines: readonly Segment[]): (frequency: number) => number | undefined {
  const known = new Map<number, number | undefined>();
  return (frequency) => {
    if (known.has(frequency)) return known.get(frequency);
    const here = lines.filter(({ from, to }) => from <= frequency && frequency < to);
    // A line that says nothing of the width lets it be as wide as it likes.
    const says = here.length > 0 && here.every(({ bandwidth }) => bandwidth !== undefined);
    const most = says ? Math.max(...here.map(({ bandwidth }) => bandwidth ?? 0)) : undefined;
    known.set(frequency, most);
    return most;
  };
}

/** What speaks against writing channels into a radio in a mode, in sentences that whoever does it confirms; nothing where it fits, or where nobody knows. */
export function beyondMode(
  channels: readonly Channel[],
  { mode, allowed }: { readonly mode?: Mode | undefined; readonly allowed?: Bands | undefined },
): string[] {
  const named = (some: readonly Channel[]) =>
    `${some
      .slice(0, 3)
      .map(({ name }) => name)
      .join(", ")}${some.length > 3 ? ` and ${some.length - 3} more` : ""}`;
  const stray = mode ? strandedChannels(channels, mode).map(({ channel }) => channel) : [];
  const beyond = allowed
    ? channels.filter(({ transmit }) => transmit !== undefined && !liesInBands(allowed, transmit))
    : [];
  return [
    ...(stray.length > 0
      ? [
          `${named(stray)} will not work: in the mode ${mode?.name} the radio ${mode?.outside === "refuses" ? "refuses to transmit there" : "falls to a band edge instead"}. Switch its mode, or go on all the same`,
        ]
      : []),
    ...(beyond.length > 0
      ? [`on ${named(beyond)} its user may not transmit: go on only if that is known and wanted`]
      : []),
  ];
}

/** How many channels each mode would strand. */
export const strandedIn = (
  channels: readonly Channel[],
  modes: readonly Mode[],
): { readonly mode: Mode; readonly stranded: readonly Stranded[] }[] =>
  modes.map((mode) => ({ mode, stranded: strandedChannels(channels, mode) }));
