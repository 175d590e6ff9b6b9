// A procedure: typed steps for one purpose on one model, valid for a range of firmware and hardware.
import { z } from "zod";
import { sourceShape } from "../quantities/index.ts";
import { rangeShape } from "../version/index.ts";
import { keysOf, type Layout } from "./layout.ts";
import { parseStep, type Step, type StepProblem, stepShape } from "./step.ts";

export const PURPOSES = [
  "read-version",
  "update-mode",
  "flash",
  "recover",
  "back-up",
  "restore",
  "factory-reset",
  "service-menu",
  "change-mode",
] as const;
export type Purpose = (typeof PURPOSES)[number];

/** What it does to the radio beside its purpose, from nothing to the worst. */
export const EFFECTS = ["harmless", "mode", "unlock", "erase"] as const;
export type Effect = (typeof EFFECTS)[number];

export const procedureShape = z.object({
  purpose: z.enum(PURPOSES),
  title: z.string().trim().min(1, "Say what it is.").max(120),
  effect: z.enum(EFFECTS).default("harmless"),
  steps: z.array(stepShape).min(1, "At least one step.").max(100, "At most 100 steps."),
  /** The component, by name, and the versions for which it holds; absent: all. */
  firmware: z.object({ component: z.string(), range: rangeShape }).optional(),
  /** Hardware revisions, by name; absent: all. */
  hardwareRevisions: z.array(z.string()).min(1).optional(),
  minutes: z.number().int().min(1).max(1000).default(5),
  source: sourceShape,
});
export type Procedure = z.infer<typeof procedureShape>;

/** What is shown only to those who may see how a radio is unlocked, each showing noted in the log. */
export const GUARDED_PARTS = [
  "procedure",
  "mode",
  "service-menu",
  "service-values",
  "dossier",
  "run",
  "club",
] as const;
export type GuardedPart = (typeof GUARDED_PARTS)[number];

/** Whether its steps are shown only to bench and keeper, and every showing is noted: those that unlock a radio. */
export const isGuarded = ({ effect }: Pick<Procedure, "effect">): boolean => effect === "unlock";

/** Of a guarded procedure no more than the combination that begins it: whoever holds keys has to be warned of that. */
export const withoutSteps = <P extends Pick<Procedure, "effect" | "steps">>(procedure: P): P => ({
  ...procedure,
  steps: procedure.steps.filter((step) => step.kind === "hold").slice(0, 1),
});

export type LineProblem = { readonly line: number } & (
  | StepProblem
  | { readonly kind: "unknown-key"; readonly key: string }
);

export type ReadSteps = {
  /** By line; what cannot be read is absent. */
  readonly steps: readonly { readonly line: number; readonly step: Step }[];
  readonly problems: readonly LineProblem[];
};

/** Reads a text of one step a line; empty lines are passed over. `line` counts from 1. Keys must be on the layout. */
export function readSteps(text: string, layout: Layout | undefined): ReadSteps {
  const steps: { line: number; step: Step }[] = [];
  const problems: LineProblem[] = [];
  for (const [i, raw] of text.split(/\r\n?|\n/).entries()) {
    if (raw.trim() === "") continue;
    const line = i + 1;
    const read = parseStep(raw);
    if (!read.ok) {
      problems.push({ line, ...read.problem });
      continue;
    }
    steps.push({ line, step: read.value });
    for (const key of unknownKeys(read.value, layout)) problems.push({ line, kind: "unknown-key", key });
  }
  return { steps, problems };
}

/** The keys a step names that the layout lacks; none where the layout is not known. */
export function unknownKeys(step: Step, layout: Layout | undefined): string[] {
  if (!layout || (step.kind !== "hold" && step.kind !== "press")) return [];
  const known = new Set(keysOf(layout).map((key) => key.toLowerCase()));
  return step.keys.filter((key) => !known.has(key.toLowerCase()));
}
