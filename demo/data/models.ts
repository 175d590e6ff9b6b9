// Twelve models of radios and one of programmers, of five makers, none of which exist, and their releases. Days are counted back from today.
import type { Source } from "#core/quantities/index.ts";
import type { Conditions, Track, Urgency } from "#core/release/index.ts";
import type { Numbering } from "#core/version/index.ts";

export type DemoRelease = {
  /** {yyyymmdd} and {ddmmyy} stand for the release's own date. */
  readonly version: string;
  readonly ago: number;
  readonly track?: Track;
  readonly aliases?: readonly string[];
  readonly withdrawn?: { readonly ago: number; readonly why: string };
  readonly revisions?: readonly string[];
  readonly regions?: readonly string[];
  readonly fixes?: readonly (readonly [tag: string, urgency: Urgency, text: string])[];
  readonly notes?: string;
  readonly source?: Source;
  readonly when?: DemoConditions;
};

/** Conditions, with ranges as people write them: ">= 1.06". */
export type DemoConditions = Partial<Omit<Conditions, "from" | "requires" | "tool">> & {
  readonly from?: string;
  readonly requires?: readonly (readonly [component: string, range: string])[];
  readonly tool?: readonly [name: string, range?: string];
};

export type DemoModel = {
  readonly maker: string;
  readonly name: string;
  readonly kind: "handheld" | "mobile" | "base" | "module";
  readonly note: string;
  readonly suffixes?: readonly string[];
  readonly revisions?: readonly { readonly name: string; readonly tell: string; readonly serials: string }[];
  readonly components: readonly {
    readonly name: string;
    /** Absent: nobody has confirmed it; it is inferred. */
    readonly numbering?: Numbering;
    readonly releases: readonly DemoRelease[];
  }[];
};

const leaflet: Source = { kind: "maker", what: "leaflet" };
const bench: Source = { kind: "bench", what: "" };
const noticeboard: Source = { kind: "club", what: "noticeboard" };

export const MODELS: readonly DemoModel[] = [
  {
    maker: "Fenwright",
    name: "Wicket",
    kind: "handheld",
    note: "Analogue, plain and tough. The version is in the menu under 26, and shows for a second at power-on.",
    components: [
      {
        name: "main",
        numbering: { kind: "dotted" },
        releases: [
          { version: "1.02", ago: 985, source: leaflet },
          {
            version: "1.06",
            ago: 810,
            fixes: [["menu", "routine", "menu 26 shows the version"]],
            source: leaflet,
            when: { minutes: 4, risk: 2, ways: ["cable"], tool: ["Hedgewriter", ">= 1.4"] },
          },
          {
            version: "1.08",
            ago: 655,
            fixes: [["scan", "routine", "scan resumes after five seconds"]],
            source: leaflet,
            when: { from: ">= 1.06", minutes: 4, risk: 2, ways: ["cable"], tool: ["Hedgewriter", ">= 1.4"] },
          },
          {
            version: "1.10",
            ago: 430,
            fixes: [["clock", "fix", "the clock loses no minute at power-off"]],
            notes: "A stepping stone: the memory is laid out anew.",
            source: bench,
            when: {
              from: ">= 1.06",
              erases: "settings",
              minutes: 5,
              risk: 3,
              ways: ["cable"],
              tool: ["Hedgewriter", ">= 1.6"],
              rollbackFloor: "1.06",
            },
          },
          {
            version: "1.12",
            ago: 262,
            withdrawn: { ago: 240, why: "wipes the tone list when a second zone is used" },
            source: leaflet,
            when: { from: ">= 1.10", minutes: 4, risk: 4, ways: ["cable"], tool: ["Hedgewriter", ">= 1.6"] },
          },
          {
            version: "1.13-rc1",
            ago: 255,
            track: "beta",
            source: noticeboard,
            when: { from: ">= 1.10", minutes: 4, risk: 4, ways: ["cable"] },
          },
          {
            version: "1.14",
            ago: 236,
            fixes: [["squelch", "fix", "CTCSS opens at once, not after a syllable"]],
            source: leaflet,
            when: {
              from: ">= 1.10",
              minutes: 4,
              risk: 2,
              ways: ["cable"],
              tool: ["Hedgewriter", ">= 1.8"],
              rollbackFloor: "1.10",
              unchanged: "The scan list still starts at its first channel after power-on.",
            },
          },
          {
            version: "1.15-beta2",
            ago: 61,
            track: "beta",
            fixes: [["battery", "routine", "battery mark steadier"]],
            source: noticeboard,
            when: { from: ">= 1.14", minutes: 4, risk: 4, ways: ["cable"], tool: ["Hedgewriter", ">= 1.8"] },
          },
          {
            version: "reedling-3",
            ago: 395,
            track: "community",
            notes: "Names for channels on the second screen.",
            source: noticeboard,
            when: {
              fromTracks: ["factory", "community"],
              erases: "everything",
              minutes: 6,
              risk: 4,
              ways: ["cable"],
            },
          },
          {
            version: "reedling-4",
            ago: 128,
            track: "community",
            fixes: [["scan", "fix", "skips a stuck carrier"]],
            source: noticeboard,
            when: { from: "= reedling-3", fromTracks: ["community"], minutes: 6, risk: 4, ways: ["cable"] },
          },
        ],
      },
    ],
  },
  {
    maker: "Fenwright",
    name: "Wicket II",
    kind: "handheld",
    note: "Looks like the Wicket but for the ring round the knob. Two hardware revisions: the label says A or B under the battery.",
    revisions: [
      {
        name: "A",
        tell: "label under the battery ends in A; the screen is yellowish",
        serials: "FW2 1000 to FW2 3999",
      },
      { name: "B", tell: "label ends in B; the screen is white", serials: "FW2 4000 and up" },
    ],
    components: [
      {
        name: "main",
        numbering: { kind: "dotted" },
        releases: [
          { version: "2.0.1", ago: 720, source: leaflet },
          { version: "2.1.0", ago: 540, source: leaflet },
          { version: "2.1.4", ago: 318, fixes: [["squelch", "fix", "tail noise gone"]], source: leaflet },
          {
            version: "2.1.5",
            ago: 92,
            revisions: ["A"],
            fixes: [["display", "routine", "contrast on revision A"]],
            source: leaflet,
          },
          {
            version: "2.2.0",
            ago: 148,
            revisions: ["B"],
            fixes: [["battery", "fix", "gauge no longer says half when it is empty"]],
            source: leaflet,
          },
          { version: "2.2.1", ago: 6, revisions: ["B"], source: leaflet },
        ],
      },
    ],
  },
  {
    maker: "Quillmere",
    name: "Heron",
    kind: "handheld",
    note: "Digital and analogue, with Bluetooth for a talk button. Both firmwares show in the menu under About.",
    components: [
      {
        name: "main",
        numbering: { kind: "dotted" },
        releases: [
          { version: "2.0.0", ago: 775, source: leaflet },
          { version: "2.1.0", ago: 512, source: leaflet },
          {
            version: "2.1.4",
            ago: 334,
            fixes: [["talkgroup", "routine", "talkgroup names up to 16 letters"]],
            source: leaflet,
            when: {
              from: ">= 2.1.0",
              erases: "codeplug",
              minutes: 7,
              risk: 3,
              ways: ["cable"],
              tool: ["Heronry", ">= 2.2"],
            },
          },
          {
            version: "2.2.0",
            ago: 46,
            fixes: [["spur", "safety", "2.1.4 sends a spur outside its channel on low power"]],
            source: leaflet,
            when: {
              from: ">= 2.1.4",
              requires: [["bluetooth", ">= 1.3"]],
              minutes: 7,
              risk: 2,
              ways: ["cable"],
              tool: ["Heronry", ">= 3.0"],
            },
          },
          { version: "2.3.0-beta1", ago: 15, track: "beta", source: noticeboard },
        ],
      },
      {
        name: "bluetooth",
        releases: [
          { version: "1.1", ago: 775, source: leaflet },
          {
            version: "1.3",
            ago: 334,
            fixes: [["pairing", "routine", "keeps four pairings, not two"]],
            source: leaflet,
          },
          {
            version: "1.4",
            ago: 190,
            fixes: [["pairing", "fix", "wakes up with the talk button"]],
            source: leaflet,
            when: { from: ">= 1.3", minutes: 3, risk: 2, ways: ["bluetooth", "cable"], erases: "settings" },
          },
        ],
      },
    ],
  },
  {
    maker: "Tollbar",
    name: "Sorrel DM",
    kind: "handheld",
    note: "Digital loan set. The version is a date, and only the tool and the power-on screen show it.",
    components: [
      {
        name: "main",
        numbering: { kind: "dated", pattern: "yyyymmdd" },
        releases: [
          { version: "{yyyymmdd}", ago: 900, source: leaflet },
          { version: "{yyyymmdd}", ago: 680, source: leaflet },
          {
            version: "{yyyymmdd}",
            ago: 470,
            fixes: [["timer", "fix", "time-out timer holds on digital channels too"]],
            source: leaflet,
          },
          { version: "{yyyymmdd}", ago: 314, source: leaflet },
          {
            version: "{yyyymmdd}",
            ago: 83,
            fixes: [["audio", "routine", "microphone gain has five steps"]],
            source: leaflet,
            when: { minutes: 8, risk: 2, erases: "codeplug", ways: ["cable"], tool: ["Tollgate", ">= 2.10"] },
          },
          { version: "{yyyymmdd}", ago: 30, track: "beta", source: noticeboard },
          { version: "osier-6", ago: 350, track: "community", source: noticeboard },
          {
            version: "osier-7",
            ago: 140,
            track: "community",
            fixes: [["roam", "fix", "roams without dropping the call"]],
            source: noticeboard,
            when: { erases: "everything", minutes: 8, risk: 4, ways: ["cable"] },
          },
        ],
      },
    ],
  },
  {
    maker: "Tollbar",
    name: "Sorrel S",
    kind: "handheld",
    note: "A Sorrel DM in a grey housing under another name: in the tool pick Sorrel DM. Its versions end in -s.",
    suffixes: ["-s"],
    components: [
      {
        name: "main",
        numbering: { kind: "dated", pattern: "yyyymmdd" },
        releases: [
          { version: "{yyyymmdd}", ago: 680, source: leaflet },
          {
            version: "{yyyymmdd}",
            ago: 470,
            fixes: [["timer", "fix", "time-out timer holds on digital channels too"]],
            source: leaflet,
          },
          { version: "{yyyymmdd}", ago: 314, source: leaflet },
          { version: "{yyyymmdd}", ago: 83, source: leaflet },
        ],
      },
    ],
  },
  {
    maker: "Quillmere",
    name: "Tussock",
    kind: "handheld",
    note: "Analogue. Versions are a date written day first. Sold for two regions, which take different files.",
    suffixes: ["-n", "-w"],
    components: [
      {
        name: "main",
        numbering: { kind: "dated", pattern: "ddmmyy" },
        releases: [
          { version: "{ddmmyy}", ago: 940, source: leaflet },
          { version: "{ddmmyy}", ago: 610, source: leaflet },
          {
            version: "{ddmmyy}",
            ago: 402,
            regions: ["north"],
            fixes: [["tone", "routine", "DCS inverted tones"]],
            source: leaflet,
          },
          { version: "{ddmmyy}", ago: 398, regions: ["west"], source: leaflet },
          {
            version: "{ddmmyy}",
            ago: 117,
            fixes: [["squelch", "fix", "no crackle when a neighbour keys up"]],
            source: leaflet,
          },
        ],
      },
    ],
  },
  {
    maker: "Hobnail",
    name: "Pocketreed",
    kind: "module",
    note: "Clips to a phone. The version shows only in the phone app. Revision 1 has a round hole beside the plug.",
    revisions: [
      { name: "1", tell: "round hole beside the plug", serials: "PR 100 to PR 519" },
      { name: "2", tell: "no hole; the shell is matt", serials: "PR 520 and up" },
    ],
    components: [
      {
        name: "main",
        numbering: { kind: "dotted" },
        releases: [
          { version: "v0.9a", ago: 640, source: noticeboard },
          { version: "v0.9b", ago: 555, source: noticeboard },
          {
            version: "v1.0",
            ago: 300,
            aliases: ["1.0 gold"],
            fixes: [["audio", "fix", "no howl with the phone's own microphone"]],
            source: leaflet,
          },
          { version: "v1.1", ago: 101, revisions: ["2"], source: leaflet },
          {
            version: "v1.1a",
            ago: 33,
            revisions: ["2"],
            fixes: [["power", "fix", "sleeps when the phone does"]],
            source: leaflet,
            when: { from: ">= v1.0", minutes: 3, risk: 2, ways: ["phone"], tool: ["Reed app", ">= 4"] },
          },
          { version: "v1.2-beta1", ago: 9, track: "beta", revisions: ["2"], source: noticeboard },
        ],
      },
    ],
  },
  {
    maker: "Brackwater",
    name: "Marl 40",
    kind: "mobile",
    note: "Three firmwares: main, panel and DSP, each with its own number. Hold the two left keys at power-on to see them.",
    components: [
      {
        name: "main",
        numbering: { kind: "lettered" },
        releases: [
          { version: "B05", ago: 920, source: leaflet },
          { version: "B07", ago: 618, source: leaflet },
          { version: "B09", ago: 421, source: leaflet },
          {
            version: "B12",
            ago: 160,
            fixes: [["clock", "fix", "keeps the time over a flat battery"]],
            notes: "Needs DSP 2.0 first.",
            source: leaflet,
            when: {
              from: ">= B07",
              requires: [["dsp", ">= 2.0"]],
              minutes: 9,
              risk: 3,
              ways: ["cable"],
              tool: ["Marlworks", ">= 5.0"],
            },
          },
          {
            version: "B13",
            ago: 21,
            fixes: [["memory", "routine", "names sort by number"]],
            source: leaflet,
            when: { from: ">= B12", requires: [["panel", ">= 1.2"]], minutes: 9, risk: 3, ways: ["cable"] },
          },
        ],
      },
      {
        name: "panel",
        numbering: { kind: "dotted" },
        releases: [
          { version: "1.0", ago: 920, source: leaflet },
          { version: "1.2", ago: 421, fixes: [["display", "routine", "dimmer at night"]], source: leaflet },
        ],
      },
      {
        name: "dsp",
        numbering: { kind: "dotted" },
        releases: [
          { version: "1.8", ago: 920, source: leaflet },
          {
            version: "2.0",
            ago: 405,
            source: leaflet,
            when: { requires: [["main", ">= B07"]], minutes: 6, risk: 3, ways: ["card"] },
          },
          {
            version: "2.1",
            ago: 119,
            when: { from: ">= 2.0", minutes: 6, risk: 2, ways: ["card"] },
            fixes: [["audio", "routine", "less hiss"]],
            source: leaflet,
          },
        ],
      },
    ],
  },
  {
    maker: "Brackwater",
    name: "Marl 80",
    kind: "mobile",
    note: "The Marl 40's older brother with a detachable panel.",
    revisions: [
      { name: "early", tell: "the panel's plug has six pins", serials: "BW80 1 to BW80 3999" },
      { name: "late", tell: "the panel's plug has eight pins", serials: "BW80 4000 and up" },
    ],
    components: [
      {
        name: "main",
        numbering: { kind: "lettered" },
        releases: [
          { version: "C1", ago: 710, source: leaflet },
          { version: "C3", ago: 480, source: leaflet },
          {
            version: "C4",
            ago: 205,
            fixes: [["fan", "safety", "the fan starts before the output stage is too hot to touch"]],
            source: leaflet,
            when: { requires: [["panel", ">= 1.5"]], minutes: 10, risk: 3, ways: ["cable"] },
          },
        ],
      },
      {
        name: "panel",
        numbering: { kind: "dotted" },
        releases: [
          { version: "1.4", ago: 710, source: leaflet },
          { version: "1.5", ago: 205, revisions: ["late"], source: leaflet },
        ],
      },
    ],
  },
  {
    maker: "Brackwater",
    name: "Oxbow 4",
    kind: "mobile",
    note: "Four channels, older than some members. Only an old 32-bit computer with a true serial port talks to it.",
    components: [
      {
        name: "main",
        numbering: { kind: "listed" },
        releases: [
          { version: "Kestrel", ago: 1090, source: bench },
          { version: "Lapwing", ago: 1000, source: bench },
          {
            version: "Moorhen",
            ago: 905,
            fixes: [["tone", "routine", "1750 Hz tone a second longer"]],
            source: bench,
          },
        ],
      },
    ],
  },
  {
    maker: "Tollbar",
    name: "Lantern 2",
    kind: "base",
    note: "Base set for the huts. Numbers are decimal fractions: 1.3 came after 1.26.",
    components: [
      {
        name: "main",
        numbering: { kind: "decimal" },
        releases: [
          { version: "1.2", ago: 1010, source: leaflet },
          { version: "1.25", ago: 822, source: leaflet },
          { version: "1.26", ago: 601, source: leaflet },
          {
            version: "1.3",
            ago: 289,
            fixes: [["squelch", "fix", "squelch stays shut in thunder"]],
            source: leaflet,
          },
          {
            version: "1.31",
            ago: 72,
            fixes: [["menu", "routine", "menu in larger letters"]],
            source: leaflet,
            when: { from: ">= 1.3", minutes: 6, risk: 1, ways: ["card"] },
          },
        ],
      },
    ],
  },
  {
    maker: "Tollbar",
    name: "Lantern 3",
    kind: "base",
    note: "New this year; nobody has yet found out how its numbers count.",
    components: [
      {
        name: "main",
        releases: [
          { version: "1.10", ago: 520, source: leaflet },
          { version: "1.12", ago: 377, source: leaflet },
          { version: "1.14", ago: 244, fixes: [["clock", "fix", "keeps summer time"]], source: leaflet },
          { version: "1.20", ago: 88, source: leaflet },
        ],
      },
    ],
  },
  {
    maker: "Tollbar",
    name: "Clasp",
    kind: "module",
    note: "A Bluetooth programmer: stands in for the cable. Its own firmware shows in its app, under About.",
    components: [
      {
        name: "main",
        numbering: { kind: "dotted" },
        releases: [
          { version: "1.4", ago: 500, source: leaflet },
          {
            version: "1.6",
            ago: 70,
            fixes: [["drop", "fix", "stays connected while a large codeplug goes over"]],
            source: leaflet,
            when: { minutes: 6, risk: 2, ways: ["phone"] },
          },
        ],
      },
    ],
  },
];
