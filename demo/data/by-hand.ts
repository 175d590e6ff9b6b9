// What the demo's radios carry that is no plan of the club's: typed by whoever had them, or from before there was a plan; and what nobody can read. Made up.
import type { CodeplugChannel, CodeplugLists, Tone } from "#core/codeplug/index.ts";

const hz = (mhz: number) => Math.round(mhz * 1e6);
const tone = (tenths: number): Tone => ({ kind: "ctcss", tenths });
type Typed = readonly [
  name: string,
  receive: number,
  transmit: number | undefined,
  khz: number,
  more?: Partial<CodeplugChannel>,
];

const asChannels = (typed: readonly Typed[]): CodeplugChannel[] =>
  typed.map(([name, receive, transmit, khz, more], i) => ({
    position: i + 1,
    name,
    receive: hz(receive),
    bandwidth: khz * 1000,
    digital: false,
    ...(transmit !== undefined && { transmit: hz(transmit) }),
    ...more,
  }));

export type ByHand = {
  /** Days ago. */
  readonly ago: number;
  readonly who: string;
  readonly tag: string;
  readonly source: "brought" | "read";
  readonly name: string;
  /** Absent: nobody can tell which they are. */
  readonly channels?: readonly CodeplugChannel[];
  readonly lists?: CodeplugLists;
};

/** Numbered stones, as the old mobiles' switch has them. */
const STONES = asChannels([
  ["1", 77.5, 77.5, 25],
  ["2", 77.525, 77.525, 25],
  ["3", 77.55, 77.55, 25],
  ["4", 77.575, undefined, 25],
]);

/** The table of the walk before last: no calling channel in it yet, one post twice, and names of which a display shows the beginning only. */
const OLD_WALK = asChannels([
  ["Causeway boathouse", 145.2, 145.2, 12.5, { sends: tone(885) }],
  ["Causeway slip", 145.2125, 145.2125, 12.5, { sends: tone(885) }],
  ["Causeway first lamp", 145.225, 145.225, 12.5, { sends: tone(885) }],
  ["Lost children", 145.3625, 145.3625, 12.5, { sends: tone(885) }],
  ["Slip", 145.2125, 145.2125, 12.5, { sends: tone(885) }],
]);

const HUTS_WIDE = asChannels([
  ["Hut 1", 158.5125, 158.5125, 25, { sends: tone(1035) }],
  ["Hut 2", 158.525, 158.525, 25, { sends: tone(1035) }],
  ["Hut 3", 158.5375, 158.5375, 12.5, { sends: tone(1035) }],
]);

/** What Hale came back with: a repeater by a wrong shift, a tone of no list, wide ones where narrow ones are due soon, and more zones than it holds. */
const OF_HALE = asChannels([
  ["Boathouse 70", 433.5, 433.5, 25],
  ["Otterslack", 438.65, 433.65, 12.5, { sends: tone(885) }],
  ["Jetty", 433.55, 433.55, 12.5, { sends: tone(980) }],
  [
    ...(["Marshal north", 439.4, 439.4, 12.5] as const),
    { digital: true, colour: 1, slot: 1, talkgroup: "99901", identity: "9990199" },
  ],
]);
const ZONES: CodeplugLists = {
  zones: {
    by: "position",
    members: "home|jetty|isle|canal|lock|mill|bats|walk|tide|stores|boat|spare"
      .split("|")
      .map((name, i) => ({ key: String(i + 1), name })),
  },
};

/** What was found in radio S-05 when it was read the first time. */
const FIRST_OF_S05 = asChannels([
  ["Boathouse 70", 433.5, 433.5, 12.5],
  ["Jetty", 433.55, 433.55, 12.5],
]);

export const BY_HAND: readonly ByHand[] = [
  { ago: 600, who: "Bram", tag: "O-01", source: "brought", name: "from the label inside", channels: STONES },
  { ago: 600, who: "Bram", tag: "O-02", source: "brought", name: "from the label inside", channels: STONES },
  // Saved under the radio beside it, found a day later, and told where it belongs.
  {
    ago: 302,
    who: "Juno",
    tag: "S-04",
    source: "read",
    name: "S-05’s, saved here by mistake",
    channels: FIRST_OF_S05,
  },
  { ago: 301, who: "Juno", tag: "S-05", source: "read", name: "read once more", channels: FIRST_OF_S05 },
  {
    ago: 400,
    who: "Tobin",
    tag: "W-08",
    source: "brought",
    name: "walk of last year.csv",
    channels: OLD_WALK,
  },
  {
    ago: 380,
    who: "Tobin",
    tag: "H-10",
    source: "brought",
    name: "walk of last year.csv",
    channels: OLD_WALK,
  },
  {
    ago: 310,
    who: "Bram",
    tag: "L-08",
    source: "brought",
    name: "hut 4, from the panel",
    channels: HUTS_WIDE,
  },
  {
    ago: 9,
    who: "Tobin",
    tag: "S-09",
    source: "brought",
    name: "as Hale brought it back.csv",
    channels: OF_HALE,
    lists: ZONES,
  },
  {
    ago: 330,
    who: "Bram",
    tag: "P-03",
    source: "brought",
    name: "typed by keys",
    channels: asChannels([["Calls", 433.5, 433.5, 12.5]]),
  },
  // Read with tools that keep it in a form nobody else reads.
  { ago: 251, who: "Bram", tag: "W-08", source: "read", name: "its tool's own file" },
  { ago: 300, who: "Tobin", tag: "T-01", source: "read", name: "its tool's own file" },
  { ago: 60, who: "Tobin", tag: "T-02", source: "read", name: "its tool's own file" },
  { ago: 310, who: "Bram", tag: "T-03", source: "read", name: "its tool's own file" },
  { ago: 55, who: "Tobin", tag: "T-06", source: "read", name: "its tool's own file" },
  { ago: 260, who: "Tobin", tag: "M-05", source: "read", name: "its tool's own file" },
];
