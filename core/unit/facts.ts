// The facts that lead to a verdict, as references that a screen can follow to their records. What is stored of them is checked by these shapes.
import { z } from "zod";
import { plainDate } from "../quantities/index.ts";
import { URGENCIES } from "../release/index.ts";
import { numberingShape, SCHEME_KINDS, type VersionProblem } from "../version/index.ts";
import { policyRule } from "./policy-shape.ts";

/** The id of a record of ours. */
const id = z.string().max(20);
const ids = z.array(id).readonly();

/** The shape of a fact, told from others by its kind; nothing beside what it names is let through. */
export const fact = <Kind extends string, Shape extends z.core.$ZodLooseShape>(kind: Kind, shape: Shape) =>
  z.strictObject({ kind: z.literal(kind), ...shape }).readonly();

const problemShape = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("empty") }),
  z.strictObject({ kind: z.literal("too-long"), length: z.number(), limit: z.number() }),
  z.strictObject({ kind: z.literal("other-digits"), cleaned: z.string() }),
  z.strictObject({
    kind: z.literal("unreadable"),
    cleaned: z.string(),
    numbering: z.enum(SCHEME_KINDS),
  }),
  z.strictObject({ kind: z.literal("ambiguous"), cleaned: z.string(), releases: ids }),
]) satisfies z.ZodType<VersionProblem>;

/** One of two equally good ways to place a reading: under which numbering, and between which releases. */
const placeShape = z
  .strictObject({ numbering: numberingShape, below: id.optional(), above: id.optional() })
  .readonly();
export type VersionPlace = z.output<typeof placeShape>;

/** What standings are told by. */
export const STANDING_FACTS = [
  fact("never-read", { since: plainDate }),
  fact("reading", { reading: id, raw: z.string(), on: plainDate.optional() }),
  fact("none-known", {}),
  fact("runs", { release: id }),
  fact("runs-uncatalogued", { version: z.string() }),
  fact("newer", { releases: ids }),
  fact("skips", { count: z.number(), first: id, latest: id }),
  fact("ordered-by-date", { release: id }),
  fact("not-admitted", { releases: ids }),
  fact("does-not-fit", { releases: ids }),
  fact("may-not-fit", { releases: ids }),
  fact("withdrawn", { release: id, on: plainDate, why: z.string() }),
  fact("numbering", { numbering: numberingShape, tau: z.number().optional() }),
  fact("cannot-place", { problem: problemShape }),
  fact("two-places", { places: z.array(placeShape).readonly() }),
  fact("rule", { rule: policyRule }),
  fact("fixes", { release: id, tag: z.string(), urgency: z.enum(URGENCIES) }),
] as const;
export type Fact = z.output<(typeof STANDING_FACTS)[number]>;
