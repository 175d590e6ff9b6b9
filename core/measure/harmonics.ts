// Harmonics held against a limit, with the meter's error. A hobby meter is an indication, not a certificate.
import { z } from "zod";
import type { Interval } from "./power.ts";

/** A line of a spectrum: in hertz, and as the meter shows it, in dBm behind the attenuation. */
export const lineShape = z
  .object({
    frequency: z.number().int().positive().max(3e11, "That is beyond 300 GHz."),
    dbm: z.number().min(-300).max(200),
  })
  .readonly();
export type Line = z.output<typeof lineShape>;

export type SpectrumMeter = {
  /** Off by so many decibels either way; absent: nobody knows. */
  readonly error?: number;
  /** Below this it shows its own noise, in dBm. */
  readonly floor?: number;
  /** Above this its own front end makes harmonics, in dBm. */
  readonly most?: number;
};

/** The club's own entry, with where it has it from. `dbc`: so far below the carrier at least; `dbm`: no more than that. */
export const limitShape = z
  .object({
    name: z.string().trim().min(1, "It has a name.").max(60, "At most 60 signs."),
    dbc: z.number().positive("More than nothing.").max(200, "At most 200 dB.").optional(),
    dbm: z.number().min(-200, "At least -200 dBm.").max(100, "At most 100 dBm.").optional(),
    /** Where both are given: which counts; the stricter one if nobody says. */
    both: z.enum(["stricter", "laxer"]).optional(),
    source: z.string().trim().min(1, "Where is it from?").max(200, "At most 200 signs."),
  })
  .refine(({ dbc, dbm }) => dbc !== undefined || dbm !== undefined, {
    path: ["dbc"],
    message: "Say how far below the carrier, or how much at most, or both.",
  });
export type NamedLimit = Readonly<z.output<typeof limitShape>>;
export type Limit = Omit<NamedLimit, "name">;

export type LineVerdict = {
  /** 2 is twice the carrier. */
  readonly harmonic: number;
  readonly frequency: number;
  /** Against the carrier, in dB; `low` is minus infinity where only the floor was seen. */
  readonly dbc: Interval;
  /** At the radio, in dBm. */
  readonly dbm: Interval;
  /** The most it may have at the radio, in dBm. */
  readonly limit: Interval;
  readonly verdict: "passes" | "fails" | "cannot tell";
  readonly because?: "straddles" | "floor" | "front-end" | "no-limit" | "no-error";
};

/** So far off the multiple, as a share of the carrier, a line still counts as that harmonic. */
const NEAR = 0.02;

/** Which harmonic a line is; undefined: none. */
export function harmonicOf(carrier: number, frequency: number): number | undefined {
  const n = Math.round(frequency / carrier);
  return n >= 2 && Math.abs(frequency - n * carrier) <= NEAR * carrier ? n : undefined;
}

/**
 * Every harmonic among the lines, in order, with its verdict; lines that are no harmonics are left out. `attenuation` in dB stands between the
 * radio and the meter and is added to what it shows. Relative to the carrier the errors of both lines count.
 */
export function harmonics(
  carrier: Line,
  lines: readonly Line[],
  meter: SpectrumMeter,
  limit: Limit,
  attenuation: number,
): LineVerdict[] {
  // Without a known error what it shows is all there is to show; nothing is judged by it.
  const error = meter.error ?? 0;
  const own = around(carrier.dbm + attenuation, error);
  return lines
    .flatMap((line): LineVerdict[] => {
      const harmonic = harmonicOf(carrier.frequency, line.frequency);
      if (harmonic === undefined) return [];
      const isHidden = meter.floor !== undefined && line.dbm <= meter.floor;
      const shown = around((isHidden ? (meter.floor ?? 0) : line.dbm) + attenuation, error);
      const dbm = isHidden ? { low: Number.NEGATIVE_INFINITY, high: shown.high } : shown;
      const dbc = { low: dbm.low - own.high, high: dbm.high - own.low };
      const most = limitAt(own, limit);
      const at = { harmonic, frequency: line.frequency, dbc, dbm, limit: most };
      if (limit.dbc === undefined && limit.dbm === undefined)
        return [{ ...at, verdict: "cannot tell", because: "no-limit" }];
      if (meter.error === undefined) return [{ ...at, verdict: "cannot tell", because: "no-error" }];
      const isLoud = meter.most !== undefined && carrier.dbm > meter.most;
      if (holdsFor(dbm, dbc, limit, (value, allowed) => value.high <= allowed))
        return [{ ...at, verdict: "passes" }];
      const fails = !isHidden && !holdsFor(dbm, dbc, limit, (value, allowed) => value.low <= allowed);
      if (fails && !isLoud) return [{ ...at, verdict: "fails" }];
      return [
        { ...at, verdict: "cannot tell", because: isHidden ? "floor" : fails ? "front-end" : "straddles" },
      ];
    })
    .sort((a, b) => a.harmonic - b.harmonic || a.frequency - b.frequency);
}

const around = (value: number, error: number): Interval => ({ low: value - error, high: value + error });

/** Whether a line keeps to the limit, by a test of each of its two parts. */
function holdsFor(
  dbm: Interval,
  dbc: Interval,
  limit: Limit,
  test: (value: Interval, allowed: number) => boolean,
): boolean {
  const parts = [
    ...(limit.dbc === undefined ? [] : [test(dbc, -limit.dbc)]),
    ...(limit.dbm === undefined ? [] : [test(dbm, limit.dbm)]),
  ];
  return limit.both === "laxer" ? parts.some(Boolean) : parts.every(Boolean);
}

/** The limit at the radio in dBm, as far as the carrier itself is known. */
function limitAt(carrier: Interval, { dbc, dbm, both }: Limit): Interval {
  const byCarrier = dbc === undefined ? undefined : { low: carrier.low - dbc, high: carrier.high - dbc };
  const plain = dbm === undefined ? undefined : { low: dbm, high: dbm };
  if (!byCarrier || !plain)
    return byCarrier ?? plain ?? { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY };
  const pick = both === "laxer" ? Math.max : Math.min;
  return { low: pick(byCarrier.low, plain.low), high: pick(byCarrier.high, plain.high) };
}

/** What a whole spectrum comes to: the worst of its harmonics. */
export function worstOf(verdicts: readonly LineVerdict[]): LineVerdict["verdict"] | "nothing found" {
  if (verdicts.length === 0) return "nothing found";
  const has = (one: LineVerdict["verdict"]) => verdicts.some(({ verdict }) => verdict === one);
  return has("fails") ? "fails" : has("cannot tell") ? "cannot tell" : "passes";
}

/**
 * The carrier of a spectrum and the highest line near each of its harmonics; undefined where there is none. The carrier is the highest line of
 * all; `near`: the highest around a frequency that somebody says it is on.
 */
export function linesOf(
  spectrum: readonly Line[],
  near?: number,
): { carrier: Line; lines: Line[] } | undefined {
  const [first, ...rest] =
    near === undefined
      ? spectrum
      : spectrum.filter(({ frequency }) => Math.abs(frequency - near) <= NEAR * near);
  if (!first) return undefined;
  const carrier = rest.reduce((top, line) => (line.dbm > top.dbm ? line : top), first);
  const best = new Map<number, Line>();
  for (const line of spectrum) {
    const n = harmonicOf(carrier.frequency, line.frequency);
    if (n !== undefined && line.dbm > (best.get(n)?.dbm ?? Number.NEGATIVE_INFINITY)) best.set(n, line);
  }
  return { carrier, lines: [...best].sort(([a], [b]) => a - b).map(([, line]) => line) };
}
