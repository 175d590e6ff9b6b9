// Channels held against where a radio transmits in a mode, what its user may use, and how wide the band plan lets anybody be.
import { type Bands, liesInBands } from "../modes/band.ts";
import { type Channel, type Mode, type Stranded, strandedChannels } from "../modes/mode.ts";
import { changesAfter, type Segment, segmentsOn } from "../modes/privileges.ts";
import type { PlainDate } from "../quantities/date.ts";

export type Finding = {
  /** Its place in the list, from 0. */
  readonly place: number;
  readonly channel: Channel;
} & (
  | { readonly kind: "beyond"; readonly frequency: number }
  | { readonly kind: "stranded"; readonly does: Stranded["does"]; readonly edge?: number }
  /** It does not hear there in this mode. */
  | { readonly kind: "deaf" }
  /** Wider than the plan lets it be, now or from that day on. */
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
  const next = facts.class === undefined ? undefined : changesAfter(facts.plan, facts.class, on);
  const later =
    facts.class !== undefined && next !== undefined ? segmentsOn(facts.plan, facts.class, next) : [];
  const found = channels.flatMap((channel, place): Finding[] => {
    const at = { place, channel };
    const { transmit, bandwidth } = channel;
    const stray = stranded.get(channel);
    const now = widest(lines, transmit);
    const then = widest(later, transmit);
    const isWide = bandwidth !== undefined && now !== undefined && bandwidth > now;
    return [
      ...(transmit !== undefined && allowed && !liesInBands(allowed, transmit)
        ? [{ ...at, kind: "beyond" as const, frequency: transmit }]
        : []),
      ...(stray
        ? [
            {
              ...at,
              kind: "stranded" as const,
              does: stray.does,
              ...(stray.edge !== undefined && { edge: stray.edge }),
            },
          ]
        : []),
      ...(mode && mode.receive.length > 0 && !liesInBands(mode.receive, channel.receive)
        ? [{ ...at, kind: "deaf" as const }]
        : []),
      ...(isWide ? [{ ...at, kind: "wide" as const, most: now }] : []),
      ...(!isWide && next && bandwidth !== undefined && then !== undefined && bandwidth > then
        ? [{ ...at, kind: "wide" as const, most: then, from: next }]
        : []),
      ...(bandwidth !== undefined && now !== undefined && bandwidth < now
        ? [{ ...at, kind: "narrow" as const, usual: now }]
        : []),
    ];
  });
  const rank = ({ kind }: Finding) => FINDING_ORDER.indexOf(kind);
  return found.sort((a, b) => rank(a) - rank(b) || a.place - b.place);
}

/** The widest that any line of the plan allows on a frequency; undefined where none says how wide. */
function widest(lines: readonly Segment[], frequency: number | undefined): number | undefined {
  if (frequency === undefined) return undefined;
  const here = lines.filter(({ from, to }) => from <= frequency && frequency < to);
  // A line that says nothing of the width lets it be as wide as it likes.
  if (here.length === 0 || here.some(({ bandwidth }) => bandwidth === undefined)) return undefined;
  return Math.max(...here.map(({ bandwidth }) => bandwidth ?? 0));
}

/** How many channels each mode would strand. */
export const strandedIn = (
  channels: readonly Channel[],
  modes: readonly Mode[],
): { readonly mode: Mode; readonly stranded: readonly Stranded[] }[] =>
  modes.map((mode) => ({ mode, stranded: strandedChannels(channels, mode) }));
