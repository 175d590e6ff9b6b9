// The demo's plan of channels in nine blocks, its directory of repeaters, what each model's codeplug holds, and who carries what. All made up.
import type {
  ChannelMapping,
  CodeplugFacts,
  Coordinates,
  PlanMember,
  StoredBlock,
  StoredPlan,
  Tone,
} from "#core/codeplug/index.ts";
import type { RepeaterFacts } from "#db/codeplug/index.ts";

const usual = { plainSigns: false, digital: false, everyTone: false, tonesFrom: "", byPosition: false };

/** What a model's codeplug holds, and for which of its modes the plan is laid out. */
export const HOLDS: Readonly<Record<string, readonly [facts: CodeplugFacts, mode?: string]>> = {
  Wicket: [{ ...usual, capacity: 128, nameSigns: 10, powers: ["high", "low"] }, "as sold"],
  "Wicket II": [{ ...usual, capacity: 128, nameSigns: 10, powers: ["high", "low"] }],
  Heron: [
    {
      ...usual,
      capacity: 250,
      nameSigns: 8,
      digital: true,
      powers: ["high", "middle", "low"],
      zones: 16,
      perZone: 32,
      contacts: 1000,
      byPosition: true,
    },
    "wide receive",
  ],
  "Sorrel DM": [
    {
      ...usual,
      capacity: 99,
      nameSigns: 12,
      digital: true,
      powers: ["full", "half"],
      zones: 10,
      perZone: 16,
      contacts: 500,
      byPosition: true,
      tonesFrom: "page 9 of the leaflet",
    },
    "plain",
  ],
  "Sorrel S": [{ ...usual, capacity: 16, nameSigns: 6, powers: ["full"] }],
  Tussock: [{ ...usual, capacity: 20, nameSigns: 6, plainSigns: true, powers: [] }, "west"],
  Pocketreed: [{ ...usual, capacity: 64, nameSigns: 7, powers: ["2 W", "1 W"], zones: 2, perZone: 16 }],
  "Marl 40": [{ ...usual, capacity: 200, nameSigns: 14, everyTone: true, powers: ["40", "20", "5"] }, "home"],
  "Marl 80": [{ ...usual, capacity: 200, nameSigns: 14, everyTone: true, powers: ["80", "40", "5"] }],
  "Oxbow 4": [{ ...usual, capacity: 4, nameSigns: 1, powers: [] }, "four channels"],
  "Lantern 2": [{ ...usual, capacity: 8, nameSigns: 8, powers: ["10"] }, "sluice channels"],
  "Lantern 3": [{ ...usual, capacity: 16, nameSigns: 8, powers: ["10", "2"] }, "sluice channels"],
};

const hz = (mhz: number) => Math.round(mhz * 1e6);
const on = (name: string, mhz: number, more: Partial<PlanMember> = {}): PlanMember => {
  const receive = hz(mhz);
  return { name, receive, transmit: receive, bandwidth: 12_500, digital: false, scan: true, ...more };
};
const heard = (name: string, mhz: number): PlanMember => ({
  name,
  receive: hz(mhz),
  bandwidth: 25_000,
  digital: false,
  scan: false,
});
const tone = (tenths: number): Tone => ({ kind: "ctcss", tenths });
const both = (tenths: number) => ({ sends: tone(tenths), hears: tone(tenths) });

const POSTS = [
  ..."boathouse|slip|first lamp|second lamp|bend|pool|post|refuge|high stone|far lamp|isle gate|isle square".split(
    "|",
  ),
  ...["isle quay", "lost children", "first aid", "tide watch"],
];
const MARSHALS = "north|south|isle|tide|parking|lamps|boats|first aid|lost children|spare".split("|");
const HUTS: readonly (readonly [name: string, mhz: number])[] = [
  ["Hut 1 lower gate", 158.5125],
  ["Hut 2 alder bend", 158.525],
  ["Hut 3 mill race", 158.5375],
  ["Hut 4 top pound", 158.55],
  ["Canal bank north", 145.575],
  ["Canal bank south", 145.5875],
];

/** The boathouse: out at sea, where nobody's is. */
export const BOATHOUSE: Coordinates = { latitude: 54.87, longitude: 4.41 };

const near = (kilometres: number): StoredBlock => ({
  name: "Repeaters near",
  purpose: "heard within the year",
  priority: 3,
  listens: true,
  members: [],
  rule: {
    around: "the boathouse",
    place: BOATHOUSE,
    kilometres,
    openOnly: true,
    withinDays: 365,
    bands: [
      { from: 144_000_000, to: 146_000_000 },
      { from: 430_000_000, to: 440_000_000 },
    ],
    modes: ["analogue"],
  },
});

export const PLAN: StoredPlan = [
  {
    name: "Calling",
    purpose: "",
    priority: 9,
    at: 1,
    listens: true,
    members: [
      on("Circle call", 145.5, { power: "high" }),
      on("Circle second", 145.525),
      on("Circle 70", 433.5),
      on("Circle 70 second", 433.525),
    ],
  },
  {
    name: "Weather",
    purpose: "to hear only",
    priority: 4,
    listens: true,
    members: ["sea", "coast", "canal", "tides", "storm"].map((what, i) =>
      heard(`Weather ${what}`, 162.4 + i * 0.025),
    ),
  },
  {
    name: "Causeway posts",
    purpose: "event",
    priority: 9,
    at: 11,
    listens: false,
    members: POSTS.map((what, i) => on(`Causeway ${what}`, 145.2 + i * 0.0125, both(885))),
  },
  {
    name: "Marshals, digital",
    purpose: "event",
    priority: 8,
    listens: false,
    members: MARSHALS.map((what, i) =>
      on(`Marshal ${what}`, 439.4 + Math.floor(i / 2) * 0.0125, {
        digital: true,
        colour: 1,
        slot: i % 2 === 0 ? 1 : 2,
        talkgroup: `9990${String(i + 1)}`,
      }),
    ),
  },
  {
    name: "Huts",
    purpose: "sluice rota",
    priority: 7,
    listens: true,
    members: HUTS.map(([name, mhz]) => on(name, mhz, both(1035))),
  },
  {
    name: "Simplex",
    purpose: "services",
    priority: 5,
    listens: true,
    members: Array.from({ length: 12 }, (_, i) =>
      on(`Simplex ${i + 1}`, 433.4 + i * 0.0125 + (i > 7 ? 0.05 : 0)),
    ),
  },
  near(45),
  {
    name: "Bat count",
    purpose: "loans",
    priority: 6,
    listens: false,
    members: Array.from({ length: 8 }, (_, i) =>
      on(`Bats ${i + 1}`, 434.6 + i * 0.0125, { sends: { kind: "dcs", code: "023", inverted: false } }),
    ),
  },
  {
    name: "Spare",
    purpose: "where there is room",
    priority: 1,
    listens: true,
    members: Array.from({ length: 12 }, (_, i) => on(`Spare ${i + 1}`, 144.6 + i * 0.0125)),
  },
];

/** The revision before: two huts fewer, weather by other names, repeaters from farther away. */
export const PLAN_BEFORE: StoredPlan = PLAN.map((block) => {
  if (block.name === "Huts") return { ...block, members: block.members.slice(0, 4) };
  if (block.name === "Weather")
    return { ...block, members: block.members.map((one, i) => ({ ...one, name: `Forecast ${i + 1}` })) };
  return block.name === "Repeaters near" ? near(55) : block;
});

/** The dialect of the tool for the Wickets. */
export const DIALECT: ChannelMapping = {
  delimiter: ";",
  sign: ",",
  unit: "MHz",
  columns: [
    { head: "Place", meaning: "position" },
    { head: "Label", meaning: "name" },
    { head: "Hears", meaning: "receive" },
    { head: "Shift", meaning: "offset" },
    { head: "Way", meaning: "direction" },
    { head: "Opens with", meaning: "sends" },
    { head: "Wants", meaning: "hears" },
    { head: "Wide", meaning: "bandwidth" },
    { head: "In the scan", meaning: "scan" },
  ],
};

/** What Wren has begun and not issued: a post at the ford. */
export const DRAFT: StoredPlan = PLAN.map((block) =>
  block.name === "Causeway posts"
    ? { ...block, members: [...block.members, on("Causeway ford watch", 145.4, both(885))] }
    : block,
);

/** Digital IDs and call signs: whose, what it is, when it was asked for (days ago), and how long they usually take. */
export const IDENTITIES: readonly {
  readonly tag?: string;
  readonly owner?: string;
  readonly kind: "digital" | "call";
  readonly value?: string;
  readonly asked?: number;
  readonly usually?: number;
  readonly added: number;
}[] = [
  { tag: "S-01", kind: "digital", value: "9990101", asked: 210, usually: 14, added: 220 },
  { tag: "S-03", kind: "digital", value: "9990103", asked: 210, usually: 14, added: 220 },
  // Two radios with one number: copied along with a codeplug.
  { tag: "S-04", kind: "digital", value: "9990103", asked: 200, usually: 14, added: 210 },
  { tag: "S-08", kind: "digital", value: "99901088", asked: 90, usually: 14, added: 95 },
  { tag: "S-05", kind: "digital", asked: 41, usually: 14, added: 45 },
  { tag: "S-02", kind: "digital", added: 6 },
  { tag: "S-09", kind: "digital", value: "9990128", asked: 320, usually: 14, added: 330 },
  { tag: "H-05", kind: "digital", asked: 4, usually: 14, added: 5 },
  { owner: "Juno", kind: "digital", value: "9990007", asked: 400, usually: 14, added: 410 },
  { owner: "Bram", kind: "call", asked: 30, usually: 60, added: 31 },
];

/** Days ago, what was new in it. */
export const ISSUED = [
  [150, "the first that is for all our models"],
  [13, "Canal bank north and south; weather by what it is about"],
] as const;

const FIRST = "Mirk|Sedge|Otter|Lantern|Quill|Tarnel|Bramble|Heronry|Fenny|Wispen|Mothen|Gullet".split("|");
const SECOND = "hithe|slack|knott|stack|rigg|garth cross|ness pole|howe|shaw mast|ling".split("|");

/** The same 120 every time: a plain congruence, whose numbers go by name. */
function* numbers(): Generator<number, never> {
  for (let state = 20_261; ; ) {
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    yield state / 0x7fffffff;
  }
}

export type DemoRepeater = Omit<RepeaterFacts, "access"> & {
  readonly access: RepeaterFacts["access"];
  /** Days ago, by whom, and whether it was heard or its entry confirmed; absent: nobody has. */
  readonly seen?: readonly [ago: number, who: string, how: "heard" | "confirmed"];
};

export const REPEATERS: readonly DemoRepeater[] = (() => {
  const random = numbers();
  const one = () => random.next().value;
  const people = ["Wren", "Juno", "Tobin", "Bram", "Maud"];
  return FIRST.flatMap((first, f) =>
    SECOND.map((second, s): DemoRepeater => {
      const i = f * SECOND.length + s;
      const wide = one() < 0.55;
      const digital = one() < 0.25;
      const receive = wide ? hz(145.6) + (i % 16) * 12_500 : hz(438.6) + (i % 32) * 25_000;
      const away = Math.sqrt(one()) * 0.52;
      const angle = one() * 2 * Math.PI;
      const latitude = Number((BOATHOUSE.latitude + away * Math.cos(angle)).toFixed(4));
      const longitude = Number((BOATHOUSE.longitude + (away * Math.sin(angle)) / 0.575).toFixed(4));
      const ago = Math.floor(one() ** 2 * 700) + 2;
      const unplaced = i % 41 === 7;
      return {
        name: `${first}${second}`,
        receive,
        transmit: receive - (wide ? 600_000 : 7_600_000),
        digital,
        open: i % 23 !== 5,
        note: i % 37 === 3 ? "off in winter, when the mast is iced" : "",
        access: digital
          ? { colour: 1 + (i % 4), slot: 1, talkgroup: "9990" }
          : {
              sends: tone([670, 719, 770, 825, 885, 948, 1035, 1109, 1188, 1230, 1318][(i * 7) % 11] ?? 885),
            },
        ...(!unplaced && { latitude, longitude }),
        ...(i % 17 !== 9 && {
          seen: [ago, people[i % people.length] ?? "Wren", i % 3 === 0 ? "confirmed" : "heard"] as const,
        }),
      };
    }),
  );
})();

/** Talkgroups by position. The second was laid over the first, and every number meant something else; the third is the first again, with the new one behind it. */
const GROUPS_OF = (order: readonly number[]) =>
  order.map((i) => ({ key: `9990${i + 1}`, name: `Marshal ${MARSHALS[i]}` }));
export const LISTS: readonly (readonly [
  ago: number,
  who: string,
  tag: string,
  name: string,
  members: ReturnType<typeof GROUPS_OF>,
])[] = [
  [70, "Juno", "S-05", "talkgroups of the spring", GROUPS_OF([0, 1, 2, 3, 4, 5, 6, 7])],
  [41, "Bram", "S-05", "talkgroups, sorted by name", GROUPS_OF([6, 7, 2, 5, 8, 0, 1, 4, 3])],
  [40, "Juno", "S-05", "talkgroups, put right again", GROUPS_OF([0, 1, 2, 3, 4, 5, 6, 7, 8])],
];

/** By whom and how many days ago each radio got what it has: the plan of the revision, from 1; others hold what nobody has read. */
export const CARRIES: readonly (readonly [ago: number, who: string, revision: 1 | 2, tags: string])[] = [
  [
    140,
    "Juno",
    1,
    "W-01 W-02 W-03 W-04 W-05 W-06 W-07 W-09 W-11 W-12 W-13 H-01 H-02 H-03 H-04 H-05 H-06 H-07",
  ],
  [
    138,
    "Tobin",
    1,
    "H-08 H-09 S-02 S-04 S-05 S-07 S-08 P-01 P-02 P-04 P-05 M-01 M-02 M-03 R-01 R-02 L-01 L-02",
  ],
  [
    12,
    "Juno",
    2,
    "W-01 W-02 W-04 W-05 W-06 W-07 W-09 W-11 W-12 W-14 H-01 H-02 H-03 H-05 H-06 H-08 H-09 H-11",
  ],
  [
    11,
    "Tobin",
    2,
    "W-10 S-01 S-03 S-04 S-06 S-07 S-08 P-01 P-02 P-05 P-06 R-02 L-01 L-03 L-04 L-05 L-06 L-07",
  ],
  [10, "Bram", 2, "M-01 M-02 M-04 T-04 T-05"],
];
