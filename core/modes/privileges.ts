// What an operator may use: the club's own band plan, as it holds on a day for a class of operator or a service.
import type { PlainDate } from "../quantities/index.ts";
import { type Bands, normalised } from "./band.ts";
import type { Segment } from "./privileges-shape.ts";

export type { Segment };

/** The classes and services that a plan speaks of, each once. */
export const classesOf = (plan: readonly Segment[]): string[] => [
  ...new Map(plan.map((segment) => [segment.class.toLowerCase(), segment.class])).values(),
];

const sameClass = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** The lines that hold on a day for a class. */
export const segmentsOn = (plan: readonly Segment[], of: string, day: PlainDate): readonly Segment[] =>
  plan.filter(
    (segment) =>
      sameClass(segment.class, of) &&
      (segment.since === undefined || segment.since <= day) &&
      (segment.until === undefined || day < segment.until),
  );

/** Where a class may transmit on a day; undefined where the plan knows nothing of it, on this day or any other. */
export function privilegesOn(plan: readonly Segment[], of: string, day: PlainDate): Bands | undefined {
  if (!plan.some((segment) => sameClass(segment.class, of))) return undefined;
  return normalised(segmentsOn(plan, of, day));
}

/** The next day, after this one, on which what a class may use changes; undefined: none. */
export function changesAfter(plan: readonly Segment[], of: string, day: PlainDate): PlainDate | undefined {
  const days = plan
    .filter((segment) => sameClass(segment.class, of))
    .flatMap(({ since, until }) => [since, until])
    .filter((one): one is PlainDate => one !== undefined && one > day);
  return days.sort()[0];
}
