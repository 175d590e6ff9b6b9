// What the computations need to know of one physical radio.

import type { InMode, Segment } from "../modes/index.ts";
import type { PlainDate } from "../quantities/index.ts";
import type { Carries } from "./carried.ts";
import type { Hold } from "./policy.ts";

export const READING_SOURCES = ["screen", "power-on", "keys", "tool", "label", "flash", "hearsay"] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

/** What a unit was seen to run. */
export type Reading = {
  readonly id: string;
  readonly component: string;
  /** As it was shown, untouched. */
  readonly raw: string;
  readonly source: ReadingSource;
  /** The instant as a text that sorts: only for the order of readings. */
  readonly at: string;
  /** The day it was read, in the club's time zone; absent: nobody knows it. Such a reading is older than any that has one. */
  readonly on?: PlainDate;
};

export type UnitFacts = {
  readonly id: string;
  /** Absent: we do not know which revision it is. */
  readonly hardwareRevision?: string;
  /** Absent: we do not know which region it was made for. */
  readonly region?: string;
  /** When it came into the club's records. */
  readonly addedOn: PlainDate;
  /** When it last came back from somebody's custody. */
  readonly backOn?: PlainDate;
  readonly hold?: Hold;
  /** When it was last read out and kept, and when it was last flashed; absent where it was never kept: there is nothing to compare with. */
  readonly backup?: { readonly on: PlainDate; readonly writtenOn?: PlainDate };
  /** When its power was last measured, and when it was last flashed; absent: it never was measured. */
  readonly measured?: { readonly on: PlainDate; readonly flashedOn?: PlainDate };
  /** Devices whose pairing with it holds no more: dropped, failed in a check, or lost, and not proved since. */
  readonly unpaired?: readonly {
    readonly device: string;
    readonly why: "dropped" | "failed" | "lost";
    readonly on: PlainDate;
  }[];
  /** It does not carry the club's plan of channels: which that is, since when it counts, and what the radio has instead. */
  readonly codeplug?: {
    readonly plan: number;
    readonly since: PlainDate;
    readonly has: Exclude<Carries, "plan">;
    readonly on?: PlainDate;
  };
  /** Digital IDs and call signs that have not arrived: since when they are wanted, when asked for, and when they should come. */
  readonly awaited?: readonly {
    readonly what: "digital" | "call";
    readonly since: PlainDate;
    readonly askedOn?: PlainDate;
    readonly by?: PlainDate;
  }[];
  /** Of a unit that is with somebody: the day it should come back, if one was named. */
  readonly dueBack?: PlainDate;
  /** Of a unit that is with somebody: the class of their licence, as far as it is known. */
  readonly holder?: { readonly class?: string };
  /** In which mode it is, as far as somebody has said or proved; absent: nobody has. */
  readonly mode?: {
    readonly now: InMode;
    readonly on: PlainDate;
    /** Who has it, with the class of their licence if that is known; absent: nobody. */
    readonly holder?: { readonly class?: string };
    /** The club's whole band plan. */
    readonly plan: readonly Segment[];
  };
  readonly readings: readonly Reading[];
};

/** The newest reading of a component, up to and including a day if one is given. */
export function newestReading(unit: UnitFacts, component: string, upTo?: PlainDate): Reading | undefined {
  let newest: Reading | undefined;
  for (const reading of unit.readings) {
    if (reading.component !== component) continue;
    if (upTo !== undefined && reading.on !== undefined && reading.on > upTo) continue;
    if (!newest || isNewer(reading, newest)) newest = reading;
  }
  return newest;
}

/** By when it was read, then by when it was recorded: that is the order in which they come. */
const isNewer = (reading: Reading, than: Reading): boolean =>
  reading.on === undefined ? than.on === undefined : than.on === undefined || reading.at >= than.at;

/** The day from which a reading speaks: its own, or, where nobody knows that, the day the unit came into the records. */
export const dayOf = (reading: Pick<Reading, "on">, unit: Pick<UnitFacts, "addedOn">): PlainDate =>
  reading.on ?? unit.addedOn;
