// What of the club speaks Bluetooth or has a battery that is looked after, and what happened to it. Addresses lie in the range kept for examples.
import type { DeviceKind } from "#core/kit/index.ts";

export type DemoDevice = {
  readonly tag: string;
  readonly kind: DeviceKind;
  readonly what?: string;
  readonly shows?: string;
  readonly address?: string;
  readonly app?: readonly [name: string, version: string];
  readonly appNeeds?: string;
  readonly serves?: readonly (readonly [model: string, as: string])[];
  readonly full?: number;
  readonly idle?: number;
  readonly perUse?: number;
  readonly lamp?: string;
  readonly battery?: "swollen" | "retired" | "none";
  readonly charger?: string;
  readonly holds?: number;
  readonly offers?: string;
  readonly fails?: string;
  readonly with?: string;
  readonly place?: string;
  readonly note?: string;
  readonly simulated?: true;
  /** The radio under which its own firmware is kept. */
  readonly unit?: string;
  /** Days ago, percent; the last one may be hours ago, as a part of a day. */
  readonly levels?: readonly (readonly [ago: number, percent: number])[];
};

const LAMP = "slow blue: waits for the app\nsteady blue: connected\nred, three times: below 20 %";
export const DEVICES: readonly DemoDevice[] = [
  {
    tag: "B-01",
    kind: "programmer",
    what: "Clasp",
    shows: "CLASP-01",
    address: "02:00:5E:10:00:01",
    app: ["Clasp app", "3.2"],
    appNeeds: "location, and an account of the maker's; the hut tablet has both",
    serves: [
      ["Wicket", "Hedge W"],
      ["Wicket II", ""],
    ],
    full: 110,
    idle: 1.2,
    perUse: 4,
    lamp: LAMP,
    charger: "CH-3",
    unit: "B-01",
    levels: [
      [30, 100],
      [20, 86],
      [12, 74],
      [1.6, 64],
    ],
  },
  {
    tag: "B-02",
    kind: "programmer",
    what: "Clasp",
    shows: "CLASP-02",
    address: "02:00:5E:10:00:02",
    app: ["Clasp app", "3.2"],
    appNeeds: "location, and an account of the maker's",
    serves: [["Tussock", "Field T"]],
    full: 110,
    idle: 1.2,
    perUse: 6,
    lamp: LAMP,
    charger: "CH-3",
    unit: "B-02",
    simulated: true,
    levels: [
      [9, 40],
      [2.1, 21],
    ],
  },
  {
    tag: "B-03",
    kind: "programmer",
    what: "Clasp",
    shows: "CLASP-03",
    address: "02:00:5E:10:00:03",
    app: ["Clasp app", "2.9"],
    appNeeds: "location; runs without an account up to 3.0",
    serves: [["Wicket", "Hedge W"]],
    full: 110,
    perUse: 4,
    lamp: LAMP,
    charger: "CH-3",
  },
  {
    tag: "BT-1",
    kind: "button",
    what: "Thimble button",
    shows: "THIMBLE",
    address: "02:00:5E:10:00:11",
    full: 75,
    idle: 0.6,
    charger: "CH-3",
    place: "HUT",
    fails: "after a flash of the radio it must be turned off and on, and paired anew",
    levels: [
      [40, 96],
      [21, 81],
      [3, 66],
    ],
  },
  {
    tag: "BT-2",
    kind: "button",
    what: "Thimble button",
    shows: "THIMBLE",
    address: "02:00:5E:10:00:12",
    full: 75,
    idle: 0.6,
    charger: "CH-3",
    place: "HUT",
    simulated: true,
    levels: [[5, 34]],
  },
  {
    tag: "BT-3",
    kind: "button",
    what: "Thimble button",
    shows: "THIMBLE",
    address: "02:00:5E:10:00:13",
    full: 75,
    battery: "swollen",
    place: "HUT",
    note: "lies in the sand bucket",
  },
  {
    tag: "HS-1",
    kind: "headset",
    what: "Burr headset",
    shows: "BURR 2",
    address: "02:00:5E:10:00:21",
    full: 150,
    idle: 2,
    charger: "CH-3",
    place: "VAN",
    offers: "microphone and one ear",
    fails: "two microphones at once whistle: the radio's off, or the headset's",
    levels: [
      [14, 90],
      [2, 61],
    ],
  },
  {
    tag: "EP-1",
    kind: "earpiece",
    what: "Rushlight earpiece",
    shows: "RL-EAR",
    full: 60,
    idle: 3,
    place: "HUT",
    offers: "listening only",
    levels: [[1.2, 92]],
  },
  {
    tag: "V-1",
    kind: "vehicle",
    what: "hands-free of the van",
    shows: "FEN VAN",
    battery: "none",
    holds: 4,
    place: "VAN",
    offers: "hands-free calls; no music from a radio",
    fails: "answers for every paired phone first; the radio comes only when no phone is near",
  },
  {
    tag: "V-2",
    kind: "vehicle",
    what: "deck speaker of the punt",
    shows: "PUNT",
    battery: "none",
    holds: 2,
    place: "VAN",
    offers: "music only: sound goes out, talk does not come back",
  },
  ...(
    [
      [
        "W-01",
        [
          [20, 90],
          [6, 78],
          [0.9, 72],
        ],
      ],
      [
        "W-02",
        [
          [6, 55],
          [0.9, 48],
        ],
      ],
      ["W-04", [[0.9, 97]]],
      [
        "H-01",
        [
          [16, 88],
          [4, 70],
        ],
      ],
      ["H-02", [[4, 35]]],
      ["H-03", []],
    ] as const
  )
    .map(
      ([tag, levels]): DemoDevice => ({
        tag,
        kind: "radio",
        full: tag.startsWith("W") ? 180 : 210,
        idle: tag === "H-02" ? undefined : 1,
        levels,
        charger: tag.startsWith("W") ? "CH-1" : "CH-3",
        ...(tag.startsWith("H") && { shows: `QH-200 ${tag.slice(2)}` }),
      }),
    )
    .map(withoutNothing),
];

/** What is undefined is not there. */
function withoutNothing(device: DemoDevice): DemoDevice {
  const { idle, ...rest } = device;
  return idle === undefined ? rest : device;
}

/** Days ago they were paired, the device, the radio, by whom; then what happened, days ago. */
export const PAIRINGS: readonly {
  readonly ago: number;
  readonly device: string;
  readonly unit: string;
  readonly who: string;
  readonly settings?: string;
  readonly events: readonly (readonly [
    ago: number,
    kind: "proved" | "dropped" | "failed" | "lost",
    note: string,
  ])[];
}[] = [
  {
    ago: 192,
    device: "BT-1",
    unit: "H-02",
    who: "Juno",
    events: [
      [192, "proved", "in the wrong menu, as it turned out"],
      [190, "dropped", "after ten minutes"],
      [190, "proved", "paired again under Audio"],
    ],
  },
  {
    ago: 60,
    device: "BT-2",
    unit: "H-03",
    who: "Bram",
    settings: "hold time = 3 s: the marshal wears gloves",
    events: [
      [60, "proved", ""],
      [12, "lost", "flashed to 2.2.0"],
    ],
  },
  { ago: 40, device: "HS-1", unit: "H-05", who: "Juno", events: [[40, "proved", ""]] },
  {
    ago: 25,
    device: "EP-1",
    unit: "H-06",
    who: "Bram",
    events: [
      [25, "proved", ""],
      [8, "failed", "it is found, and never connects"],
    ],
  },
  { ago: 33, device: "V-1", unit: "H-07", who: "Wren", events: [[33, "proved", "while parked"]] },
];

/** What a programmer keeps: its name, the radio whose last backup it is, days ago; then into which radios it was written, days ago, by whom. */
export const PROFILES: readonly {
  readonly device: string;
  readonly name: string;
  readonly from: string;
  readonly who: string;
  readonly uses: readonly (readonly [ago: number, unit: string, who: string])[];
}[] = [
  {
    device: "B-01",
    name: "Lanterns, marshals",
    from: "W-04",
    who: "Juno",
    uses: [
      [88, "W-04", "Juno"],
      [60, "W-05", "Bram"],
    ],
  },
  { device: "B-01", name: "W-01 as it was", from: "W-01", who: "Juno", uses: [] },
];

/** In the lines that the form takes. */
export const PAIR_ADVICE: readonly {
  readonly what: string;
  readonly model?: string;
  readonly menu: string;
  readonly wrong?: readonly [menu: string, shows: string];
  readonly steps: string;
  readonly pin?: readonly [pin: string, seconds: number];
  readonly shows: string;
  readonly settings: string;
  readonly fails?: string;
  readonly from: readonly ["maker" | "bench", string];
}[] = [
  {
    what: "Thimble button",
    model: "Heron",
    menu: "Audio > Talk button",
    wrong: ["Link > Devices", "it says “paired” there too, and the button never keys the radio"],
    steps: `turn on
menu Audio > Talk button > Pair
hold talk, 5 s; lamp white and quick
watch screen THIMBLE; 30 s
press ok
confirm the button's lamp goes steady`,
    pin: ["0000", 60],
    shows: "a small thimble beside the battery mark",
    settings: `hold time = 2 s: at zero it lets go between two words
radio's microphone = off: two microphones at once whistle
button gain = 3: at 5 the wind is louder than the voice`,
    fails: "it drops after ten minutes if it was paired under Link",
    from: ["bench", "190 days of trying"],
  },
  {
    what: "Burr headset",
    model: "Heron",
    menu: "Audio > Headset",
    wrong: ["Link > Phone", "it is found as a phone, and there is sound in one direction only"],
    steps: `turn on
menu Audio > Headset > Pair
hold answer, 7 s; lamp red and blue in turn
press ok`,
    shows: "a headset beside the battery mark",
    settings: `radio's microphone = off: or both are heard
headset gain = 2: at 4 it breathes`,
    from: ["maker", "leaflet"],
  },
  {
    what: "hands-free of the van",
    menu: "Audio > Headset",
    steps: `note parked, engine off, phones elsewhere
menu Audio > Headset > Pair
press ok`,
    pin: ["1234", 30],
    shows: "FEN VAN on the radio, RADIO on the van's screen",
    settings: "talk button = on the radio: the van's wheel has none",
    fails: "a phone that comes near takes its place",
    from: ["bench", ""],
  },
];
