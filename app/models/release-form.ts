// The form of a release: its fields as text, read into what is stored, and back.
import { z } from "zod";
import { type PlainDate, plainDate } from "#core/quantities/date.ts";
import { typedList } from "#core/quantities/list.ts";
import { SOURCE_KINDS } from "#core/quantities/source.ts";
import { type Fix, TRACKS, URGENCIES } from "#core/release/catalogue.ts";
import { type Conditions, conditionsShape, ERASES, WAYS } from "#core/release/conditions.ts";
import { parseRange, type Range, rangeText } from "#core/version/range.ts";
import type { ReleaseRow } from "#db/facts.ts";
import type { RevisionRow } from "#db/models.ts";

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

export const releaseShape = z.object({
  component: z.string(),
  version: z.string().trim().min(1, "A release has a version.").max(200, "At most 200 characters."),
  releasedOn: z
    .string()
    .refine((text) => plainDate.safeParse(text).success, "A real date, such as 2027-05-02.")
    .pipe(plainDate),
  track: z.enum(TRACKS),
  aliases: list,
  revisions: list,
  regions: list,
  fixes: fixLines,
  notes: z.string().trim().max(2000).default(""),
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

export const conditionsOf = (data: z.output<typeof releaseShape>): Conditions => ({
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

export const newReleaseValues = (today: PlainDate): ReleaseValues => ({
  releasedOn: today,
  track: "factory",
  erases: "nothing",
  minutes: "5",
  risk: "2",
});

export function releaseValues(row: ReleaseRow, revisions: readonly RevisionRow[]): ReleaseValues {
  const conditions = conditionsShape.parse(row.conditions);
  const tool = conditions.tool;
  return {
    component: row.component_id,
    version: row.version,
    releasedOn: row.released_on,
    track: row.track,
    aliases: row.aliases.join(", "),
    revisions: (row.hardware_revisions ?? [])
      .map((id) => revisions.find((r) => r.id === id)?.name ?? "")
      .join(", "),
    regions: (row.regions ?? []).join(", "),
    fixes: row.fixes.map((f) => `${f.tag}, ${f.urgency}, ${f.text}`).join("\n"),
    notes: row.notes,
    sourceKind: row.source_kind ?? "",
    sourceWhat: row.source,
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
    sha256: row.file_sha256 ?? "",
    fileSize: row.file_size ?? "",
    fileName: row.file_name,
    withdrawnOn: row.withdrawn_on ?? "",
    withdrawnWhy: row.withdrawn_why ?? "",
  };
}
