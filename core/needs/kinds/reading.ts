// A part of which nothing was ever read, or whose last reading does not do any more.
import { z } from "zod";
import { daysAfter, type PlainDate, plainDate } from "../../quantities/index.ts";
import {
  dayOf,
  type Fact,
  fact,
  type PlacingProblem,
  placingFact,
  type Reading,
  type UnitFacts,
} from "../../unit/index.ts";
import { compareText } from "../../version/index.ts";
import { pastHolds } from "../holds.ts";
import { defineNeed, type NeedOf, NONE, type Radio, type SeenPart } from "./kind.ts";

const CAUSES = ["unread", "unclear", "stale", "back-from-custody", "flash-unconfirmed"] as const;
type Cause = (typeof CAUSES)[number];
const REASONS = [
  fact("stale", { on: plainDate.optional(), afterDays: z.number() }),
  fact("back-from-custody", { on: plainDate }),
  fact("flash-unconfirmed", { on: plainDate.optional() }),
] as const;
type Reason = z.output<(typeof REASONS)[number]>;
export type ReadingNeed = NeedOf<"reading", Cause, Reason>;

export const reading = defineNeed({
  kind: "reading",
  causes: CAUSES,
  followsStanding: true,
  reasons: REASONS,
  doings: { read: { due: 20, bench: "read" } },
  here: "read",
  away: "ask-back",
  forHolder: "read-it",
  items: { "never-read": 40, "part-unread": 41, "read-again": 42 },
  // What was never read is counted wherever it is; of what must be read again only what is here.
  itemsOf: ({ cause, action }, unit) => {
    const unread = cause === "unread" ? [unit?.read ? "part-unread" : "never-read"] : [];
    return action === "read" ? (cause === "unread" ? unread : ["read-again"]) : [...unread, action];
  },
});

/** Of a part of which nothing was read. */
export function unreadNeed(radio: Radio): ReadingNeed {
  const { addedOn } = radio.unit;
  return readingNeed(radio, "unread", addedOn, [{ kind: "never-read", since: addedOn }]);
}

type ReadingCause = { readonly cause: Cause; readonly from: PlainDate; readonly fact: Fact | Reason };

/**
 * One need for all the causes to read a component again: its age, a return from custody, a flash, or that it could not be
 * placed. The earliest gives it its date and its name.
 */
export function rereadNeed(part: SeenPart, problem: PlacingProblem | undefined): ReadingNeed {
  const { unit, policy, reading: last, seen } = part;
  const { recheckAfterDays: afterDays } = policy;
  const on = dayOf(last, unit);
  const from = staleFrom(last, unit, afterDays);
  const stale: Reason = { kind: "stale", ...(last.on && { on: last.on }), afterDays };
  const { backOn } = unit;
  const isBack = backOn !== undefined && (last.on === undefined || on < backOn);
  // Nearly every reading: only its age will ask for another.
  if (!isBack && last.source !== "flash" && !problem) return readingNeed(part, "stale", from, [seen, stale]);
  const causes: ReadingCause[] = [{ cause: "stale", from, fact: stale }];
  if (isBack)
    causes.push({
      cause: "back-from-custody",
      from: backOn,
      fact: { kind: "back-from-custody", on: backOn },
    });
  if (last.source === "flash") {
    const unconfirmed: Reason = { kind: "flash-unconfirmed", ...(last.on && { on: last.on }) };
    causes.push({ cause: "flash-unconfirmed", from: on, fact: unconfirmed });
  }
  if (problem) causes.push({ cause: "unclear", from: on, fact: placingFact(problem) });
  causes.sort((a, b) => compareText(a.from, b.from));
  const first = causes[0] ?? { cause: "stale", from };
  return readingNeed(part, first.cause, first.from, [seen, ...causes.map((c) => c.fact)]);
}

/** The day from which a reading is too old. One whose day nobody knows is from the first; one so long good that no calendar has its end, never. */
function staleFrom(last: Reading, unit: UnitFacts, afterDays: number): PlainDate {
  if (last.on === undefined) return unit.addedOn;
  const from = daysAfter(last.on, afterDays);
  return from.ok ? from.value : NEVER;
}
const NEVER = "9999-12-31" as PlainDate;

function readingNeed(
  { unit, policy, component }: Radio,
  cause: Cause,
  dueFrom: PlainDate,
  because: ReadingNeed["because"],
): ReadingNeed {
  const need: ReadingNeed = {
    unit: unit.id,
    kind: "reading",
    component,
    cause,
    urgency: "routine",
    dueFrom,
    targets: NONE,
    because,
  };
  return pastHolds(need, unit, policy);
}
