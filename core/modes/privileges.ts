// What an operator may use: the club's own band plan, as it holds on a day for a class of operator or a service.
import { z } from "zod";
import { type PlainDate, plainDate } from "../quantities/date.ts";
import { type Bands, hertz, normalised } from "./band.ts";

/** One line of a band plan. It is the club's own entry, and no one's law. */
export const segmentShape = z
  .object({
    /** The class of operator or the service, in the club's own words, as a person's licence names it. */
    class: z.string().trim().min(1, "For which class or service?").max(60),
    from: hertz,
    to: hertz,
    /** The most that may be sent, in watts. */
    watts: z.number().positive().max(10_000).optional(),
    /** The widest that may be sent, in hertz. */
    bandwidth: z.number().int().positive().max(10_000_000).optional(),
    /** It holds from this day on, and up to, not on, the other. */
    since: plainDate.optional(),
    until: plainDate.optional(),
    note: z.string().trim().max(200).default(""),
  })
  .refine(({ from, to }) => from < to, { path: ["to"], message: "It ends above where it begins." })
  .refine(({ since, until }) => !since || !until || since < until, {
    path: ["until"],
    message: "It ends after it begins.",
  });
export type Segment = Readonly<z.output<typeof segmentShape>>;

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
