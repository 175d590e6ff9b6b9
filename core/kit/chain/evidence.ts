// What past tries say of a chain: the Wilson score interval of the nearest tries there are (E. B. Wilson, JASA 22 (1927), p. 209).
import type { Attempt, Chip, System } from "../shapes.ts";

/** Both sides of 95 %. */
const Z = 1.959963984540054;

/** The 95 % interval for the share of successes in `n` tries; from 0 to 1 where nothing was tried. */
export function wilson(successes: number, n: number): { readonly lower: number; readonly upper: number } {
  if (n === 0) return { lower: 0, upper: 1 };
  const share = successes / n;
  const square = Z * Z;
  const middle = (share + square / (2 * n)) / (1 + square / n);
  const half = (Z / (1 + square / n)) * Math.sqrt((share * (1 - share)) / n + square / (4 * n * n));
  return { lower: Math.max(0, middle - half), upper: Math.min(1, middle + half) };
}

/** From the nearest to the widest: this lead, computer and tool; this chip, driver and system; this chip and kind of system. */
export const LEVELS = ["this", "chip-driver-system", "chip-system"] as const;
export type Level = (typeof LEVELS)[number];

/** Fewer tries than this say nothing at their level. */
export const ENOUGH = 4;

/** Mixed: enough tries of just this, which neither prove it nor speak against it. */
export const VERDICTS = ["proven", "likely", "mixed", "untried", "known-bad"] as const;
export type ChainVerdict = (typeof VERDICTS)[number];

export type Evidence = {
  readonly verdict: ChainVerdict;
  /** The level that decided; absent where none has enough tries. */
  readonly level?: Level;
  readonly worked: number;
  readonly tries: number;
  readonly lower: number;
  readonly upper: number;
  /** It is settled that this never works. */
  readonly settled: boolean;
};

/** What a chain is made of, as far as past tries can be like it. */
export type Likeness = {
  readonly lead: string | undefined;
  readonly computer: string;
  readonly tool: string | undefined;
  readonly chip: Chip | undefined;
  readonly driver: string | undefined;
  readonly system: System;
  readonly systemVersion: string;
};

type Count = { worked: number; tries: number; settled: boolean };
export type EvidenceIndex = ReadonlyMap<string, Count>;

const ownKey = (lead: string | undefined, computer: string, tool: string | undefined): string =>
  `this|${lead ?? ""}|${computer}|${tool ?? ""}`;

type Wider = Pick<Likeness, "chip" | "driver" | "system" | "systemVersion">;

const widerKeys = ({ chip, driver, system, systemVersion }: Wider): readonly (readonly [Level, string])[] =>
  chip && chip.family !== ""
    ? [
        [
          "chip-driver-system",
          `driver|${chip.family}|${chip.grade}|${driver ?? ""}|${system}|${systemVersion}`,
        ],
        ["chip-system", `system|${chip.family}|${chip.grade}|${system}`],
      ]
    : [];

/** Counts tries; they come in the order in which they were made. */
export function indexOf(attempts: readonly Attempt[]): EvidenceIndex {
  const index = new Map<string, Count>();
  const note = (key: string, attempt: Attempt) => {
    const count = index.get(key) ?? { worked: 0, tries: 0, settled: false };
    if (attempt.settled) count.settled = true;
    else {
      count.tries++;
      // What was settled stands until it is seen to work after all.
      if (attempt.worked) {
        count.worked++;
        count.settled = false;
      }
    }
    index.set(key, count);
  };
  for (const attempt of attempts) {
    const { lead, computer, tool, chip, driver, system, systemVersion } = attempt;
    note(ownKey(lead, computer, tool), attempt);
    // A settled matter is about just these things; it is no try of its chip elsewhere.
    if (attempt.settled) continue;
    for (const [, key] of widerKeys({ chip, driver, system, systemVersion })) note(key, attempt);
  }
  return index;
}

const UNTRIED: Evidence = { verdict: "untried", worked: 0, tries: 0, lower: 0, upper: 1, settled: false };

/** What is known of a chip, driver and system wherever they were tried. */
export function widerEvidence(like: Wider, index: EvidenceIndex): Evidence {
  for (const [level, key] of widerKeys(like)) {
    const count = index.get(key);
    if (count && count.tries >= ENOUGH) return judged(level, count);
  }
  return UNTRIED;
}

/** The verdict of just these things if there are enough tries of them, else the wider one. */
export function ownEvidence(
  lead: string | undefined,
  computer: string,
  tool: string | undefined,
  wider: Evidence,
  index: EvidenceIndex,
): Evidence {
  const own = index.get(ownKey(lead, computer, tool));
  if (!own) return wider;
  const told = own.tries >= ENOUGH ? judged("this", own) : wider;
  if (own.settled) return { ...told, verdict: "known-bad", settled: true };
  return told === UNTRIED ? { ...told, worked: own.worked, tries: own.tries } : told;
}

/** The verdict of the most specific level with enough tries. */
export const evidenceOf = (like: Likeness, index: EvidenceIndex): Evidence =>
  ownEvidence(like.lead, like.computer, like.tool, widerEvidence(like, index), index);

function judged(level: Level, { worked, tries }: Count): Evidence {
  const { lower, upper } = wilson(worked, tries);
  return { level, worked, tries, lower, upper, settled: false, verdict: verdictOf(level, lower, upper) };
}

function verdictOf(level: Level, lower: number, upper: number): ChainVerdict {
  if (level === "this") return lower > 0.5 ? "proven" : upper < 0.5 ? "known-bad" : "mixed";
  return lower > 0.5 ? "likely" : "untried";
}
