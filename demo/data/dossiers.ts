// Dossiers of the demo's models: what they are known by, their keys, how things are done, what is odd about them.
import type { Effect, Identity, PartReading, Purpose } from "#core/dossier/index.ts";
import type { SourceKind } from "#core/quantities/index.ts";

type Known = readonly [kind: SourceKind, what: string];
/** Days ago, by whom, on which version. */
type Seen = readonly [ago: number, who: string, version: string];

export type DemoProcedure = {
  readonly purpose: Purpose;
  readonly title: string;
  readonly effect?: Effect;
  readonly steps: string;
  readonly firmware?: readonly [component: string, range: string];
  readonly revisions?: readonly string[];
  readonly minutes?: number;
  readonly source: Known;
  readonly seen?: readonly Seen[];
};

export type DemoQuirk = {
  readonly symptom: string;
  readonly cause?: string;
  readonly cure?: string;
  readonly firmware?: readonly [component: string, range: string];
  readonly source: Known;
  readonly seen?: readonly Seen[];
};

export type DemoDossier = {
  /** Where what it is known by, and how its parts are read, come from. */
  readonly known: Known;
  readonly identity: Partial<Identity>;
  readonly reading: Readonly<Record<string, PartReading>>;
  readonly procedures: readonly DemoProcedure[];
  readonly quirks: readonly DemoQuirk[];
};

const KEYPAD = [
  ["1", "2", "3"],
  ["4", "5", "6"],
  ["7", "8", "9"],
  ["*", "0", "#"],
];

const leaflet: Known = ["maker", "the leaflet in the box"];
const bench: Known = ["bench", "an evening in the boathouse"];
const club: Known = ["club", "the Alderholt keepers' noticeboard"];
const hearsay: Known = ["hearsay", "somebody at the spring fair"];

export const DOSSIERS: Readonly<Record<string, DemoDossier>> = {
  Wicket: {
    known: leaflet,
    identity: {
      soldAs: ["Wicket Plus", "Gatekeeper 5"],
      stability: 2.5,

      plugs: ["two-pin, right-angled"],
      antennaSocket: "antenna, fine thread",
      labels: ["FW-5W", "Wicket"],
      screens: ["WICKET", "26 VER"],
      layout: {
        body: "handheld",
        screen: true,
        lamp: "top",
        antenna: true,
        knobs: ["knob"],
        top: [],
        left: ["talk", "s1", "s2"],
        right: [],
        rows: KEYPAD,
      },
    },
    reading: {
      main: { where: "menu", how: "menu 26, or for a second at power-on", sample: "VER 1.14" },
    },
    procedures: [
      {
        purpose: "read-version",
        title: "Read the version in the menu",
        steps: "turn on\npress *, 2, 6\nwatch screen VER and the number",
        source: leaflet,
        minutes: 1,
        seen: [
          [60, "Juno", "1.14"],
          [22, "Juno", "1.08"],
        ],
      },
      {
        purpose: "update-mode",
        title: "Enter update mode",
        steps:
          "turn off\nhold talk + 5, turn on; lamp amber; screen dark; sound no beep\nnote let go once the lamp is lit",
        source: leaflet,
        minutes: 1,
        seen: [
          [265, "Juno", "1.08"],
          [196, "Tobin", "1.14"],
          [121, "Juno", "1.14"],
        ],
      },
      {
        purpose: "factory-reset",
        title: "Reset to what it was when new",
        effect: "erase",
        steps: 'turn off\nhold talk + 6, turn on; screen "INIT ?"\npress #\nwatch lamp green; 10 s',
        source: bench,
        minutes: 2,
        seen: [[372, "Bram", "1.08"]],
      },
      {
        purpose: "flash",
        title: "Flash with the data lead",
        effect: "erase",
        steps:
          "connect the data lead to the side plug until it clicks\nport the one that appears when the lead is plugged in\nfile the one named like the release\ntool Hedgewriter: write, and keep hands off\nwatch lamp green and steady; 5 min\nturn off\nwait 10 s\nturn on",
        firmware: ["main", ">= 1.06"],
        source: leaflet,
        minutes: 6,
        seen: [
          [196, "Tobin", "1.14"],
          [121, "Juno", "1.14"],
        ],
      },
      {
        purpose: "recover",
        title: "When it stopped half way",
        effect: "erase",
        steps:
          "turn off\nconnect the lead again, and press the plug home\nhold talk + 5, turn on; lamp amber; screen dark\ntool Hedgewriter: write the same file again\nnote it looks dead until the write is through; that is not the end of it",
        source: bench,
        minutes: 8,
        seen: [[430, "Tobin", "1.08"]],
      },
      {
        purpose: "service-menu",
        title: "Open the service menu",
        effect: "unlock",
        steps:
          "turn off\nhold talk + 5 + s1, turn on; screen SVC\nconfirm nobody changes anything in it without a note of what stood there",
        source: club,
        minutes: 1,
      },
      {
        purpose: "back-up",
        title: "Read it out and keep the file",
        steps:
          "connect the data lead\ntool Hedgewriter: read\nfile a new one, named with the tag and the date; never over an old one\nconfirm the file is not empty",
        source: bench,
        minutes: 3,
        seen: [[121, "Juno", "1.14"]],
      },
      {
        purpose: "restore",
        title: "Write the settings back",
        effect: "erase",
        steps:
          "connect the data lead\nfile the backup of this very radio\ntool Hedgewriter: write\nwatch lamp off; 60 s",
        source: bench,
        minutes: 3,
        seen: [[121, "Juno", "1.14"]],
      },
    ],
    quirks: [
      {
        symptom: "“LO MEM” for a few seconds after a flash",
        cause: "it lays its memory out anew",
        cure: "goes away by itself; do not turn it off",
        firmware: ["main", ">= 1.10"],
        source: bench,
        seen: [
          [196, "Tobin", "1.14"],
          [121, "Juno", "1.14"],
        ],
      },
      {
        symptom: "The tone list is empty after using a second zone",
        cause: "1.12 writes it to the wrong place",
        cure: "leave 1.12; write the tones back from the backup",
        firmware: ["main", "= 1.12"],
        source: ["maker", "the withdrawal note"],
        seen: [[240, "Wren", "1.12"]],
      },
    ],
  },
  "Wicket II": {
    known: leaflet,
    identity: {
      soldAs: ["Gatekeeper 6"],
      plugs: ["two-pin, right-angled"],
      antennaSocket: "antenna, fine thread",
      labels: ["FW-6W", "Wicket II"],
      screens: ["WICKET II"],
      layout: {
        body: "handheld",
        screen: true,
        lamp: "top",
        antenna: true,
        knobs: ["ring"],
        top: ["red"],
        left: ["talk", "s1"],
        right: [],
        rows: KEYPAD,
      },
    },
    reading: { main: { where: "power-on", how: "for a second, top line", sample: "V2.2.0" } },
    procedures: [
      {
        purpose: "read-version",
        title: "Catch the version at power-on",
        steps: "turn on\nwatch screen the top line, V and the number; 2 s",
        source: leaflet,
        minutes: 1,
        seen: [[120, "Juno", "2.2.0"]],
      },
      {
        purpose: "update-mode",
        title: "Enter update mode",
        steps: "turn off\nhold talk + red, turn on; lamp amber; screen blank but lit",
        source: leaflet,
        minutes: 1,
        seen: [[120, "Juno", "2.2.0"]],
      },
      {
        purpose: "factory-reset",
        title: "Reset the menu",
        effect: "erase",
        steps: "turn off\nhold red, turn on, 5 s; screen RESET",
        source: leaflet,
        minutes: 1,
      },
    ],
    quirks: [
      {
        symptom: "The battery mark says half when it is empty",
        cause: "the gauge is read too seldom",
        cure: "2.2.0 mends it on revision B; on A count the hours",
        firmware: ["main", "< 2.2.0"],
        source: leaflet,
      },
    ],
  },
  Heron: {
    known: leaflet,
    identity: {
      bluetooth: { shows: "QH-200", afterReset: "off" },
      plugs: ["six-pin, screwed", "USB-C"],
      labels: ["QH-200", "Heron"],
      screens: ["HERON", "About"],
      layout: {
        body: "handheld",
        screen: true,
        lamp: "top",
        antenna: true,
        knobs: ["volume", "channel"],
        top: ["orange"],
        left: ["talk", "up", "down"],
        right: [],
        rows: [["menu", "back"], ["left", "ok", "next"], ...KEYPAD],
      },
    },
    reading: {
      main: { where: "menu", how: "menu, Device, About; first line", sample: "Main 2.2.0" },
      bluetooth: { where: "menu", how: "the same page, last line", sample: "BT 1.4" },
    },
    procedures: [
      {
        purpose: "read-version",
        title: "Read both versions",
        steps: "turn on\nmenu Device > About\nwatch screen Main and BT with their numbers",
        source: leaflet,
        minutes: 1,
        seen: [
          [30, "Tobin", "2.2.0"],
          [12, "Juno", "2.2.0"],
        ],
      },
      {
        purpose: "update-mode",
        title: "Enter update mode",
        steps: "turn off\nhold talk + orange, turn on; lamp red, then green; screen UPDATE",
        source: leaflet,
        minutes: 1,
        seen: [[12, "Juno", "2.2.0"]],
      },
      {
        purpose: "change-mode",
        title: "Switch the wide mode",
        effect: "unlock",
        steps:
          "turn off\nhold talk + up, turn on, 3 s; screen WIDE\nnote receiving more is no permission to transmit more; the licence and local rules decide",
        source: hearsay,
        minutes: 1,
      },
      {
        purpose: "flash",
        title: "Flash over USB",
        effect: "erase",
        steps:
          "confirm the Bluetooth part is at 1.3 or newer\nconnect USB-C under the flap; it must click\ntool Heronry: update, and pick the QH-200\nwatch lamp blinks green; 10 min\nwait 20 s\nconfirm About shows the new number",
        firmware: ["main", ">= 2.1.4"],
        source: leaflet,
        minutes: 9,
        seen: [[12, "Juno", "2.2.0"]],
      },
    ],
    quirks: [
      {
        symptom: "The talk button drops after ten minutes",
        cause: "it was paired under Link, which is for cars",
        cure: "pair it again under Audio; hold time 5 s, never zero",
        source: bench,
        seen: [[190, "Juno", "2.1.4"]],
      },
      {
        symptom: "Does not reconnect by itself after a write",
        cause: "the write resets the Bluetooth part, and nothing tells the button",
        cure: "turn the button off and on",
        firmware: ["bluetooth", ">= 1.3"],
        source: bench,
        seen: [[12, "Juno", "2.2.0"]],
      },
      {
        symptom: "Contacts speak with the wrong names after a new list",
        cause: "the list of talkgroups is kept by position",
        cure: "only append to it; never sort it",
        source: club,
      },
    ],
  },
  "Sorrel DM": {
    known: club,
    identity: {
      soldAs: ["Sorrel Digital"],
      plugs: ["two-pin, straight"],
      antennaSocket: "antenna, fine thread",
      labels: ["TB-D4", "Sorrel DM"],
      screens: ["SORREL"],
      layout: {
        body: "handheld",
        screen: true,
        lamp: "front",
        antenna: true,
        knobs: ["knob"],
        top: [],
        left: ["talk", "f1", "f2"],
        right: ["alarm"],
        rows: [["up", "down"], ...KEYPAD],
      },
    },
    reading: {
      main: { where: "power-on", how: "two seconds, last line; or in the tool", sample: "20260903" },
    },
    procedures: [
      {
        purpose: "read-version",
        title: "Catch the date at power-on",
        steps: "turn on\nwatch screen eight figures on the last line; 2 s",
        source: bench,
        minutes: 1,
        seen: [[39, "Tobin", "the newest"]],
      },
      {
        purpose: "update-mode",
        title: "Enter update mode",
        steps: "turn off\nhold talk + f2, turn on; lamp red; screen dark",
        source: leaflet,
        minutes: 1,
      },
      {
        purpose: "factory-reset",
        title: "Clear all channels",
        effect: "erase",
        steps: "turn off\nhold talk + f1, turn on, 4 s; screen CLEAR",
        source: club,
        minutes: 1,
      },
    ],
    quirks: [
      {
        symptom: "The tool says there is no radio",
        cause: "the lead's clone chip and the new driver",
        cure: "take a lead with a genuine chip (K-02)",
        source: bench,
        seen: [[372, "Bram", "an older one"]],
      },
    ],
  },
  "Sorrel S": {
    known: club,
    identity: {
      soldAs: ["Sorrel Grey"],
      pickInTool: "Sorrel DM; the tool does not list the Sorrel S",
      plugs: ["two-pin, straight"],
      antennaSocket: "antenna, fine thread",
      labels: ["TB-D4S", "Sorrel S"],
      screens: ["SORREL"],
      layout: {
        body: "handheld",
        screen: true,
        lamp: "front",
        antenna: true,
        knobs: ["knob"],
        top: [],
        left: ["talk", "f1"],
        right: [],
        rows: [["up", "down"], ...KEYPAD],
      },
    },
    reading: {
      main: { where: "power-on", how: "two seconds, last line, with -s behind it", sample: "20260903-s" },
    },
    procedures: [
      {
        purpose: "update-mode",
        title: "Enter update mode",
        steps:
          "turn off\nhold talk + f1, turn on; lamp red; screen dark\nnote on the Sorrel DM the same keys clear all channels",
        source: bench,
        minutes: 1,
        seen: [[77, "Bram", "the newest"]],
      },
    ],
    quirks: [
      {
        symptom: "The tool refuses the file",
        cause: "it was picked as another model",
        cure: "pick Sorrel DM",
        source: bench,
        seen: [[77, "Bram", "the newest"]],
      },
    ],
  },
  Tussock: {
    known: bench,
    identity: {
      plugs: ["round, four contacts"],
      labels: ["QT-80", "Tussock"],
      screens: ["TUSSOCK"],
      layout: {
        body: "handheld",
        screen: true,
        lamp: "top",
        antenna: true,
        knobs: ["volume", "squelch"],
        top: [],
        left: ["talk", "moni"],
        right: [],
        rows: [["a", "b", "c", "d"]],
      },
    },
    reading: { main: { where: "keys", how: "hold moni while turning it on", sample: "310726-n" } },
    procedures: [
      {
        purpose: "read-version",
        title: "Show the version",
        steps: "turn off\nhold moni, turn on, 2 s; screen six figures and the region",
        source: leaflet,
        minutes: 1,
        seen: [[60, "Bram", "the newest"]],
      },
      {
        purpose: "factory-reset",
        title: "Reset it",
        effect: "erase",
        steps: "turn off\nhold moni + d, turn on, 5 s; screen RST",
        source: leaflet,
        minutes: 1,
      },
    ],
    quirks: [
      {
        symptom: "Crackles when a neighbour keys up",
        cure: "the newest release opens the squelch later",
        source: leaflet,
      },
    ],
  },
  Pocketreed: {
    known: leaflet,
    identity: {
      plugs: ["USB-C"],
      labels: ["HN-P1", "Pocketreed"],
      screens: [],
      layout: {
        body: "module",
        screen: false,
        lamp: "front",
        antenna: true,
        knobs: [],
        top: ["power"],
        left: [],
        right: ["talk"],
        rows: [],
      },
    },
    reading: {
      main: { where: "tool", how: "in the phone app, under the module's picture", sample: "v1.1a" },
    },
    procedures: [
      {
        purpose: "flash",
        title: "Update from the phone",
        steps:
          "confirm the phone's battery is above half; the app offers nothing below that, and does not say so\nconnect the module to the phone\ntool Reed app: module, update\nwatch lamp blinks blue; 4 min",
        source: bench,
        minutes: 5,
        seen: [[20, "Tobin", "v1.1a"]],
      },
      {
        purpose: "recover",
        title: "When the app no longer sees it",
        effect: "erase",
        steps: "connect nothing\nhold power + talk, 10 s; lamp white",
        source: club,
        minutes: 2,
      },
    ],
    quirks: [
      {
        symptom: "The app offers no update",
        cause: "it wants the phone's battery above half",
        cure: "charge the phone",
        source: bench,
        seen: [[333, "Wren", "v0.9a"]],
      },
    ],
  },
  "Marl 40": {
    known: leaflet,
    identity: {
      plugs: ["eight-pin, behind the panel", "memory card"],
      antennaSocket: "antenna, wide thread",
      labels: ["BW-M40", "Marl 40"],
      screens: ["MARL 40"],
      layout: {
        body: "mobile",
        screen: true,
        lamp: "front",
        antenna: false,
        knobs: ["volume", "dial"],
        top: [],
        left: ["mic talk"],
        right: [],
        rows: [
          ["l1", "l2", "scan", "band"],
          ["low", "tone", "call", "set"],
        ],
      },
    },
    reading: {
      main: { where: "keys", how: "hold l1 and l2 while turning it on; first line", sample: "MAIN B12" },
      panel: { where: "keys", how: "the same page, second line", sample: "PANEL 1.2" },
      dsp: { where: "keys", how: "the same page, third line", sample: "DSP 2.0" },
    },
    procedures: [
      {
        purpose: "read-version",
        title: "Read all three versions",
        steps: "turn off\nhold l1 + l2, turn on; screen MAIN, PANEL and DSP with their numbers",
        source: leaflet,
        minutes: 1,
        seen: [
          [110, "Tobin", "B12"],
          [8, "Juno", "B13"],
        ],
      },
      {
        purpose: "factory-reset",
        title: "Reset everything",
        effect: "erase",
        steps: "turn off\nhold l1 + set, turn on; screen RESET?\npress set",
        source: leaflet,
        minutes: 1,
      },
      {
        purpose: "flash",
        title: "Flash the DSP from a card",
        effect: "mode",
        steps:
          "turn off\nfile the one for the DSP, alone in the card's first folder\nconnect the card behind the panel\nhold l2 + call, turn on; screen DSP UPD\nwatch screen DONE; 8 min",
        firmware: ["main", ">= B07"],
        source: leaflet,
        minutes: 8,
        seen: [[110, "Tobin", "B12"]],
      },
    ],
    quirks: [
      {
        symptom: "Main B12 will not go on",
        cause: "it wants DSP 2.0 first",
        cure: "flash the DSP from a card, then the main",
        firmware: ["main", "< B12"],
        source: bench,
        seen: [[318, "Tobin", "B07"]],
      },
    ],
  },
  "Marl 80": {
    known: leaflet,
    identity: {
      plugs: ["six-pin or eight-pin, by hardware"],
      antennaSocket: "antenna, wide thread",
      labels: ["BW-M80", "Marl 80"],
      screens: ["MARL 80"],
      layout: {
        body: "mobile",
        screen: true,
        lamp: "none",
        antenna: false,
        knobs: ["volume", "dial"],
        top: [],
        left: ["mic talk"],
        right: [],
        rows: [["l1", "l2", "r1", "r2"]],
      },
    },
    reading: {
      main: { where: "keys", how: "hold l1 and r2 while turning it on", sample: "C3" },
      panel: { where: "keys", how: "the same page", sample: "P1.4" },
    },
    procedures: [
      {
        purpose: "read-version",
        title: "Read both versions",
        steps: "turn off\nhold l1 + r2, turn on; screen C and P with their numbers",
        source: bench,
        minutes: 1,
        seen: [[260, "Bram", "C3"]],
      },
    ],
    quirks: [
      {
        symptom: "The heat sink burns fingers",
        cause: "the fan starts late on C3",
        cure: "low power only, until C4 is on; that wants the newer panel",
        firmware: ["main", "<= C3"],
        source: ["maker", "the safety note for C4"],
      },
    ],
  },
  "Oxbow 4": {
    known: hearsay,
    identity: {
      plugs: ["seven contacts, oblong"],
      antennaSocket: "antenna, quarter turn",
      labels: ["BW-OX4", "Oxbow 4"],
      screens: [],
      layout: {
        body: "mobile",
        screen: false,
        lamp: "front",
        antenna: false,
        knobs: ["volume"],
        top: [],
        left: ["mic talk"],
        right: [],
        rows: [["1", "2", "3", "4"]],
      },
    },
    reading: {
      main: {
        where: "tool",
        how: "only the old tool says it; the name is also on a label inside",
        sample: "MOORHEN",
      },
    },
    procedures: [
      {
        purpose: "back-up",
        title: "Read it with the old computer",
        steps:
          "connect the interface box, then the serial port, then power; in this order\ntool Oxbow tool: read\nwatch lamp blinks; 4 min\nfile a new one with the tag and the date",
        source: bench,
        minutes: 6,
        seen: [[600, "Bram", "Moorhen"]],
      },
    ],
    quirks: [
      {
        symptom: "The tool hangs at 99 %",
        cause: "a USB adapter in place of a true serial port",
        cure: "take the old 32-bit computer",
        source: bench,
        seen: [[600, "Bram", "Moorhen"]],
      },
    ],
  },
  "Lantern 2": {
    known: leaflet,
    identity: {
      plugs: ["memory card", "round, eight contacts"],
      labels: ["TB-L2", "Lantern 2"],
      screens: ["LANTERN"],
      layout: {
        body: "base",
        screen: true,
        lamp: "front",
        antenna: false,
        knobs: ["volume", "dial"],
        top: [],
        left: [],
        right: ["talk"],
        rows: [
          ["menu", "round", "lock"],
          ["f1", "f2", "f3"],
        ],
      },
    },
    reading: {
      main: { where: "menu", how: "round key first (the screen dims), then menu, Info", sample: "FW 1.3" },
    },
    procedures: [
      {
        purpose: "read-version",
        title: "Read the version",
        steps: "press round\nmenu Info\nwatch screen FW and the number; 4 s",
        source: leaflet,
        minutes: 1,
        seen: [
          [200, "Tobin", "1.3"],
          [50, "Tobin", "1.31"],
        ],
      },
      {
        purpose: "flash",
        title: "Update from a card",
        steps:
          "file the one for the Lantern, alone on the card\nturn off\nconnect the card\nhold f1 + f3, turn on; screen CARD\nwatch screen 100 %; 6 min\nnote the date may be wrong afterwards; set it",
        source: leaflet,
        minutes: 7,
        seen: [[50, "Tobin", "1.31"]],
      },
    ],
    quirks: [
      {
        symptom: "1.3 looks older than 1.26",
        cause: "the numbers are decimal fractions",
        cure: "1.3 came after 1.26; page 3 of the leaflet says so",
        source: leaflet,
        seen: [[601, "Bram", "1.26"]],
      },
    ],
  },
  "Lantern 3": {
    known: leaflet,
    identity: {
      plugs: ["memory card", "round, eight contacts"],
      labels: ["TB-L3", "Lantern 3"],
      screens: ["LANTERN 3"],
      layout: {
        body: "base",
        screen: true,
        lamp: "front",
        antenna: false,
        knobs: ["dial"],
        top: [],
        left: [],
        right: ["talk"],
        rows: [["menu", "back", "f1", "f2"]],
      },
    },
    reading: { main: { where: "menu", how: "menu, Info", sample: "1.20" } },
    procedures: [
      {
        purpose: "read-version",
        title: "Read the version",
        steps: "press menu\nmenu Info\nwatch screen the number in the corner",
        source: hearsay,
        minutes: 1,
      },
    ],
    quirks: [],
  },
  Clasp: {
    known: leaflet,
    identity: { plugs: ["USB-C"], labels: ["CLASP"], screens: [] },
    reading: { main: { where: "tool", how: "in its app, under About", sample: "1.6" } },
    procedures: [
      {
        purpose: "flash",
        title: "Update it from its app",
        steps:
          "confirm it is above half charge; the app begins below that, too, and stops half-way\nconnect its USB-C to the phone\ntool Clasp app: About, update\nwatch lamp quick blue; 4 min",
        source: leaflet,
        minutes: 6,
        seen: [[20, "Tobin", "1.6"]],
      },
    ],
    quirks: [
      {
        symptom: "It drops half-way through a large codeplug",
        firmware: ["main", "< 1.6"],
        cure: "update it; until then keep it on a charger while it writes",
        source: bench,
        seen: [[90, "Juno", "1.4"]],
      },
    ],
  },
};
