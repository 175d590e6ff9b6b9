// The shape of a line of a band plan.
import { z } from "zod";
import { plainDate } from "../quantities/index.ts";
import { hertz } from "./band-shape.ts";

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
