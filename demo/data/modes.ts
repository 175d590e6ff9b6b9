// The demo's modes, its example band plan, and in which mode each radio is.
import type { Segment, TransmitPolicy } from "#core/modes/index.ts";
import type { SourceKind } from "#core/quantities/index.ts";
import type { Erases } from "#core/release/index.ts";

type Mhz = readonly (readonly [from: number, to: number])[];

export type DemoMode = {
  readonly name: string;
  readonly transmit: Mhz;
  readonly receive: Mhz;
  readonly watts: number;
  readonly bandwidths?: readonly number[];
  /** In megahertz; it transmits on these alone. */
  readonly fixed?: readonly number[];
  readonly outside?: "refuses" | "band edge";
  readonly erases?: Erases;
  readonly setting?: string;
  readonly sign?: string;
  readonly firmware?: readonly [component: string, range: string];
  /** Titles of the procedures that lead in and out. */
  readonly enter?: string;
  readonly leave?: string;
  readonly source: readonly [kind: SourceKind, what: string];
};

const leaflet = ["maker", "the leaflet in the box"] as const;
const bench = ["bench", "tried with a load and the counter"] as const;
const hearsay = ["hearsay", "somebody at the spring fair"] as const;
const NARROW = [12_500, 25_000];
const SLUICES = [158.5125, 158.525, 158.5375, 158.55];

export const MODES: Readonly<Record<string, readonly DemoMode[]>> = {
  Wicket: [
    {
      name: "as sold",
      watts: 5,
      bandwidths: NARROW,
      source: leaflet,
      leave: "Open the service menu",
      transmit: [
        [144, 146],
        [430, 440],
      ],
      receive: [
        [136, 174],
        [400, 470],
      ],
      sign: "the menu begins with TONE",
    },
    {
      name: "open",
      watts: 5,
      bandwidths: NARROW,
      source: bench,
      erases: "settings",
      enter: "Open the service menu",
      outside: "band edge",
      transmit: [
        [136, 174],
        [400, 470],
      ],
      receive: [
        [136, 174],
        [400, 470],
      ],
      sign: "the menu begins with BAND",
    },
  ],
  Heron: [
    {
      name: "locked",
      watts: 5,
      bandwidths: NARROW,
      source: leaflet,
      leave: "Switch the wide mode",
      transmit: [[144, 146]],
      receive: [[144, 146]],
    },
    {
      name: "wide receive",
      watts: 5,
      bandwidths: NARROW,
      source: leaflet,
      transmit: [
        [144, 146],
        [430, 440],
      ],
      receive: [
        [118, 174],
        [400, 480],
      ],
      setting: "Heronry: Radio > Range > listen wide",
    },
    {
      name: "wide",
      watts: 5,
      bandwidths: NARROW,
      source: hearsay,
      erases: "codeplug",
      enter: "Switch the wide mode",
      transmit: [
        [137, 174],
        [400, 480],
      ],
      receive: [
        [118, 174],
        [400, 480],
      ],
    },
  ],
  "Sorrel DM": [
    {
      name: "plain",
      watts: 4,
      bandwidths: [12_500],
      source: leaflet,
      transmit: [
        [144, 146],
        [430, 440],
      ],
      receive: [
        [144, 148],
        [420, 450],
      ],
    },
    {
      name: "free",
      watts: 4,
      bandwidths: [12_500],
      source: bench,
      erases: "settings",
      transmit: [
        [144, 148],
        [420, 450],
      ],
      receive: [
        [144, 148],
        [420, 450],
      ],
      setting: "Sedgeworks: Common > Limits > off",
    },
  ],
  Tussock: [
    {
      name: "north",
      watts: 3,
      source: leaflet,
      transmit: [[144, 146]],
      receive: [[144, 146]],
    },
    {
      name: "west",
      watts: 3,
      source: leaflet,
      transmit: [[144, 148]],
      receive: [[144, 148]],
      sign: "the label has a W; no frequency tells it from north inside 144 to 146 MHz",
    },
  ],
  "Marl 40": [
    {
      name: "home",
      watts: 40,
      source: leaflet,
      transmit: [[144, 146]],
      receive: [[136, 174]],
    },
    {
      name: "open",
      watts: 40,
      source: bench,
      transmit: [[136, 174]],
      receive: [[136, 174]],
    },
  ],
  "Oxbow 4": [
    {
      name: "four channels",
      watts: 10,
      bandwidths: [25_000],
      source: leaflet,
      transmit: [[77, 78]],
      receive: [[77, 78]],
      fixed: [77.1, 77.125, 77.15, 77.175],
    },
  ],
  "Lantern 2": [
    {
      name: "sluice channels",
      watts: 10,
      bandwidths: [12_500],
      source: bench,
      transmit: [[158, 159]],
      receive: [[150, 174]],
      fixed: SLUICES,
    },
  ],
  "Lantern 3": [
    {
      name: "sluice channels",
      watts: 10,
      bandwidths: [12_500],
      source: bench,
      transmit: [[158, 159]],
      receive: [[150, 174]],
      fixed: SLUICES,
    },
    {
      name: "dial",
      watts: 10,
      bandwidths: NARROW,
      source: leaflet,
      transmit: [[150, 174]],
      receive: [[150, 174]],
    },
  ],
};

const NO_LAW = "an example, and no one's law";

/** In megahertz; `inDays`: from a day on, or up to it. */
type DemoSegment = Omit<Segment, "from" | "to" | "since" | "until" | "note"> & {
  readonly mhz: readonly [number, number];
  readonly sinceInDays?: number;
  readonly untilInDays?: number;
  readonly note?: string;
};

const PLAN: readonly DemoSegment[] = [
  { class: "example full", mhz: [144, 146], watts: 100, note: NO_LAW },
  { class: "example full", mhz: [430, 440], watts: 100, note: NO_LAW },
  { class: "example full", mhz: [50, 52], watts: 50, note: NO_LAW },
  { class: "example middle", mhz: [144, 146], watts: 25, note: NO_LAW },
  { class: "example middle", mhz: [430, 440], watts: 25, note: NO_LAW },
  { class: "example entry", mhz: [144, 146], watts: 10, note: NO_LAW },
  { class: "example entry", mhz: [430, 440], watts: 10, bandwidth: 25_000, untilInDays: 40, note: NO_LAW },
  {
    class: "example entry",
    mhz: [430, 440],
    watts: 10,
    bandwidth: 12_500,
    sinceInDays: 40,
    note: `${NO_LAW}; narrow from then on`,
  },
  { class: "sluice watch", mhz: [158.5, 158.6], watts: 10, bandwidth: 12_500, note: NO_LAW },
];

const hz = (mhz: number) => Math.round(mhz * 1e6);
export const bandsOf = (list: Mhz) => list.map(([from, to]) => ({ from: hz(from), to: hz(to) }));
export const hertzOf = hz;

/** The plan as it is on the demo's own today. */
export const bandPlanOf = (inDays: (days: number) => Segment["since"]): Segment[] =>
  PLAN.map(({ mhz: [from, to], sinceInDays, untilInDays, note = "", ...rest }) => ({
    ...rest,
    from: hz(from),
    to: hz(to),
    note,
    ...(sinceInDays !== undefined && { since: inDays(sinceInDays) }),
    ...(untilInDays !== undefined && { until: inDays(untilInDays) }),
  }));

/** By the key of a group. */
export const TRANSMIT: Readonly<Record<string, TransmitPolicy>> = {
  LANTERNS: { rule: "locked", class: "example middle" },
  LOANS: { rule: "wide receive", class: "example entry" },
  SLUICES: { rule: "locked", class: "sluice watch" },
  MOBILES: { rule: "emergency", class: "example full" },
  OLD: {
    rule: "legacy",
    approved: bandsOf([
      [77, 78],
      [144, 146],
    ]),
  },
};

/** Days ago, the radio, its mode, by whom, how it is known, why. */
export const IN_MODE: readonly (readonly [
  ago: number,
  tags: string,
  mode: string,
  who: string,
  how: "set" | "proved" | "told",
  why: string,
])[] = [
  [400, "W-01 W-02 W-03 W-04 W-05 W-06 W-07 W-08 W-11 W-12", "as sold", "Tobin", "told", "as they came"],
  [150, "W-15", "open", "Bram", "set", "the old marshals' channel lies outside; never set back"],
  [140, "W-13 W-14", "open", "Tobin", "set", "trials at the bench, into the load"],
  [210, "H-01 H-02 H-03 H-04 H-05 H-06", "locked", "Juno", "told", ""],
  [96, "H-07", "wide", "Bram", "set", "to hear the harbour; nobody told it to transmit there"],
  [30, "H-08 H-09", "wide receive", "Juno", "set", "to listen along the causeway"],
  [30, "H-11", "wide receive", "Tobin", "told", ""],
  [250, "S-01 S-03 S-04 S-07 S-08 S-09", "plain", "Juno", "told", ""],
  [90, "S-02", "free", "Bram", "set", "asked for by a volunteer"],
  [300, "T-01 T-02 T-06", "north", "Wren", "told", "by the label"],
  [310, "T-03", "west", "Wren", "told", "by the label"],
  [600, "O-01 O-02", "four channels", "Wren", "told", ""],
  [110, "M-01 M-02 M-03", "home", "Tobin", "told", ""],
  [60, "M-04", "open", "Wren", "set", "for the flood watch"],
  [200, "L-01 L-02 L-03 L-04 L-05 L-06 L-07", "sluice channels", "Juno", "told", ""],
];

/** The radio, by whom, days ago and watts: with the power meter of the kit. */
/** How far some are off their frequency, in hertz, by the counter. */
export const OFFSETS: readonly (readonly [
  tag: string,
  who: string,
  shown: readonly (readonly [ago: number, hertz: number])[],
])[] = [
  [
    "W-04",
    "Tobin",
    [
      [390, 120],
      [33, 900],
    ],
  ],
];

export const POWERS: readonly (readonly [
  tag: string,
  who: string,
  shown: readonly (readonly [ago: number, watts: number])[],
])[] = [
  // Its last stage gives out.
  [
    "M-03",
    "Tobin",
    [
      [700, 41],
      [520, 40],
      [390, 41],
      [300, 39],
      [200, 38],
      [60, 15],
    ],
  ],
  [
    "M-01",
    "Tobin",
    [
      [700, 40],
      [300, 42],
      [60, 41],
    ],
  ],
  ["W-13", "Juno", [[400, 4.6]]],
  ["W-14", "Juno", [[70, 4.8]]],
  ["T-06", "Juno", [[200, 3.1]]],
];

/** A limit of the demo, and no one's law. */
export const LIMIT = {
  name: "Circle's own mark",
  dbc: 60,
  dbm: -16,
  both: "laxer",
  source: "made up for the demo; ask what holds where you are",
} as const;

/** Days ago, the radio, by whom, carrier in MHz and dBm, harmonics in dBm, attenuation in dB, note. */
export const SPECTRA: readonly (readonly [
  ago: number,
  tag: string,
  who: string,
  carrier: readonly [mhz: number, dbm: number],
  harmonics: readonly number[],
  attenuation: number,
  note: string,
])[] = [
  [88, "W-13", "Juno", [145.5, -3.4], [-70, -74.5, -78], 40, "into DL-1"],
  [150, "W-15", "Juno", [145.5, -2.1], [-44, -58, -77], 40, "after somebody turned PA-HI"],
  [60, "M-03", "Tobin", [145.5, 1.8], [-55.5, -71], 40, "with the weak last stage"],
];

/** Days ago, the radio, by whom, the file, and its channels: name, MHz it receives and transmits on (nothing: it only receives), kHz wide. */
export const CHANNELS: readonly (readonly [
  ago: number,
  tag: string,
  who: string,
  file: string,
  channels: readonly (readonly [name: string, receive: number, transmit: number | undefined, khz: number])[],
])[] = [
  [
    150,
    "W-15",
    "Bram",
    "van-channels.csv",
    [
      ["CALLING", 145.5, 145.5, 12.5],
      ["CAUSEWAY", 145.625, 145.025, 25],
      ["MARSHALS", 158.55, 158.55, 12.5],
      ["BOATHOUSE", 433.5, 433.5, 25],
      ["WEATHER", 162.4, undefined, 25],
      ["SLUICE", 158.5125, 158.5125, 12.5],
    ],
  ],
  [
    70,
    "S-01",
    "Juno",
    "loan-set.csv",
    [
      ["BOATHOUSE", 433.5, 433.5, 25],
      ["JETTY", 433.55, 433.55, 12.5],
    ],
  ],
  [
    88,
    "W-01",
    "Juno",
    "circle.csv",
    [
      ["CALLING", 145.5, 145.5, 12.5],
      ["CAUSEWAY", 145.625, 145.025, 12.5],
      ["BOATHOUSE", 433.5, 433.5, 12.5],
    ],
  ],
];
