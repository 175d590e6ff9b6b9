// The club's kit: leads, adapters, computers, drivers, tools, advice about chips, and what could be bought. Chip families
// and USB ids are invented.

import type { Grade } from "#core/kit/index.ts";
import type { SourceKind } from "#core/quantities/index.ts";

type Connector = readonly [name: string, shape: string, pins: number | null, keyed: boolean, way: string];
export const CONNECTORS: readonly Connector[] = [
  ["two-pin, right-angled", "two-pin", 2, true, "the cord points to the foot of the radio"],
  ["two-pin, straight", "two-pin", 2, true, "the thick pin goes to the top"],
  ["six-pin, screwed", "oblong", 6, true, "the screw is on the side of the antenna"],
  ["round, four contacts", "round", 4, true, "the notch faces up"],
  ["eight-pin, behind the panel", "flat", 8, true, "the latch is up; take the panel off first"],
  ["six-pin or eight-pin, by hardware", "flat", 8, true, "look at the hardware first"],
  ["seven contacts, oblong", "oblong", 7, true, "goes one way only"],
  ["round, eight contacts", "round", 8, true, "the notch faces up"],
  ["memory card", "card", null, true, "contacts down, until it clicks"],
  ["antenna, fine thread", "round", null, true, "the nut turns, not the plug"],
  ["antenna, wide thread", "round", null, true, "the nut turns, not the plug"],
  ["antenna, quarter turn", "round", null, true, "push, then a quarter to the right"],
  ["USB-A", "usb-a", 4, true, "the tongue faces up"],
  ["USB-C", "usb-c", 24, false, "either way round"],
  ["serial, nine-pin", "serial", 9, true, "the wide side up"],
];

type DemoLead = {
  readonly tag: string;
  readonly kind?: "cable" | "programmer" | "card";
  readonly ends: readonly [radio: string, computer?: string];
  readonly chip?: readonly [family: string, grade: Grade];
  readonly charges?: true;
  readonly condition?: "worn" | "broken" | "lost";
  readonly with?: string;
  readonly place?: string;
  readonly note?: string;
};
export const LEADS: readonly DemoLead[] = [
  { tag: "K-01", ends: ["two-pin, right-angled", "USB-A"], chip: ["Bramble 2", "genuine"] },
  { tag: "K-02", ends: ["two-pin, straight", "USB-A"], chip: ["Bramble 2", "genuine"] },
  {
    tag: "K-03",
    ends: ["two-pin, right-angled", "USB-A"],
    chip: ["Teasel 340", "clone"],
    note: "came in a bag without a name",
  },
  {
    tag: "K-04",
    ends: ["two-pin, right-angled", "USB-A"],
    chip: ["", "unknown"],
    note: "answers with an id nobody knows",
  },
  { tag: "K-05", ends: ["two-pin, straight", "USB-A"], chip: ["Bramble 2", "clone"] },
  {
    tag: "K-06",
    ends: ["round, four contacts", "USB-A"],
    chip: ["Teasel 340", "genuine"],
    condition: "lost",
    note: "last seen in the van",
  },
  { tag: "K-07", ends: ["two-pin, right-angled", "USB-A"], chip: ["Bramble 2", "genuine"] },
  { tag: "K-08", ends: ["six-pin, screwed", "USB-A"], chip: ["Sedge X", "genuine"], condition: "worn" },
  { tag: "K-09", ends: ["two-pin, right-angled", "USB-A"], charges: true, note: "charge only, marked red" },
  { tag: "K-10", ends: ["eight-pin, behind the panel", "USB-A"], chip: ["Teasel 340", "genuine"] },
  { tag: "K-11", ends: ["USB-C", "USB-A"], charges: true, note: "for charging the Herons" },
  { tag: "K-12", ends: ["USB-C", "USB-A"], note: "data; the radio has its own port inside" },
  { tag: "K-13", ends: ["serial, nine-pin", "serial, nine-pin"], with: "Bram", note: "goes with box X-1" },
  {
    tag: "K-14",
    ends: ["two-pin, right-angled", "USB-A"],
    chip: ["Bramble 2", "genuine"],
    condition: "lost",
  },
  {
    tag: "K-15",
    ends: ["six-pin, screwed", "USB-A"],
    chip: ["Sedge X", "genuine"],
    condition: "broken",
    note: "pin 3 bent off",
  },
  { tag: "C-01", kind: "card", ends: ["memory card", "memory card"] },
  { tag: "B-01", kind: "programmer", ends: ["two-pin, right-angled"] },
  { tag: "B-02", kind: "programmer", ends: ["six-pin, screwed"] },
  { tag: "B-03", kind: "programmer", ends: ["two-pin, straight"], with: "Tobin" },
];

export const ADAPTERS = [
  { tag: "A-1", kind: "on-the-go", ends: ["USB-A", "USB-C"], note: "for phones and tablets" },
  { tag: "A-2", kind: "usb", ends: ["USB-A", "USB-C"], note: "" },
  {
    tag: "A-3",
    kind: "serial",
    ends: ["serial, nine-pin", "USB-A"],
    chip: ["Teasel 340", "clone"],
    note: "",
  },
  {
    tag: "X-1",
    kind: "box",
    ends: ["seven contacts, oblong", "serial, nine-pin"],
    note: "needs its own 9 V",
  },
] as const;

/** What goes on antenna sockets; nothing of ours fits the quarter turn of the Oxbow 4. */
export const ANTENNAS = [
  {
    tag: "AN-1",
    kind: "adapter",
    ends: ["antenna, fine thread", "antenna, wide thread"],
    what: "to the dummy load",
  },
  { tag: "AN-2", kind: "antenna", ends: ["antenna, wide thread"], what: "magnet foot, 2 m and 70 cm" },
] as const;

export const DRIVERS = ["Bramble port driver", "Teasel port driver"] as const;

type DemoTool = {
  readonly name: string;
  readonly runsOn: readonly string[];
  readonly knows: readonly string[];
  readonly matches?: true;
  readonly note: string;
};
/** In the lines that the form takes. */
export const TOOLS: readonly DemoTool[] = [
  {
    name: "Hedgewriter",
    runsOn: ["Windows >= 7", "Linux >= 20"],
    knows: ["Wicket: read, write, flash", "Wicket II: read, write, flash; >= 1.6"],
    note: "",
  },
  { name: "Heronry", runsOn: ["Windows >= 10, 64 bit"], knows: ["Heron: read, write, flash"], note: "" },
  {
    name: "Tollgate",
    runsOn: ["Windows >= 10", "macOS >= 12"],
    knows: ["Sorrel DM: read, write, flash", "Sorrel S: read, write; >= 2.8", "Sorrel S: flash; >= 2.10"],
    note: "pick Sorrel DM for the Sorrel S",
  },
  {
    name: "Reed app",
    runsOn: ["Android >= 12", "iOS >= 16"],
    knows: ["Pocketreed: read, flash"],
    note: "wants the phone above half charge",
  },
  {
    name: "Clasp app",
    runsOn: ["Android >= 12", "iOS >= 16"],
    knows: ["Clasp: read, flash", "Wicket: read, write", "Tussock: read, write"],
    note: "wants location, and an account of the maker's",
  },
  {
    name: "Marlworks",
    runsOn: ["Windows >= 10"],
    knows: ["Marl 40: read, write, flash; >= 4.0", "Marl 80: read, write, flash; >= 5.0"],
    matches: true,
    note: "its version goes with the panel's",
  },
  {
    name: "Hummock",
    runsOn: ["Windows >= 10"],
    knows: ["Tussock: read, write, flash"],
    note: "on the maker's disc",
  },
  {
    name: "Oxbow writer",
    runsOn: ["Windows <= 7, 32 bit"],
    knows: ["Oxbow 4: read, write"],
    note: "only this old one",
  },
];

type DemoComputer = {
  readonly name: string;
  readonly kind: "computer" | "phone" | "tablet";
  readonly system: "Windows" | "Linux" | "macOS" | "Android";
  readonly version: string;
  readonly bits: 32 | 64;
  readonly ports: readonly string[];
  readonly bluetooth: boolean;
  readonly admin: boolean;
  readonly place: string;
  readonly drivers: Readonly<Record<string, string>>;
  readonly tools: Readonly<Record<string, string>>;
  readonly note?: string;
};
export const COMPUTERS: readonly DemoComputer[] = [
  {
    name: "Reed desk",
    kind: "computer",
    system: "Windows",
    version: "11",
    bits: 64,
    ports: ["USB-A", "USB-C"],
    bluetooth: true,
    admin: true,
    place: "HUT",
    drivers: { "Bramble port driver": "3.5", "Teasel port driver": "1.1" },
    tools: { Hedgewriter: "1.8", Heronry: "2.4", Tollgate: "2.12", Marlworks: "5.1" },
  },
  {
    name: "Fen desk",
    kind: "computer",
    system: "Linux",
    version: "22.04",
    bits: 64,
    ports: ["USB-A"],
    bluetooth: false,
    admin: true,
    place: "HUT",
    drivers: {},
    tools: { Hedgewriter: "1.6" },
  },
  {
    name: "Old Grebe",
    kind: "computer",
    system: "Windows",
    version: "7",
    bits: 32,
    ports: ["USB-A", "serial, nine-pin"],
    bluetooth: false,
    admin: true,
    place: "HUT",
    drivers: { "Bramble port driver": "3.1" },
    tools: { "Oxbow writer": "3.0", Hedgewriter: "1.2" },
    note: "not on the network; do not update it",
  },
  {
    name: "Alder laptop",
    kind: "computer",
    system: "macOS",
    version: "14",
    bits: 64,
    ports: ["USB-C"],
    bluetooth: true,
    admin: false,
    place: "VAN",
    drivers: {},
    tools: { Tollgate: "2.8" },
    note: "belongs to the canal trust; nothing may be installed",
  },
  {
    name: "Moth phone",
    kind: "phone",
    system: "Android",
    version: "14",
    bits: 64,
    ports: ["USB-C"],
    bluetooth: true,
    admin: true,
    place: "HUT",
    drivers: {},
    tools: { "Reed app": "4.2", "Clasp app": "3.2" },
  },
  {
    name: "Tern tablet",
    kind: "tablet",
    system: "Android",
    version: "13",
    bits: 64,
    ports: ["USB-C"],
    bluetooth: true,
    admin: true,
    place: "VAN",
    drivers: {},
    tools: { "Reed app": "3.9" },
  },
];

type DemoRule = {
  readonly family: string;
  readonly grade?: Grade;
  readonly system: "Windows" | "Linux" | "macOS";
  readonly versions?: string;
  readonly says: "built-in" | "needs" | "must-not" | "no-support";
  readonly driver?: (typeof DRIVERS)[number];
  readonly range?: string;
  readonly from: readonly [SourceKind, string];
};
const [BRAMBLE, TEASEL] = DRIVERS;
export const RULES: readonly DemoRule[] = [
  {
    family: "Bramble 2",
    system: "Windows",
    versions: ">= 10",
    says: "needs",
    driver: BRAMBLE,
    range: ">= 3.0",
    from: ["maker", "the chip maker's page"],
  },
  {
    family: "Bramble 2",
    system: "Windows",
    versions: "< 10",
    says: "needs",
    driver: BRAMBLE,
    range: "2.0 to 3.3",
    from: ["maker", "the chip maker's page"],
  },
  {
    family: "Bramble 2",
    grade: "clone",
    system: "Windows",
    says: "needs",
    driver: BRAMBLE,
    range: ">= 2.0",
    from: ["bench", "the evening with S-05"],
  },
  {
    family: "Bramble 2",
    grade: "clone",
    system: "Windows",
    says: "must-not",
    driver: BRAMBLE,
    range: ">= 3.4",
    from: ["bench", "the evening with S-05"],
  },
  { family: "Bramble 2", system: "Linux", says: "built-in", from: ["bench", "always went by itself"] },
  {
    family: "Bramble 2",
    system: "macOS",
    versions: ">= 12",
    says: "built-in",
    from: ["maker", "the chip maker's page"],
  },
  {
    family: "Bramble 2",
    system: "macOS",
    says: "no-support",
    from: ["hearsay", "somebody at the spring fair"],
  },
  {
    family: "Teasel 340",
    system: "Windows",
    says: "needs",
    driver: TEASEL,
    range: ">= 1.2",
    from: ["maker", "a leaflet with the lead"],
  },
  {
    family: "Teasel 340",
    grade: "clone",
    system: "Windows",
    says: "no-support",
    from: ["bench", "tried it for a whole evening"],
  },
  {
    family: "Teasel 340",
    system: "Linux",
    says: "built-in",
    from: ["club", "the Alderholt keepers' noticeboard"],
  },
  {
    family: "Sedge X",
    system: "Windows",
    versions: ">= 10",
    says: "built-in",
    from: ["maker", "a leaflet with the lead"],
  },
  {
    family: "Sedge X",
    system: "Linux",
    versions: "< 24",
    says: "no-support",
    from: ["bench", "Fen desk does not see it"],
  },
];

/** Days ago, who, on which radio, lead, computer, tool, and how it went; times over. */
export const ATTEMPTS: readonly (readonly [
  ago: number,
  who: string,
  unit: string,
  lead: string,
  computer: string,
  tool: string,
  worked: boolean,
  symptom?: string,
])[] = [
  [655, "Wren", "W-03", "K-07", "Reed desk", "Hedgewriter", true],
  [402, "Juno", "W-01", "K-07", "Reed desk", "Hedgewriter", true],
  [265, "Juno", "W-03", "K-07", "Reed desk", "Hedgewriter", true],
  [196, "Tobin", "W-02", "K-07", "Reed desk", "Hedgewriter", true],
  [130, "Juno", "W-07", "K-07", "Reed desk", "Hedgewriter", true],
  [121, "Juno", "W-01", "K-07", "Reed desk", "Hedgewriter", true],
  [88, "Juno", "W-04", "K-01", "Reed desk", "Hedgewriter", true],
  [60, "Juno", "W-05", "K-01", "Reed desk", "Hedgewriter", true],
  [372, "Bram", "S-05", "K-05", "Reed desk", "Tollgate", false, "the port appears and vanishes again"],
  [372, "Bram", "S-05", "K-02", "Reed desk", "Tollgate", true],
  [70, "Tobin", "S-03", "K-02", "Reed desk", "Tollgate", true],
  [41, "Tobin", "S-02", "K-02", "Reed desk", "Tollgate", true],
  [40, "Juno", "S-01", "K-02", "Reed desk", "Tollgate", true],
  [
    39,
    "Tobin",
    "S-08",
    "K-02",
    "Reed desk",
    "Tollgate",
    false,
    "stopped at 90 %, went through the second time",
  ],
  [141, "Bram", "W-12", "K-09", "Reed desk", "Hedgewriter", false, "no port appears"],
  [140, "Bram", "W-12", "K-04", "Reed desk", "Hedgewriter", false, "device not recognised"],
  [139, "Bram", "W-12", "K-04", "Reed desk", "Hedgewriter", false, "device not recognised"],
  [139, "Bram", "W-11", "K-04", "Reed desk", "Hedgewriter", false, "device not recognised"],
  [120, "Tobin", "W-02", "K-04", "Reed desk", "Hedgewriter", false, "another cord, the same"],
  [12, "Tobin", "H-03", "K-12", "Reed desk", "Heronry", true],
  [12, "Tobin", "H-05", "K-12", "Reed desk", "Heronry", true],
  [12, "Tobin", "H-06", "K-12", "Reed desk", "Heronry", true],
  [11, "Juno", "H-08", "K-12", "Reed desk", "Heronry", true],
  [11, "Juno", "H-09", "K-12", "Reed desk", "Heronry", false, "the radio went to sleep"],
];

export const GEAR = [
  {
    tag: "CH-1",
    kind: "charger",
    what: "six bays, for the Wickets",
    rating: "230 V, 60 W",
    error: "",
    places: 6,
  },
  {
    tag: "CH-3",
    kind: "charger",
    what: "two USB sockets in the hut",
    rating: "5 V, 3 A",
    error: "",
    places: 2,
  },
  {
    tag: "CH-2",
    kind: "charger",
    what: "one bay, for the Sorrels",
    rating: "5 V, 1 A",
    error: "",
    condition: "broken",
  },
  { tag: "PS-1", kind: "supply", what: "bench supply", rating: "13.8 V, 20 A", error: "" },
  {
    tag: "DL-1",
    kind: "dummy load",
    what: "oil-filled can",
    rating: "50 W for 1 min, then rest 5 min",
    error: "",
    socket: "antenna, wide thread",
  },
  { tag: "MW-1", kind: "meter", what: "power meter", rating: "up to 200 W", error: "10 % of full scale" },
  {
    tag: "MS-1",
    kind: "meter",
    what: "pocket spectrum meter",
    rating: "up to 3 GHz",
    error: "2 dB",
  },
  {
    tag: "MF-1",
    kind: "meter",
    what: "frequency counter",
    rating: "up to 1 GHz",
    error: "2 parts in a million",
  },
] as const;

/** Invented ids, of a vendor that does not exist. */
export const USB_IDS: readonly (readonly [vendor: number, product: number, family: string, name: string])[] =
  [
    [0xf1c7, 0x2001, "Bramble 2", "Bramble 2 bridge (fictive)"],
    [0xf1c7, 0x3400, "Teasel 340", "Teasel 340 bridge (fictive)"],
    [0xf1c7, 0x5e01, "Sedge X", "Sedge X bridge (fictive)"],
    [0xf1c7, 0x0c0a, "", "Heron's own port (fictive)"],
  ];

type DemoOffer = {
  readonly name: string;
  readonly seller: string;
  readonly price: number;
  readonly gives: "lead" | "adapter";
  readonly kind: string;
  readonly ends: readonly [string, string?];
  readonly chip?: readonly [string, Grade];
};
export const OFFERS: readonly DemoOffer[] = [
  {
    name: "Panel lead for the Marl 80",
    seller: "the spring fair",
    price: 3800,
    gives: "lead",
    kind: "cable",
    ends: ["six-pin or eight-pin, by hardware", "USB-A"],
    chip: ["Sedge X", "genuine"],
  },
  {
    name: "Two-pin straight lead, Bramble 2",
    seller: "the spring fair",
    price: 1450,
    gives: "lead",
    kind: "cable",
    ends: ["two-pin, straight", "USB-A"],
    chip: ["Bramble 2", "genuine"],
  },
  {
    name: "Two-pin straight lead, cheap",
    seller: "a market stall",
    price: 490,
    gives: "lead",
    kind: "cable",
    ends: ["two-pin, straight", "USB-A"],
    chip: ["Bramble 2", "clone"],
  },
  {
    name: "Round lead, four contacts",
    seller: "the maker",
    price: 2950,
    gives: "lead",
    kind: "cable",
    ends: ["round, four contacts", "USB-A"],
    chip: ["Sedge X", "genuine"],
  },
  {
    name: "Eight-pin panel lead, Sedge X",
    seller: "the maker",
    price: 3300,
    gives: "lead",
    kind: "cable",
    ends: ["eight-pin, behind the panel", "USB-A"],
    chip: ["Sedge X", "genuine"],
  },
  {
    name: "Base set lead, eight contacts",
    seller: "the maker",
    price: 4100,
    gives: "lead",
    kind: "cable",
    ends: ["round, eight contacts", "USB-A"],
    chip: ["Bramble 2", "genuine"],
  },
  {
    name: "Card reader, USB-A",
    seller: "the ironmonger",
    price: 850,
    gives: "adapter",
    kind: "usb",
    ends: ["memory card", "USB-A"],
  },
  {
    name: "Box from round, four contacts, to two-pin",
    seller: "a market stall",
    price: 1200,
    gives: "adapter",
    kind: "box",
    ends: ["round, four contacts", "two-pin, straight"],
  },
];
