// All kinds of need, and what derives from them. A new one is a file beside this, an entry here, and its words (app/ui/words/needs/).
import { z } from "zod";
import { type Fact, STANDING_FACTS } from "../../unit/index.ts";
import { backup, backupNeeds } from "./backup.ts";
import { catalogue } from "./catalogue.ts";
import { codeplug, codeplugNeeds } from "./codeplug.ts";
import { firmware } from "./firmware.ts";
import { identity, identityNeeds } from "./identity.ts";
import {
  type Doing,
  HOLD_REASONS,
  type HoldReason,
  type KindOfNeed,
  type NeedOf,
  type Radio,
  type Readiness,
} from "./kind.ts";
import { loan, loanNeeds } from "./loan.ts";
import { measurement, measurementNeeds } from "./measurement.ts";
import { mode, modeNeeds } from "./mode.ts";
import { pairing, pairingNeeds } from "./pairing.ts";
import { reading } from "./reading.ts";

export const KINDS = {
  firmware,
  reading,
  catalogue,
  backup,
  mode,
  measurement,
  pairing,
  codeplug,
  identity,
  loan,
} as const satisfies Readonly<Record<string, KindOfNeed>>;

type Kinds = typeof KINDS;
type Kind = Kinds[keyof Kinds];
export type NeedKind = keyof Kinds;
export type NeedCause = Kind["causes"][number];
/** What a radio that is with somebody needs first, whatever it is needed for. */
const SHARED = { "ask-back": { due: 100 } } as const satisfies Readonly<Record<string, Doing>>;
const SHARED_ITEMS = { "ask-back": 150 } as const;

type KeysOf<One> = One extends One ? keyof One & string : never;
export type Action = KeysOf<Kind["doings"] | typeof SHARED>;
export type SummaryKind = KeysOf<Kind["items"] | typeof SHARED_ITEMS>;
/** Every reason of a need, whichever kind it is of. */
export type Reason = Fact | HoldReason | z.output<Kind["reasons"][number]>;

/** A need of any kind. */
export type Need = NeedOf<NeedKind, NeedCause, Reason>;

const all: readonly KindOfNeed[] = Object.values(KINDS);
const inOrder = <Key extends string>(places: Readonly<Record<string, number>>): readonly Key[] =>
  Object.keys(places).sort((a, b) => (places[a] ?? 0) - (places[b] ?? 0)) as Key[];

const DOINGS: Readonly<Record<string, Doing>> = Object.assign({}, SHARED, ...all.map((k) => k.doings));

export const NEED_KINDS = Object.keys(KINDS) as readonly NeedKind[] as readonly [NeedKind, ...NeedKind[]];
export const NEED_CAUSES = all.flatMap((k) => k.causes) as unknown as readonly [NeedCause, ...NeedCause[]];
/** What can be done, in the order of Due. */
export const ACTIONS = inOrder<Action>(
  Object.fromEntries(Object.entries(DOINGS).map(([action, { due }]) => [action, due])),
) as readonly [Action, ...Action[]];
/** The lines of the cabinet's summary, in their order. */
export const SUMMARY_KINDS = inOrder<SummaryKind>(
  Object.assign({}, SHARED_ITEMS, ...all.map((k) => k.items)),
);

/** The shape of any reason, as it is stored. */
export const reasonShape = z.union([
  ...STANDING_FACTS,
  ...HOLD_REASONS,
  ...Object.values(KINDS).flatMap((k): readonly z.ZodType<Reason>[] => k.reasons),
]) as z.ZodType<Reason>;

export const kindOf = (kind: NeedKind): KindOfNeed => KINDS[kind];

/** Whether a need follows from how a part of the radio stands, what it runs against what it should. */
export const followsStanding = (kind: NeedKind): boolean => KINDS[kind].followsStanding;

/**
 * A unit that is away must come back first, except for what can be done without it; whether an install stands ready is
 * asked only of those that are here.
 */
export function actionOf(
  need: { readonly kind: NeedKind },
  away: boolean,
  readiness: () => Readiness = () => "ready",
): Action {
  const kind = KINDS[need.kind];
  if (away) return kind.away;
  return typeof kind.here === "string" ? kind.here : kind.here[readiness()];
}

/** Of what a radio needs, the first that is done at the bench, in the order of Due, and by which work. */
export function firstAtBench<One extends { readonly action: Action }>(
  needs: readonly One[],
): { readonly need: One; readonly work: NonNullable<Doing["bench"]> } | undefined {
  for (const action of ACTIONS) {
    const work = DOINGS[action]?.bench;
    const need = work && needs.find((one) => one.action === action);
    if (work && need) return { need, work };
  }
  return undefined;
}

/** Whether a unit with this to be done may be with somebody: the others are left only to units that are here. */
export const mayBeAway = (action: Action): boolean => AWAY.has(action);
const AWAY: ReadonlySet<string> = new Set(all.map((k) => k.away));

/** The needs that are of the whole radio. */
export const RADIO_NEEDS = [
  backupNeeds,
  modeNeeds,
  measurementNeeds,
  pairingNeeds,
  codeplugNeeds,
  identityNeeds,
  loanNeeds,
] as const satisfies readonly ((radio: Radio) => readonly unknown[])[];
