// What a club owns to reach into radios, and what is known of how it goes together. Chips are known by family; versions of systems, drivers and tools count number by number.
import type { Source } from "../quantities/index.ts";
import type { Way } from "../release/index.ts";
import type { Range } from "../version/index.ts";

export const GRADES = ["genuine", "clone", "unknown"] as const;
export type Grade = (typeof GRADES)[number];

/** A USB bridge chip. Family "" means that nobody knows which it is. */
export type Chip = { readonly family: string; readonly grade: Grade };

export const CONDITIONS = ["sound", "worn", "broken", "lost"] as const;
export type Condition = (typeof CONDITIONS)[number];

export const LEAD_KINDS = ["cable", "programmer", "card"] as const;
export type LeadKind = (typeof LEAD_KINDS)[number];

/** What goes between a radio and a computer: a cable, a Bluetooth programmer, or a memory card carried over. */
export type Lead = {
  readonly id: string;
  readonly tag: string;
  readonly kind: LeadKind;
  /** Connector at the radio. */
  readonly radioEnd: string;
  /** Connector at the computer; a programmer has none. */
  readonly computerEnd?: string;
  readonly chip?: Chip;
  readonly carriesData: boolean;
  readonly condition: Condition;
  /** Who has it, where somebody does. */
  readonly holder?: string;
};

export const ADAPTER_KINDS = ["on-the-go", "usb", "serial", "box"] as const;
export type AdapterKind = (typeof ADAPTER_KINDS)[number];

/** Joins two connectors, either way round. */
export type Adapter = {
  readonly id: string;
  readonly tag: string;
  readonly kind: AdapterKind;
  readonly ends: readonly [string, string];
  readonly chip?: Chip;
  readonly carriesData: boolean;
  readonly condition: Condition;
  readonly holder?: string;
};

export const SYSTEMS = ["Windows", "Linux", "macOS", "Android", "iOS"] as const;
export type System = (typeof SYSTEMS)[number];
export const COMPUTER_KINDS = ["computer", "phone", "tablet"] as const;
export type ComputerKind = (typeof COMPUTER_KINDS)[number];
export const WORD_SIZES = [32, 64] as const;
export type WordSize = (typeof WORD_SIZES)[number];

export type Computer = {
  readonly id: string;
  readonly name: string;
  readonly kind: ComputerKind;
  readonly system: System;
  /** As the system itself says it, such as "11" or "22.04". */
  readonly version: string;
  readonly bits: WordSize;
  /** Connectors of its ports. */
  readonly ports: readonly string[];
  readonly bluetooth: boolean;
  /** Somebody at the bench may install drivers on it. */
  readonly admin: boolean;
  readonly condition: Condition;
  /** Installed versions by driver and by tool. */
  readonly drivers: ReadonlyMap<string, string>;
  readonly tools: ReadonlyMap<string, string>;
};

export const RULE_SAYS = ["built-in", "needs", "must-not", "no-support"] as const;
export type RuleSays = (typeof RULE_SAYS)[number];

/** One piece of advice about a chip under a system. What is absent is left open. */
export type DriverRule = {
  readonly id: string;
  readonly family: string;
  readonly grade?: Grade;
  readonly system: System;
  readonly systemVersions?: Range;
  readonly bits?: WordSize;
  readonly says: RuleSays;
  /** Which driver it needs, or must not have; in which versions, if not in any. */
  readonly driver?: string;
  readonly range?: Range;
  readonly source: Source;
};

export const OPERATIONS = ["read", "write", "flash"] as const;
export type Operation = (typeof OPERATIONS)[number];

/** Under what a tool runs; what is absent is left open. */
export type RunsOn = {
  readonly system: System;
  readonly versions?: Range | undefined;
  readonly bits?: WordSize | undefined;
};

/** That a tool knows a model: for what, from which of its own versions on, and over which firmware. */
export type Support = {
  readonly model: string;
  readonly operations: readonly Operation[];
  readonly versions?: Range;
  readonly firmware?: { readonly component: string; readonly range: Range };
};

export type Tool = {
  readonly id: string;
  readonly name: string;
  /** Empty: nobody has noted where it runs. */
  readonly runsOn: readonly RunsOn[];
  readonly supports: readonly Support[];
  /** Its version has to go with the firmware of the radio. */
  readonly matchesFirmware: boolean;
};

/** Something that can be bought; `price` in the smallest coin of the club's currency, above nothing. */
export type Offer = { readonly id: string; readonly name: string; readonly price: number } & (
  | { readonly gives: "lead"; readonly lead: Omit<Lead, "id" | "tag" | "condition" | "holder"> }
  | { readonly gives: "adapter"; readonly adapter: Omit<Adapter, "id" | "tag" | "condition" | "holder"> }
);

/** One try at the bench, with what it was tried on as that stood then. */
export type Attempt = {
  readonly lead?: string;
  readonly computer: string;
  readonly tool?: string;
  readonly chip?: Chip;
  readonly driver?: string;
  readonly system: System;
  readonly systemVersion: string;
  readonly worked: boolean;
  /** Not one try but a settled matter: this never works together. */
  readonly settled?: boolean;
};

export type Kit = {
  readonly leads: readonly Lead[];
  readonly adapters: readonly Adapter[];
  readonly computers: readonly Computer[];
  readonly rules: readonly DriverRule[];
  readonly tools: readonly Tool[];
  readonly attempts: readonly Attempt[];
  readonly offers: readonly Offer[];
};

/** What is to be done, to which radio. */
export type Job = {
  readonly model: string;
  /** Connectors at the radio. */
  readonly plugs: readonly string[];
  readonly operation: Operation;
  /** By what it may go; empty: by anything. */
  readonly ways: readonly Way[];
  /** The software that a release asks for, by name. */
  readonly tool?: { readonly name: string; readonly range?: Range };
  /** Whether the firmware that the tool meets lies in a range; undefined where that is not known. */
  readonly meets?: (component: string, range: Range) => boolean | undefined;
};
