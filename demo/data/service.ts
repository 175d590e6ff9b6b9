// The demo's service menus, the codes that radio and tool must agree on, and what some radios are set to.
import type { SourceKind } from "#core/quantities/index.ts";

type Source = readonly [kind: SourceKind, what: string];
const sheet: Source = ["maker", "the service sheet"];
const bench: Source = ["bench", "looked at on three radios"];
const hearsay: Source = ["hearsay", "somebody at the spring fair"];

export type DemoSetting = {
  readonly name: string;
  readonly where: string;
  readonly meaning: string;
  readonly usual?: string;
  readonly never?: string;
  readonly source: Source;
};
export type DemoCode = {
  readonly name: string;
  readonly meaning: string;
  readonly tool: string;
  readonly symptom: string;
  readonly cure: string;
  readonly source: Source;
};

export const SETTINGS: Readonly<Record<string, readonly DemoSetting[]>> = {
  Wicket: [
    {
      name: "01 SQL-T",
      where: "service menu, first page",
      usual: "04",
      source: bench,
      meaning: "How tight the tightest squelch is.",
    },
    {
      name: "04 TOT",
      where: "service menu, first page",
      usual: "180",
      source: sheet,
      meaning: "After how many seconds it stops transmitting by itself.",
    },
    {
      name: "11 PA-HI",
      where: "service menu, second page",
      usual: "62",
      source: sheet,
      meaning: "Drive of the last stage at high power.",
      never: "above 70 it overheats within minutes; it is set with a meter and a load, or not at all",
    },
    {
      name: "12 REF",
      where: "service menu, second page",
      source: hearsay,
      meaning: "Trims the reference; each radio has its own value, on the label inside.",
      never: "it moves every channel at once, and the old value stands nowhere",
    },
  ],
  Heron: [
    {
      name: "VOX-G",
      where: "hidden menu 2",
      usual: "3",
      source: bench,
      meaning: "Gain of the microphone for hands-free keying.",
    },
    {
      name: "BT-PWR",
      where: "hidden menu 4",
      usual: "low",
      source: bench,
      meaning: "How strong its Bluetooth sends; high empties it in a day.",
    },
  ],
};

export const CODES: Readonly<Record<string, readonly DemoCode[]>> = {
  Tussock: [
    {
      name: "north",
      meaning: "sold for the northern region",
      tool: "Type N",
      source: sheet,
      symptom: "the tool says that the model does not match, at the first block",
      cure: "pick Type N in the tool, turn the radio off and on, begin again; nothing has been written yet",
    },
    {
      name: "west",
      meaning: "sold for the western region",
      tool: "Type W",
      source: sheet,
      symptom: "the tool says that the model does not match, at the first block",
      cure: "pick Type W in the tool, turn the radio off and on, begin again; nothing has been written yet",
    },
  ],
};

/** Days ago, the radio, the setting, its value, by whom, whether it was changed to that, why. */
export const SET: readonly (readonly [
  ago: number,
  tag: string,
  setting: string,
  value: string,
  who: string,
  changed: boolean,
  why: string,
])[] = [
  [150, "W-15", "04 TOT", "0", "Bram", true, "the net in the van talks for longer"],
  [150, "W-15", "11 PA-HI", "78", "Bram", true, "to reach the far sluice"],
  [120, "W-15", "01 SQL-T", "04", "Juno", false, ""],
  [140, "W-14", "01 SQL-T", "06", "Tobin", true, "hums beside the pump"],
  [140, "W-14", "12 REF", "117", "Tobin", false, ""],
  [96, "H-07", "BT-PWR", "high", "Bram", true, "for the headset in the next room"],
];
