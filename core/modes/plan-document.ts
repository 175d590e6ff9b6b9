// A band plan as a file, out and in: JSON of our own open format, or a table with a line for each segment.
import { z } from "zod";
import { bad, good, isPlainDate, type PlainDate, type Result } from "../quantities/index.ts";
import type { Segment } from "./privileges.ts";
import { segmentShape } from "./privileges-shape.ts";

export const MOST_SEGMENTS = 2000;

export const bandPlanDocument = z.strictObject({
  format: z.literal("mossy-cabinet/band-plan"),
  version: z.literal(1),
  /** It is the club's own entry, and no one's law. */
  from: z.string().min(1).max(200),
  segments: z.array(segmentShape).min(1).max(MOST_SEGMENTS),
});
export type BandPlanDocument = z.output<typeof bandPlanDocument>;

export const planDocument = (from: string, segments: readonly Segment[]): BandPlanDocument => ({
  format: "mossy-cabinet/band-plan",
  version: 1,
  from,
  segments: [...segments],
});

export const PLAN_COLUMNS = [
  "class",
  "from MHz",
  "to MHz",
  "watts",
  "bandwidth kHz",
  "since",
  "until",
  "note",
] as const;

export type PlanProblem =
  | { readonly kind: "no-plan" }
  | { readonly kind: "empty" }
  | { readonly kind: "too-many"; readonly most: number }
  /** `line` counts from 1, the headings among them; `at` is the column. */
  | { readonly kind: "wrong"; readonly line: number; readonly at: string; readonly says: string };

/** Each line as a row of texts, for a table. */
export const planRows = (plan: readonly Segment[]): Record<(typeof PLAN_COLUMNS)[number], string>[] =>
  plan.map((segment) => ({
    class: segment.class,
    "from MHz": mhz(segment.from),
    "to MHz": mhz(segment.to),
    watts: segment.watts === undefined ? "" : String(segment.watts),
    "bandwidth kHz": segment.bandwidth === undefined ? "" : String(segment.bandwidth / 1000),
    since: segment.since ?? "",
    until: segment.until ?? "",
    note: segment.note,
  }));

const mhz = (hertz: number): string => String(Number((hertz / 1e6).toFixed(6)));

/**
 * Reads a table's rows, by their headings; a comma may stand for the point. Problems: `empty`, `too-many`, `no-plan` if class or bounds have no
 * column, `wrong` with the line and column.
 */
export function readPlanRows(
  headings: readonly string[],
  rows: readonly Readonly<Record<string, string>>[],
): Result<Segment[], PlanProblem> {
  const known = new Map(headings.map((heading) => [heading.trim().toLowerCase(), heading]));
  const cell = (row: Readonly<Record<string, string>>, column: (typeof PLAN_COLUMNS)[number]) =>
    (row[known.get(column.toLowerCase()) ?? ""] ?? "").trim();
  if (["class", "from mhz", "to mhz"].some((column) => !known.has(column))) return bad({ kind: "no-plan" });
  if (rows.length === 0) return bad({ kind: "empty" });
  if (rows.length > MOST_SEGMENTS) return bad({ kind: "too-many", most: MOST_SEGMENTS });
  const plan: Segment[] = [];
  for (const [i, row] of rows.entries()) {
    const wrong = (at: string, says: string) => bad({ kind: "wrong" as const, line: i + 2, at, says });
    const numbers: Partial<Record<string, number>> = {};
    for (const [column, field, scale] of NUMBERS) {
      const text = cell(row, column);
      if (text === "") continue;
      const value = Number(text.replace(",", "."));
      if (!Number.isFinite(value)) return wrong(column, `“${text.slice(0, 40)}” is no number`);
      numbers[field] = scale === 1 ? value : Math.round(value * scale);
    }
    const days: Partial<Record<"since" | "until", PlainDate>> = {};
    for (const column of ["since", "until"] as const) {
      const text = cell(row, column);
      if (text === "") continue;
      if (!isPlainDate(text)) return wrong(column, `“${text.slice(0, 40)}” is no day such as 2027-05-02`);
      days[column] = text;
    }
    const read = segmentShape.safeParse({
      class: cell(row, "class"),
      note: cell(row, "note"),
      ...numbers,
      ...days,
    });
    if (!read.success) {
      const [issue] = read.error.issues;
      return wrong(COLUMN_OF[String(issue?.path[0])] ?? "class", issue?.message ?? "is wrong");
    }
    plan.push(read.data);
  }
  return good(plan);
}

const NUMBERS = [
  ["from MHz", "from", 1e6],
  ["to MHz", "to", 1e6],
  ["watts", "watts", 1],
  ["bandwidth kHz", "bandwidth", 1000],
] as const;
const COLUMN_OF: Readonly<Record<string, string>> = {
  from: "from MHz",
  to: "to MHz",
  bandwidth: "bandwidth kHz",
  class: "class",
  watts: "watts",
  since: "since",
  until: "until",
  note: "note",
};

/** Reads our own JSON. Problems: `no-plan`, or `wrong` with the place. */
export function readPlanDocument(text: string): Result<Segment[], PlanProblem> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return bad({ kind: "no-plan" });
  }
  const read = bandPlanDocument.safeParse(raw);
  if (read.success) return good(read.data.segments);
  const [issue] = read.error.issues;
  if (issue?.path[0] !== "segments") return bad({ kind: "no-plan" });
  return bad({
    kind: "wrong",
    line: Number(issue.path[1] ?? 0) + 1,
    at: String(issue.path[2] ?? "segments"),
    says: issue.message,
  });
}
