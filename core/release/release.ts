// The one definition of a release: its shape, with its bounds. What is stored, typed, exchanged, told and checked derives from it.
import { z } from "zod";
import { plainDate, sourceShape } from "../quantities/index.ts";
import { conditionsShape } from "./conditions-shape.ts";
import { TRACKS, URGENCIES } from "./words.ts";

export const fixShape = z.object({
  tag: z.string().trim().min(1).max(100),
  urgency: z.enum(URGENCIES),
  text: z.string().trim().max(500),
});
/** Something a release mends: a tag to watch for, how much it matters, and what it is. */
export type Fix = Readonly<z.infer<typeof fixShape>>;

export const withdrawalShape = z.object({ on: plainDate, why: z.string().trim().min(1).max(500) });
export const fileShape = z.object({
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  /** Bytes. */
  size: z.number().int().min(0).nullable(),
  name: z.string().trim().max(200),
});

const names = (most: number) => z.array(z.string().trim().min(1).max(200)).max(most);

/** A release as a club writes it down; hardware revisions go by their names. */
export const releaseShape = z.object({
  version: z
    .string({ error: "A release has a version." })
    .trim()
    .min(1, "A release has a version.")
    .max(200, "At most 200 characters."),
  aliases: names(50).default([]),
  track: z.enum(TRACKS),
  releasedOn: plainDate,
  /** Set once it has been taken back; never dated ahead. */
  withdrawn: withdrawalShape.optional(),
  /** Hardware revisions it fits; absent means every one. */
  hardwareRevisions: names(200).min(1).optional(),
  /** Regions it is made for; absent means every one. */
  regions: names(50).min(1).optional(),
  fixes: z.array(fixShape).max(200).default([]),
  notes: z.string().trim().max(2000).default(""),
  /** Where it is known from; absent where nobody said. */
  source: sourceShape.optional(),
  /** When it can be installed and what that costs; absent: nothing special is known. */
  conditions: conditionsShape.optional(),
  /** Its conditions contradict each other: known by name, but never a target nor a step. */
  draft: z.boolean().default(false),
  file: fileShape.optional(),
});
export type WrittenRelease = z.output<typeof releaseShape>;

/** A release as the computations know it: what decides, under its id; hardware revisions go by their ids. */
export type Release = Readonly<
  Pick<WrittenRelease, "version" | "track" | "releasedOn"> &
    Partial<Pick<WrittenRelease, "conditions" | "draft">>
> & {
  readonly id: string;
  readonly aliases: readonly string[];
  readonly fixes: readonly Fix[];
  readonly withdrawn?: Readonly<NonNullable<WrittenRelease["withdrawn"]>> | undefined;
  readonly hardwareRevisions?: readonly string[] | undefined;
  readonly regions?: readonly string[] | undefined;
};

const id = z.string().regex(/^\d+$/);

/** A release as it is stored: a column for each field. */
export const releaseRow = z.object({
  id,
  component_id: id,
  version: releaseShape.shape.version,
  aliases: z.array(z.string()),
  track: releaseShape.shape.track,
  released_on: plainDate,
  withdrawn_on: plainDate.nullable(),
  withdrawn_why: z.string().nullable(),
  hardware_revisions: z.array(id).nullable(),
  regions: z.array(z.string()).nullable(),
  fixes: z.array(fixShape),
  notes: z.string(),
  source: z.string(),
  source_kind: sourceShape.shape.kind.nullable(),
  position: z.number().int(),
  conditions: z.union([conditionsShape, z.object({}).strict()]),
  draft: z.boolean(),
  file_sha256: z.string().nullable(),
  file_size: z.string().nullable(),
  file_name: z.string(),
});
export type ReleaseRow = Omit<z.output<typeof releaseRow>, "conditions"> & {
  conditions: z.input<typeof conditionsShape>;
};
