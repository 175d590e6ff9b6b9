// What is measured of a radio, each kind once: its unit, how it may be typed, how it is said.
import { type Units, WATTS } from "../quantities/index.ts";

type Kind = {
  /** The unit that it is kept in. */
  readonly unit: string;
  readonly label: string;
  /** How what a meter shows may be typed: with a unit, or with nothing behind it. */
  readonly typed: Units;
  /** It may lie below nothing: it is a difference. */
  readonly signed?: true;
  /** It says nothing without the frequency on which it was measured. */
  readonly needsFrequency?: true;
};

export const MEASURED_KINDS = {
  power: { unit: "W", label: "power, in watts", typed: WATTS },
  current: {
    unit: "A",
    label: "current when transmitting, in amperes",
    typed: { "": 1, a: 1, ma: 0.001 },
  },
  sensitivity: {
    unit: "µV",
    label: "sensitivity, in microvolts",
    typed: { "": 1, µv: 1, uv: 1, mv: 1000 },
  },
  "frequency error": {
    unit: "Hz",
    label: "frequency error, in hertz: above is plus",
    typed: { "": 1, hz: 1, khz: 1000 },
    signed: true,
    needsFrequency: true,
  },
} as const satisfies Readonly<Record<string, Kind>>;
export type MeasuredKind = keyof typeof MEASURED_KINDS;
export const MEASURED = Object.keys(MEASURED_KINDS) as [MeasuredKind, ...MeasuredKind[]];
export const measuredKind = (kind: MeasuredKind): Kind => MEASURED_KINDS[kind];
