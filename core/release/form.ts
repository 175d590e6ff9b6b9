// A release as texts, as a form holds them: read into its shape, and back.
import { z } from "zod";
import { type PlainDate, plainDate } from "../quantities/date.ts";
import { typedList } from "../quantities/list.ts";
import { bad, good, type Result } from "../quantities/result.ts";
import { SOURCE_KINDS } from "../quantities/source.ts";
import { parseRange, type Range, rangeText } from "../version/range.ts";
import { type Conditions, ERASES, isPlain, PLAIN_CONDITIONS, WAYS } from "./conditions.ts";
import { type Fix, type WrittenRelease, releaseShape as written } from "./release.ts";
import { TRACKS, URGENCIES } from "./words.ts";

export type ReleaseValues = Record<string, string>;

const list = z
  .string()
  .default("")
  .transform((text) => typedList(text, ","));

const choices = <Word extends string>(words: readonly Word[]) =>
  z
    .string()
    .default("")
    .transform((text, context): Word[] => {
      const found = typedList(text.toLowerCase(), ",").map((word) => {
        const known = words.find((w) => w === word);
        if (!known) {
          context.addIssue({
            code: "custom",
            message: `“${word.slice(0, 40)}” is none of: ${words.join(", ")}.`,
          });
        }
        return known;
      });
      return found.filter((word) => word !== undefined);
    });

/** Reads a range in a form, or says beside the field what was expected. */
function readRange(text: string, context: z.RefinementCtx): Range | undefined {
  const read = parseRange(text);
  if (read.ok) return read.value;
  const part = read.problem.part;
  context.addIssue({
    code: "custom",
    message: `“${part}” is no range: write for instance >= 1.06, or 1.06 to 1.12, or < 1.14.`,
  });
  return undefined;
}

const rangeField = z
  .string()
  .trim()
  .default("")
  .transform((text, context) => (text === "" ? undefined : readRange(text, context)));

const requiresField = z
  .string()
  .default("")
  .transform((text, context) =>
    typedList(text, "\n").flatMap((line) => {
      const parts = /^(\S+)[\s:]+(\S.*)$/.exec(line);
      if (!parts?.[1] || !parts[2]) {
        context.addIssue({
          code: "custom",
          message: `“${line.slice(0, 60)}”: write a part and a range, for instance: dsp >= 2.0.`,
        });
        return [];
      }
      const range = readRange(parts[2], context);
      return range ? [{ component: parts[1].replace(/:$/, ""), range }] : [];
    }),
  );

const toolField = z
  .string()
  .trim()
  .default("")
  .transform((text, context) => {
    if (text === "") return undefined;
    const [name = "", ...rest] = text.split(",").map((part) => part.trim());
    const range = rest.length > 0 ? readRange(rest.join(", "), context) : undefined;
    return { name, ...(range && { range }) };
  });

const fixLines = z
  .string()
  .default("")
  .transform((text, context): Fix[] =>
    typedList(text, "\n").flatMap((line) => {
      const [tag = "", word = "", ...words] = line.split(",").map((part) => part.trim());
      const urgency = URGENCIES.find((u) => u === word.toLowerCase());
      if (tag && urgency && words.length > 0) return [{ tag, urgency, text: words.join(", ") }];
      context.addIssue({
        code: "custom",
        message: `“${line.slice(0, 60)}”: write tag, urgency, words; for instance: clock, fix, keeps the time.`,
      });
      return [];
    }),
  );

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
  aliases: list,
  revisions: list,
  regions: list,
  fixes: fixLines,
  notes: z.string().trim().max(2000, "At most 2,000 signs.").default(""),
  sourceKind: z.enum(["", ...SOURCE_KINDS]).default(""),
  sourceWhat: z.string().trim().max(300).default(""),
  from: rangeField,
  fromTracks: choices(TRACKS),
  requires: requiresField,
  rollbackFloor: z.string().trim().max(200).default(""),
  erases: z.enum(ERASES).default("nothing"),
  ways: choices(WAYS),
  tool: toolField,
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

const conditionsOf = (data: z.output<typeof texts>): Conditions => ({
  ...(data.from && { from: data.from }),
  ...(data.fromTracks.length > 0 && { fromTracks: data.fromTracks }),
  requires: data.requires,
  ...(data.rollbackFloor !== "" && { rollbackFloor: data.rollbackFloor }),
  erases: data.erases,
  ways: data.ways,
  ...(data.tool && { tool: data.tool }),
  minutes: data.minutes,
  risk: data.risk,
  unchanged: data.unchanged,
});

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
  hardwareRevisions: "At most 200, of at most 200 characters.",
  regions: "At most 50, of at most 200 characters.",
  fixes: "At most 200 lines; a tag has at most 100 characters, its words 500.",
  conditions: "At most 50 requirements.",
};
const FIELD: Readonly<Record<string, string>> = { hardwareRevisions: "revisions", conditions: "requires" };

/** Reads a form. Problem `fields`: what is wrong with each, by its name. Hardware revisions go by their names. */
export function readRelease(
  values: Readonly<Record<string, unknown>>,
): Result<
  { readonly component: string; readonly release: WrittenRelease },
  { readonly kind: "fields"; readonly errors: Record<string, string> }
> {
  const errors: Record<string, string> = {};
  const read = texts.safeParse(values);
  if (!read.success) {
    for (const issue of read.error.issues) errors[String(issue.path[0])] ??= issue.message;
    return bad({ kind: "fields", errors });
  }
  const { data } = read;
  if (data.withdrawnOn !== "" && data.withdrawnWhy === "") errors.withdrawnWhy = "Say why it was withdrawn.";
  if (data.sourceWhat !== "" && data.sourceKind === "")
    errors.sourceKind = "Say what kind of source that is.";
  const conditions = conditionsOf(data);
  const shaped = written.safeParse({
    version: data.version,
    aliases: data.aliases,
    track: data.track,
    releasedOn: data.releasedOn,
    fixes: data.fixes,
    notes: data.notes,
    ...(!isPlain(conditions) && { conditions }),
    ...(data.revisions.length > 0 && { hardwareRevisions: data.revisions }),
    ...(data.regions.length > 0 && { regions: data.regions }),
    ...(data.sourceKind !== "" && { source: { kind: data.sourceKind, what: data.sourceWhat } }),
    ...(data.withdrawnOn !== "" && {
      withdrawn: { on: data.withdrawnOn, why: data.withdrawnWhy || "-" },
    }),
    ...(data.sha256 !== "" && {
      file: { sha256: data.sha256, size: data.fileSize === "" ? null : data.fileSize, name: data.fileName },
    }),
  });
  for (const issue of shaped.error?.issues ?? []) {
    const name = String(issue.path[0]);
    errors[FIELD[name] ?? name] ??= TOO_LONG[name] ?? issue.message;
  }
  if (!shaped.success || Object.keys(errors).length > 0) return bad({ kind: "fields", errors });
  return good({ component: data.component, release: shaped.data });
}

/** A release as its form shows it. */
export function releaseValues(component: string, release: WrittenRelease): ReleaseValues {
  const conditions = release.conditions ?? PLAIN_CONDITIONS;
  const { tool } = conditions;
  return {
    component,
    version: release.version,
    releasedOn: release.releasedOn,
    track: release.track,
    aliases: release.aliases.join(", "),
    revisions: (release.hardwareRevisions ?? []).join(", "),
    regions: (release.regions ?? []).join(", "),
    fixes: release.fixes.map((f) => `${f.tag}, ${f.urgency}, ${f.text}`).join("\n"),
    notes: release.notes,
    sourceKind: release.source?.kind ?? "",
    sourceWhat: release.source?.what ?? "",
    from: conditions.from ? rangeText(conditions.from) : "",
    fromTracks: (conditions.fromTracks ?? []).join(", "),
    requires: conditions.requires.map((r) => `${r.component} ${rangeText(r.range)}`).join("\n"),
    rollbackFloor: conditions.rollbackFloor ?? "",
    erases: conditions.erases,
    ways: conditions.ways.join(", "),
    tool: tool ? [tool.name, ...(tool.range ? [rangeText(tool.range)] : [])].join(", ") : "",
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
