// The form of a procedure: fields as text, read into what is stored, and back; a quirk's form shares its parts.
import { z } from "zod";
import { EFFECTS, type Layout, PURPOSES, readSteps, stepText } from "#core/dossier/index.ts";
import { bad, good, mustFind, type Result, SOURCE_KINDS } from "#core/quantities/index.ts";
import { parseRange, rangeText } from "#core/version/index.ts";
import type { ProcedureFields, ProcedureRow, QuirkRow, RevisionRow } from "#db/model/index.ts";
import { sayLineProblem } from "../../ui/words/step.ts";

export type Values = Record<string, string>;
export type Errors = Record<string, string>;

export const sharedFields = {
  component: z.string().default(""),
  firmware: z.string().trim().default(""),
  sourceKind: z.enum(SOURCE_KINDS, { error: "Say where it is from." }),
  sourceWhat: z.string().trim().max(300).default(""),
};

const procedureFields = z.object({
  ...sharedFields,
  purpose: z.enum(PURPOSES),
  title: z.string().trim().min(1, "Say what it is.").max(120, "At most 120 characters."),
  effect: z.enum(EFFECTS),
  steps: z.string().max(20_000, "At most 20,000 characters.").default(""),
  revisions: z.string().default(""),
  minutes: z.coerce.number({ error: "A whole number." }).int("A whole number.").min(1).max(1000),
});

const quirkFields = z.object({
  ...sharedFields,
  symptom: z.string().trim().min(1, "Say what one sees.").max(500, "At most 500 characters."),
  cause: z.string().trim().max(1000).default(""),
  cure: z.string().trim().max(1000).default(""),
});

export type Known = {
  readonly layout: Layout | undefined;
  readonly parts: readonly { readonly id: string; readonly name: string }[];
  readonly revisions: readonly RevisionRow[];
};

const errorsOf = (error: z.ZodError): Errors => {
  const errors: Errors = {};
  for (const issue of error.issues) errors[String(issue.path[0])] ??= issue.message;
  return errors;
};

/** The part and range that firmware fields name; what is wrong goes into `errors`. */
export function firmwareOf(data: { component: string; firmware: string }, known: Known, errors: Errors) {
  if (data.firmware === "") return { component: null, firmware: null };
  const only = known.parts.length === 1 ? known.parts[0] : undefined;
  const part = data.component === "" ? only : known.parts.find((p) => p.id === data.component);
  if (!part)
    errors.component =
      data.component === "" ? "Say of which part these versions are." : "This model has no such part.";
  const range = parseRange(data.firmware);
  if (!range.ok)
    errors.firmware = `“${range.problem.part}” is no range: write for instance >= 1.06, or 1.06 to 1.12.`;
  return { component: part?.id ?? null, firmware: range.ok ? range.value : null };
}

/** The hardware revisions that a list of names means; what is none of them goes into `errors`. */
export function revisionsIn(text: string, known: Pick<Known, "revisions">, errors: Errors): string[] {
  const names = text
    .split(",")
    .map((name) => name.trim())
    .filter(Boolean);
  const found = names.flatMap(
    (name) => known.revisions.find((r) => r.name.toLowerCase() === name.toLowerCase())?.id ?? [],
  );
  if (found.length < names.length) errors.revisions = "This model has no such hardware revision.";
  return found;
}

type ReadAs<Fields> = Result<Fields, { readonly kind: "fields"; readonly errors: Errors }>;
const wrong = (errors: Errors) => bad({ kind: "fields" as const, errors });
type Procedure = Omit<ProcedureFields, "component_id" | "hardware_revisions"> & {
  readonly component: string | null;
  readonly revisions: readonly string[] | null;
};
type Quirk = Omit<QuirkRow, "id" | "component_id"> & { readonly component: string | null };

/** Reads a posted procedure. With `draft`, lines that cannot be read and unknown keys become notes and are let through. */
export function readProcedure(values: Values, known: Known, draft: boolean): ReadAs<Procedure> {
  const parsed = procedureFields.safeParse(values);
  if (!parsed.success) return wrong(errorsOf(parsed.error));
  const { data } = parsed;
  const errors: Errors = {};
  const firmware = firmwareOf(data, known, errors);
  const revisions = revisionsIn(data.revisions, known, errors);
  const { steps, problems } = readSteps(data.steps, known.layout);
  if (problems.length > 0 && !draft) errors.steps = problems.slice(0, 3).map(sayLineProblem).join(" ");
  const all = draft ? withUnread(data.steps, steps) : steps.map((s) => s.step);
  if (all.length === 0) errors.steps = "Write at least one step.";
  if (Object.keys(errors).length > 0) return wrong(errors);
  return good({
    purpose: data.purpose,
    title: data.title,
    effect: data.effect,
    steps: all,
    ...firmware,
    revisions: revisions.length > 0 ? revisions : null,
    minutes: data.minutes,
    source: { kind: data.sourceKind, what: data.sourceWhat },
    draft: draft && problems.length > 0,
  });
}

/** In a draft nothing is lost: a line that is no step yet is kept as a note. */
function withUnread(text: string, steps: ReturnType<typeof readSteps>["steps"]): ProcedureFields["steps"] {
  return text.split(/\r\n?|\n/).flatMap((line, i) => {
    if (line.trim() === "") return [];
    const read = steps.find((s) => s.line === i + 1);
    return [read ? read.step : { kind: "note" as const, what: line.trim().slice(0, 300) }];
  });
}

export function readQuirk(values: Values, known: Known): ReadAs<Quirk> {
  const parsed = quirkFields.safeParse(values);
  if (!parsed.success) return wrong(errorsOf(parsed.error));
  const { data } = parsed;
  const errors: Errors = {};
  const firmware = firmwareOf(data, known, errors);
  if (Object.keys(errors).length > 0) return wrong(errors);
  const { symptom, cause, cure } = data;
  const source = { kind: data.sourceKind, what: data.sourceWhat };
  return good({ symptom, cause, cure, ...firmware, source });
}

export const sharedValues = (row: Pick<ProcedureRow, "component_id" | "firmware" | "source">): Values => ({
  component: row.component_id ?? "",
  firmware: row.firmware ? rangeText(row.firmware) : "",
  sourceKind: row.source.kind,
  sourceWhat: row.source.what,
});

export const procedureValues = (row: ProcedureRow, revisions: readonly RevisionRow[]): Values => ({
  ...sharedValues(row),
  purpose: row.purpose,
  title: row.title,
  effect: row.effect,
  steps: row.steps.map(stepText).join("\n"),
  revisions: (row.hardware_revisions ?? []).map((id) => mustFind(revisions, id).name).join(", "),
  minutes: String(row.minutes),
});

export const quirkValues = (row: QuirkRow): Values => ({
  ...sharedValues(row),
  symptom: row.symptom,
  cause: row.cause,
  cure: row.cure,
});
