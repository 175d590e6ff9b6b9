// A release as fields of a form hold it: read into its shape, and back.
import { z } from "zod";
import { bad, good, type PlainDate, plainDate, type Result, SOURCE_KINDS } from "../quantities/index.ts";
import { type Conditions, PLAIN_CONDITIONS } from "./conditions.ts";
import { conditionsShape, isPlain } from "./conditions-shape.ts";
import {
  cell,
  FIX_SAYS,
  type FieldErrors,
  type FormValues,
  listValues,
  markValues,
  placesOf,
  rangeValues,
  readList,
  readMarks,
  readRange,
  requirement,
  requirementsSaid,
  textOf,
} from "./form-rows.ts";
import { type Fix, type WrittenRelease, releaseShape as written } from "./release.ts";
import { ERASES, TRACKS, URGENCIES, WAYS } from "./words.ts";

export type ReleaseValues = Record<string, string>;

const wholeNumber = (least: number, most: number, otherwise: number) =>
  z
    .string()
    .trim()
    .default("")
    .transform((text) => (text === "" ? otherwise : Number(text)))
    .pipe(z.number({ error: "A whole number." }).int("A whole number.").min(least).max(most));

const texts = z.object({
  component: z.string().default(""),
  version: written.shape.version,
  releasedOn: z
    .string()
    .refine((text) => plainDate.safeParse(text).success, "A real date, such as 2027-05-02.")
    .pipe(plainDate),
  track: z.enum(TRACKS),
  notes: z.string().trim().max(2000, "At most 2,000 signs.").default(""),
  sourceKind: z.enum(["", ...SOURCE_KINDS]).default(""),
  sourceWhat: z.string().trim().max(300).default(""),
  rollbackFloor: z.string().trim().max(200).default(""),
  erases: z.enum(ERASES).default("nothing"),
  minutes: wholeNumber(1, 1000, 5),
  risk: wholeNumber(1, 5, 2),
  unchanged: z.string().trim().max(2000).default(""),
  sha256: z
    .string()
    .trim()
    .toLowerCase()
    .default("")
    .refine(
      (text) => text === "" || /^[0-9a-f]{64}$/.test(text),
      "64 digits and letters a to f, or nothing.",
    ),
  fileSize: z
    .string()
    .trim()
    .default("")
    .transform((text) => (text === "" ? ("" as const) : Number(text)))
    .pipe(z.union([z.literal(""), z.number({ error: "A whole number of bytes." }).int().min(0)])),
  fileName: z.string().trim().max(200).default(""),
  withdrawnOn: z
    .union([z.literal(""), plainDate], { error: "A real date, such as 2027-05-02, or nothing." })
    .default(""),
  withdrawnWhy: z.string().trim().max(500).default(""),
});

/** A hardware revision of the model: it has a mark of its own in the form, by its id. */
export type KnownRevision = { readonly id: string; readonly name: string };
/** The name of the mark that says whether it fits a revision. */
export const revisionMark = ({ id }: KnownRevision): string => `revision-${id}`;

function readRevisions(
  values: FormValues,
  revisions: readonly KnownRevision[],
  errors: FieldErrors,
): string[] {
  const known = new Set(revisions.map(revisionMark));
  // Left out, it would fit all of them.
  if (
    Object.keys(values).some(
      (name) => /^revision-\d+$/.test(name) && values[name] === "on" && !known.has(name),
    )
  )
    errors.revisions =
      "One of those that were marked is of a revision that this model does not have any more.";
  return revisions.filter((one) => values[revisionMark(one)] === "on").map(({ name }) => name);
}

function readFixes(values: FormValues, errors: FieldErrors): Fix[] {
  return placesOf(values, "fix", FIX_SAYS).map((at) => {
    const [tag, words] = FIX_SAYS.map((part) => textOf(values, cell("fix", at, part)));
    const urgency = URGENCIES.find((u) => u === textOf(values, cell("fix", at, "urgency"))) ?? "routine";
    if (!tag) errors[cell("fix", at, "tag")] = "A word to watch for, such as clock.";
    else if (tag.length > 100) errors[cell("fix", at, "tag")] = "At most 100 signs.";
    if ((words ?? "").length > 500) errors[cell("fix", at, "words")] = "At most 500 signs.";
    return { tag: tag ?? "", urgency, text: words ?? "" };
  });
}

export const fixValues = (fixes: readonly Fix[]): ReleaseValues =>
  Object.fromEntries(
    fixes.flatMap(({ tag, urgency, text }, at) => [
      [cell("fix", at, "tag"), tag],
      [cell("fix", at, "urgency"), urgency],
      [cell("fix", at, "words"), text],
    ]),
  );

function readRequires(values: FormValues, errors: FieldErrors): Conditions["requires"] {
  return requirementsSaid(values).flatMap((at) => {
    const component = textOf(values, `${requirement(at)}-part`);
    const range = readRange(values, requirement(at), errors);
    if (component === "") errors[`${requirement(at)}-part`] = "Say which part.";
    if (!range) errors[cell(requirement(at), 0, "low")] = "Say which version it must run.";
    return component !== "" && range ? [{ component, range }] : [];
  });
}

const requiresValues = (requires: Conditions["requires"]): ReleaseValues =>
  Object.assign(
    {},
    ...requires.map(({ component, range }, at) => ({
      [`${requirement(at)}-part`]: component,
      ...rangeValues(requirement(at), range),
    })),
  );

function readTool(values: FormValues, errors: FieldErrors): Conditions["tool"] {
  const name = textOf(values, "tool");
  const range = readRange(values, "tool", errors);
  if (name.length > 80) errors.tool = "At most 80 signs.";
  if (name === "") {
    if (range) errors.tool = "Say which software that is.";
    return undefined;
  }
  return { name, ...(range && { range }) };
}

function conditionsOf(data: z.output<typeof texts>, values: FormValues, errors: FieldErrors): Conditions {
  const from = readRange(values, "from", errors);
  const fromTracks = readMarks(values, "over", TRACKS);
  const tool = readTool(values, errors);
  return {
    ...(from && { from }),
    ...(fromTracks.length > 0 && { fromTracks }),
    requires: readRequires(values, errors),
    ...(data.rollbackFloor !== "" && { rollbackFloor: data.rollbackFloor }),
    erases: data.erases,
    ways: readMarks(values, "way", WAYS),
    ...(tool && { tool }),
    minutes: data.minutes,
    risk: data.risk,
    unchanged: data.unchanged,
  };
}

/** What an empty release form begins with. */
export const newReleaseValues = (today: PlainDate): ReleaseValues => ({
  releasedOn: today,
  track: "factory",
  erases: "nothing",
  minutes: "5",
  risk: "2",
});

/** Words for what the shape itself refuses, where its own are not for readers. */
const TOO_LONG: Readonly<Record<string, string>> = {
  aliases: "At most 50, of at most 200 characters.",
  regions: "At most 50, of at most 200 characters.",
  fixes: "At most 200 of them.",
  conditions: "At most 50 requirements, of at most 80 signs, and 20 stretches of versions each.",
};
/** Where it stands in the form: those of several rows stand with the first of them. */
const FIELD: Readonly<Record<string, string>> = { hardwareRevisions: "revisions", conditions: "requires" };

/**
 * Reads a form: fixes, requirements, names and stretches of versions as rows of fields (form-rows.ts), what can be several as marks.
 * Problem `fields`: what is wrong with each, by its name. Hardware revisions go by their names.
 */
export function readRelease(
  values: FormValues,
  revisions: readonly KnownRevision[] = [],
): Result<
  { readonly component: string; readonly release: WrittenRelease },
  { readonly kind: "fields"; readonly errors: FieldErrors }
> {
  const errors: FieldErrors = {};
  const read = texts.safeParse(values);
  if (!read.success) for (const issue of read.error.issues) errors[String(issue.path[0])] ??= issue.message;
  const fixes = readFixes(values, errors);
  // What else is wrong is told at once, too: nobody is sent round twice.
  if (!read.success) {
    readRange(values, "from", errors);
    readRequires(values, errors);
    readTool(values, errors);
    return bad({ kind: "fields", errors });
  }
  const { data } = read;
  const conditions = conditionsOf(data, values, errors);
  if (data.withdrawnOn !== "" && data.withdrawnWhy === "") errors.withdrawnWhy = "Say why it was withdrawn.";
  if (data.sourceWhat !== "" && data.sourceKind === "")
    errors.sourceKind = "Say what kind of source that is.";
  const fitting = readRevisions(values, revisions, errors);
  const regions = readList(values, "region");
  const wrongInRows = Object.keys(errors).length > 0;
  const shaped = written.safeParse({
    version: data.version,
    aliases: readList(values, "alias"),
    track: data.track,
    releasedOn: data.releasedOn,
    fixes,
    notes: data.notes,
    ...(!isPlainAsRead(conditions) && { conditions }),
    ...(fitting.length > 0 && { hardwareRevisions: fitting }),
    ...(regions.length > 0 && { regions }),
    ...(data.sourceKind !== "" && { source: { kind: data.sourceKind, what: data.sourceWhat } }),
    ...(data.withdrawnOn !== "" && {
      withdrawn: { on: data.withdrawnOn, why: data.withdrawnWhy || "-" },
    }),
    ...(data.sha256 !== "" && {
      file: { sha256: data.sha256, size: data.fileSize === "" ? null : data.fileSize, name: data.fileName },
    }),
  });
  // What is wrong in a row is told there, not once more of them all.
  if (!wrongInRows)
    for (const issue of shaped.error?.issues ?? []) {
      const name = String(issue.path[0]);
      errors[FIELD[name] ?? name] ??= TOO_LONG[name] ?? issue.message;
    }
  if (!shaped.success || Object.keys(errors).length > 0) return bad({ kind: "fields", errors });
  return good({ component: data.component, release: shaped.data });
}

/** Conditions that the shape refuses say something, too. */
function isPlainAsRead(conditions: Conditions): boolean {
  const read = conditionsShape.safeParse(conditions);
  return read.success && isPlain(read.data);
}

/** A release as its form shows it. */
export function releaseValues(
  component: string,
  release: WrittenRelease,
  revisions: readonly KnownRevision[] = [],
): ReleaseValues {
  const conditions = release.conditions ?? PLAIN_CONDITIONS;
  const { tool } = conditions;
  return {
    component,
    version: release.version,
    releasedOn: release.releasedOn,
    track: release.track,
    ...listValues("alias", release.aliases),
    ...Object.fromEntries(
      revisions.map((one) => [revisionMark(one), release.hardwareRevisions?.includes(one.name) ? "on" : ""]),
    ),
    ...listValues("region", release.regions ?? []),
    ...fixValues(release.fixes),
    notes: release.notes,
    sourceKind: release.source?.kind ?? "",
    sourceWhat: release.source?.what ?? "",
    ...rangeValues("from", conditions.from),
    ...markValues("over", TRACKS, conditions.fromTracks ?? []),
    ...requiresValues(conditions.requires),
    rollbackFloor: conditions.rollbackFloor ?? "",
    erases: conditions.erases,
    ...markValues("way", WAYS, conditions.ways),
    tool: tool?.name ?? "",
    ...rangeValues("tool", tool?.range),
    minutes: String(conditions.minutes),
    risk: String(conditions.risk),
    unchanged: conditions.unchanged,
    sha256: release.file?.sha256 ?? "",
    fileSize: release.file?.size == null ? "" : String(release.file.size),
    fileName: release.file?.name ?? "",
    withdrawnOn: release.withdrawn?.on ?? "",
    withdrawnWhy: release.withdrawn?.why ?? "",
  };
}
