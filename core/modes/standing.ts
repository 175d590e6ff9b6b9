// Whether the mode a radio is in suits whoever uses it, by the club's rule for its group. The schools differ; the club chooses.
import type { PlainDate } from "../quantities/index.ts";
import { type Bands, widthOf } from "./band.ts";
import { excess, type Mode, shortfall, transmitOf } from "./mode.ts";
import { changesAfter, privilegesOn, type Segment } from "./privileges.ts";
import type { TransmitPolicy } from "./standing-shape.ts";

export type { TransmitPolicy };

export type InMode = Pick<Mode, "name" | "transmit" | "receive" | "fixed"> & { readonly id: string };

export type ModeStanding =
  /** The dossier knows no modes: there is nothing to compare. */
  | { readonly kind: "no-modes" }
  /** Nobody has said in which it is. */
  | { readonly kind: "mode-unknown" }
  | { readonly kind: "as-it-is" }
  /** Nobody has entered what this class may use, or of which class its user is, or what it was approved for. */
  | { readonly kind: "nothing-to-compare"; readonly class?: string }
  /** Open on purpose; `out`: with somebody, by name. */
  | { readonly kind: "open"; readonly excess: Bands; readonly out: boolean }
  | {
      readonly kind: "exceeds";
      readonly excess: Bands;
      /** How much of the air that is, in hertz. */
      readonly width: number;
      readonly shortfall: Bands;
      /** Its other modes that would not exceed, those that fall the least short first. */
      readonly better: readonly string[];
    }
  | { readonly kind: "fits"; readonly shortfall: Bands; readonly hearsLess: boolean };

export type ModeFacts = {
  readonly modes: readonly InMode[];
  /** The id of the one it is in. */
  readonly now: string | undefined;
  readonly policy: TransmitPolicy;
  readonly plan: readonly Segment[];
  /** The class of whoever holds it. */
  readonly holder: { readonly class?: string | undefined } | undefined;
};

/** Whose privileges count: the holder's, else the group's. */
export const classOf = ({ holder, policy }: Pick<ModeFacts, "holder" | "policy">): string | undefined =>
  holder ? holder.class : policy.class;

/** Where it may transmit on a day; undefined where that is not known. */
export function allowedOn(facts: Omit<ModeFacts, "modes" | "now">, day: PlainDate): Bands | undefined {
  const { policy, plan } = facts;
  if (policy.rule === "legacy") return policy.approved;
  const own = classOf(facts);
  return own === undefined ? undefined : privilegesOn(plan, own, day);
}

/** How the mode a radio is in stands on a day. */
export function modeStanding(facts: ModeFacts, day: PlainDate): ModeStanding {
  const { modes, now, policy, holder } = facts;
  if (modes.length === 0) return { kind: "no-modes" };
  const mode = modes.find(({ id }) => id === now);
  if (!mode) return { kind: "mode-unknown" };
  if (policy.rule === "as it is") return { kind: "as-it-is" };
  const allowed = allowedOn(facts, day);
  if (allowed === undefined) {
    const own = policy.rule === "legacy" ? undefined : classOf(facts);
    return { kind: "nothing-to-compare", ...(own !== undefined && { class: own }) };
  }
  const reach = modes.flatMap(transmitOf);
  const beyond = excess(mode, allowed);
  const short = shortfall(mode, allowed, reach);
  if (beyond.length > 0 && policy.rule === "emergency")
    return { kind: "open", excess: beyond, out: holder !== undefined };
  if (beyond.length > 0)
    return {
      kind: "exceeds",
      excess: beyond,
      width: widthOf(beyond),
      shortfall: short,
      better: betterThan(mode, modes, allowed, reach),
    };
  const hearsMost = Math.max(...fitting(modes, allowed).map(({ receive }) => widthOf(receive)));
  const hearsLess = policy.rule === "wide receive" && widthOf(mode.receive) < hearsMost;
  return { kind: "fits", shortfall: short, hearsLess };
}

const fitting = (modes: readonly InMode[], allowed: Bands) =>
  modes.filter((mode) => excess(mode, allowed).length === 0);

function betterThan(mode: InMode, modes: readonly InMode[], allowed: Bands, reach: Bands): readonly string[] {
  return fitting(modes, allowed)
    .filter(({ id }) => id !== mode.id)
    .map((one) => ({ id: one.id, short: widthOf(shortfall(one, allowed, reach)) }))
    .sort((a, b) => a.short - b.short)
    .map(({ id }) => id);
}

const WORST_FIRST: readonly ModeStanding["kind"][] = [
  "exceeds",
  "open",
  "mode-unknown",
  "nothing-to-compare",
  "fits",
  "as-it-is",
  "no-modes",
];

/** In order of what there is to see to: the widest beyond first, then open ones that nobody has signed for, then what is not known. */
export function byConcern(a: ModeStanding, b: ModeStanding): number {
  const rank = (one: ModeStanding) => WORST_FIRST.indexOf(one.kind);
  const width = (one: ModeStanding) =>
    one.kind === "exceeds" ? one.width : one.kind === "open" ? widthOf(one.excess) : 0;
  const signed = (one: ModeStanding) => (one.kind === "open" && one.out ? 1 : 0);
  const short = (one: ModeStanding) => (one.kind === "fits" ? widthOf(one.shortfall) : 0);
  return rank(a) - rank(b) || signed(a) - signed(b) || width(b) - width(a) || short(b) - short(a);
}

/** A stretch of days, the last of which is before `to`, on which it exceeds. */
export type ExceedsFrom = { readonly from: PlainDate; readonly to?: PlainDate };

/** All stretches of days, from the day since which it is in its mode, on which it transmits where it should not; oldest first. */
export function exceedsOn(facts: ModeFacts, since: PlainDate): ExceedsFrom[] {
  if (facts.policy.rule === "emergency") return [];
  const own = facts.policy.rule === "legacy" ? undefined : classOf(facts);
  const days: PlainDate[] = [since];
  for (let day: PlainDate | undefined = since; day !== undefined && own !== undefined; ) {
    day = changesAfter(facts.plan, own, day);
    if (day !== undefined) days.push(day);
  }
  const found: { from: PlainDate; to?: PlainDate }[] = [];
  let open: { from: PlainDate; to?: PlainDate } | undefined;
  for (const day of days) {
    const exceeds = modeStanding(facts, day).kind === "exceeds";
    if (exceeds && !open) {
      open = { from: day };
      found.push(open);
    }
    if (!exceeds && open) {
      open.to = day;
      open = undefined;
    }
  }
  return found;
}
