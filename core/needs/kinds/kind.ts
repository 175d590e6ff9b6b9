// What a kind of need is made of. Each kind is one file beside this one; lists, Due, summary, storage and exports derive from them.
import { z } from "zod";
import { type PlainDate, plainDate } from "../../quantities/index.ts";
import type { PreparedComponent, Urgency } from "../../release/index.ts";
import { type Fact, fact, type Policy, type Reading, type UnitFacts } from "../../unit/index.ts";
import type { Target } from "../need.ts";

/** Work at the bench that can be begun without a further question. */
export type BenchWork = "update" | "read" | "backup" | "measure";

/** What can be done about a need: a group in Due. */
export type Doing = {
  /** Its place among Due's groups. */
  readonly due: number;
  /** By which work at the bench it is done; absent: by none, or only once somebody has said with what, or into which mode. */
  readonly bench?: BenchWork;
};

/** How it is, for whoever has the radio at home: see `plainVerdict`. */
export type ForHolder = "bring-it" | "read-it" | "when-you-come" | "cannot-tell" | "nothing";

/** Whether an install stands ready, waits for kit, or has no way. */
export type Readiness = "ready" | "kit" | "no-route" | "look-up";

/** What the cabinet's summary knows of a radio. */
export type SummaryUnit = {
  readonly unit: string;
  /** Of some part of it a reading counts. */
  readonly read?: boolean;
  /** A run of it is lined up or goes on. */
  readonly atBench?: boolean;
};

export type KindOfNeed = {
  readonly kind: string;
  /** What made the need, in one word each: for grouping and for the first sentence on screen. */
  readonly causes: readonly string[];
  /** It follows from how a part of the radio stands, what it runs against what it should. */
  readonly followsStanding: boolean;
  /** The reasons that are this kind's own. */
  readonly reasons: readonly z.ZodType[];
  /** What can be done about it. */
  readonly doings: Readonly<Record<string, Doing>>;
  /** What is to be done while the radio is here; where it depends on how an install stands, by that. */
  readonly here: string | Readonly<Record<Readiness, string>>;
  /** While it is with somebody. */
  readonly away: string;
  readonly forHolder: ForHolder;
  /** Its lines in the cabinet's summary, with their places; those that are called like what can be done are found by that. */
  readonly items: Readonly<Record<string, number>>;
  /** In which lines one is counted; absent: in that of what can be done. */
  readonly itemsOf?: (
    need: { readonly cause: string; readonly action: string },
    unit: SummaryUnit | undefined,
  ) => readonly string[];
};

export const defineNeed = <const Kind extends KindOfNeed>(kind: Kind): Kind => kind;

/** What every need may have among its reasons: that it is left alone for now, and that a safety fix breaks through. */
export const HOLD_REASONS = [
  fact("hold", { of: z.enum(["unit", "group"]), until: plainDate, why: z.string() }),
  fact("hold-broken", { release: z.string().max(20) }),
] as const;
export type HoldReason = z.output<(typeof HOLD_REASONS)[number]>;

/** A need of a kind, by cause and with reasons of its own. */
export type NeedOf<Kind extends string, Cause extends string, Own = never> = {
  readonly unit: string;
  readonly kind: Kind;
  readonly component: string;
  readonly cause: Cause;
  readonly urgency: Urgency;
  readonly dueFrom: PlainDate;
  /** The first day on which it no longer stands: a pin with an end makes one, or a release that is to come. */
  readonly dueTo?: PlainDate;
  /** The date it would be due but for a hold that moves it past. */
  readonly heldFrom?: PlainDate;
  /** Which release to go to, from which date; oldest first. Empty where no release is the answer. */
  readonly targets: readonly Target[];
  readonly because: readonly (Fact | HoldReason | Own)[];
};

/** Of a need that calls for no release. */
export const NONE: readonly Target[] = [];

/** A radio whose needs are worked out. A need of the whole radio stands with its first part. */
export type Radio = {
  readonly unit: UnitFacts;
  readonly policy: Policy;
  readonly component: string;
};

/** A part of a radio of which something was read. */
export type SeenPart = Radio & {
  readonly prepared: PreparedComponent;
  readonly reading: Reading;
  /** That it was read, as a reason. */
  readonly seen: Fact;
};
