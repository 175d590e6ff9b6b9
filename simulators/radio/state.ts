// What a simulated radio is and where it stands: plain data.
import type { PartReading, Signs } from "#core/dossier/index.ts";
import type { Erases } from "#core/release/index.ts";
import type { KnownWay } from "./atoms.ts";

/** What can be wrong between computer and radio. `at`: how far it gets, from 0 to 1. */
export const FAULTS = [
  "no-port",
  "port-fault",
  "no-answer",
  "loose-plug",
  "wrong-model",
  "battery-low",
] as const;
export type FaultKind = (typeof FAULTS)[number];
export type Fault = { readonly kind: FaultKind; readonly at?: number };

export type Errand =
  | { readonly kind: "read" }
  | { readonly kind: "write"; readonly content: Content }
  | { readonly kind: "flash"; readonly component: string; readonly version: string; readonly erases: Erases };

export type Work = {
  readonly errand: Errand;
  /** Instants in milliseconds. */
  readonly begun: number;
  readonly lasts: number;
  readonly stops?: { readonly at: number; readonly fault: FaultKind };
};

/** What all radios of a model have in common, with the procedures that hold for what this one runs. */
export type RadioKind = {
  readonly name: string;
  readonly ways: readonly KnownWay[];
  /** How each component, by name, shows its version. */
  readonly reading: Readonly<Record<string, PartReading>>;
};

/** Where it is once it is turned on. `dead`: a flash stopped half way; nothing but update mode wakes it. */
export type SimulatedMode = "normal" | "update" | "service" | "dead";

/** What is programmed into it: as it was when it came, nothing, or the bytes of a file. */
export type Content =
  | { readonly kind: "own" }
  | { readonly kind: "blank" }
  | { readonly kind: "file"; readonly sha256: string };

export type Radio = {
  readonly seed: number;
  readonly on: boolean;
  readonly place: SimulatedMode;
  /** What each component, by name, runs. */
  readonly runs: Readonly<Record<string, string>>;
  /** Of the battery, in percent. */
  readonly charge: number;
  readonly content: Content;
  readonly wide: boolean;
  /** The id of the mode that it was last brought into; absent: the one it came in. */
  readonly mode?: string;
  /** How many deeds of each procedure, by id, have been done one after the other. */
  readonly followed: Readonly<Record<string, number>>;
  readonly signs: Signs;
  readonly faults: readonly Fault[];
  readonly work?: Work;
  /** It was flashed and has not been turned on since. */
  readonly fresh: boolean;
};
