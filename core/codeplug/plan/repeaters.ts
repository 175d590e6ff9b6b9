// Repeaters near a place, as a block of the plan asks for them: in these bands, open to all, heard of lately, the nearest first.
import { type Bands, liesInBands } from "../../modes/index.ts";
import { daysAfter, type PlainDate } from "../../quantities/index.ts";
import { compareText } from "../../version/index.ts";
import type { Tone } from "../channel.ts";
import { type Coordinates, distance, isPlace } from "./geo.ts";

/** An entry of the club's own directory. Frequencies in hertz, as a radio has them: it receives what the repeater sends. */
export type Repeater = {
  readonly id: string;
  readonly name: string;
  readonly receive: number;
  readonly transmit: number;
  readonly digital: boolean;
  readonly open: boolean;
  readonly sends?: Tone;
  /** Absent: nobody has noted where it is. */
  readonly place?: Coordinates;
  /** When somebody last heard it, or confirmed its entry. */
  readonly confirmedOn?: PlainDate;
};

export type NearRule = {
  readonly place: Coordinates;
  readonly kilometres: number;
  readonly bands: Bands;
  readonly modes: readonly ("analogue" | "digital")[];
  readonly openOnly: boolean;
  /** Confirmed within so many days; absent: whenever. */
  readonly withinDays?: number;
};

export type Passed = {
  readonly repeater: Repeater;
  /** In metres. */
  readonly away: number;
};

export type PassedBy = {
  readonly repeater: Repeater;
  readonly why: "no-place" | "far" | "band" | "mode" | "closed" | "unconfirmed";
};

/**
 * Those that the rule takes, the nearest first (of alike by name), and why each of the others is not. One that nobody has placed is never near;
 * one that nobody has confirmed is not taken where that is asked for.
 */
export function repeatersNear(
  directory: readonly Repeater[],
  rule: NearRule,
  today: PlainDate,
): { readonly taken: readonly Passed[]; readonly others: readonly PassedBy[] } {
  const taken: Passed[] = [];
  const others: PassedBy[] = [];
  for (const repeater of directory) {
    const away =
      repeater.place && isPlace(repeater.place) && isPlace(rule.place)
        ? distance(rule.place, repeater.place)
        : undefined;
    const why = whyNot(repeater, away, rule, today);
    if (why || away === undefined) others.push({ repeater, why: why ?? "no-place" });
    else taken.push({ repeater, away });
  }
  taken.sort((a, b) => a.away - b.away || compareText(a.repeater.name, b.repeater.name));
  return { taken, others };
}

function whyNot(
  repeater: Repeater,
  away: number | undefined,
  rule: NearRule,
  today: PlainDate,
): PassedBy["why"] | undefined {
  if (away === undefined) return "no-place";
  if (away > rule.kilometres * 1000) return "far";
  if (!liesInBands(rule.bands, repeater.receive)) return "band";
  if (!rule.modes.includes(repeater.digital ? "digital" : "analogue")) return "mode";
  if (rule.openOnly && !repeater.open) return "closed";
  if (rule.withinDays === undefined) return undefined;
  const until = repeater.confirmedOn && daysAfter(repeater.confirmedOn, rule.withinDays);
  return until?.ok && today <= until.value ? undefined : "unconfirmed";
}
