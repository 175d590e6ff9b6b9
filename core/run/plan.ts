// What a run is to do: a list of stages, each a list of steps. Whoever moves through it does not know what it is for.
import type { Step } from "../dossier/step.ts";
import type { Gate } from "./event.ts";

export const RUN_PURPOSES = ["update", "read", "backup", "restore", "procedure"] as const;
export type RunPurpose = (typeof RUN_PURPOSES)[number];

export const STAGES = [
  "gather",
  "gates",
  "back-up",
  "enter",
  "flash",
  "boot",
  "read-back",
  "restore",
  "after",
  "put-away",
  "do",
] as const;
export type StageName = (typeof STAGES)[number];

/** What one step asks for. Minutes are what it usually takes, as the dossier declares it. */
export type RunStep = { readonly minutes: number } & (
  | { readonly kind: "gather"; readonly what: string }
  | { readonly kind: "gate"; readonly gate: Gate }
  /** A step of a written procedure. */
  | { readonly kind: "do"; readonly step: Step }
  /** Nobody has written down how: what is done is noted. */
  | { readonly kind: "open"; readonly wanted: string }
  | { readonly kind: "machine"; readonly work: "flash" | "read" | "write"; readonly erases: boolean }
  /** The version is read and written down; `release`: what it should be. */
  | { readonly kind: "read-back"; readonly component: string; readonly release?: string }
  | { readonly kind: "put-away"; readonly what: string }
);

export type Stage = { readonly name: StageName; readonly title: string; readonly steps: readonly RunStep[] };
export type RunPlan = { readonly purpose: RunPurpose; readonly stages: readonly Stage[] };

export type PlacedStep = {
  /** Its place among all steps of the plan, from 0. */
  readonly place: number;
  readonly stage: number;
  readonly step: RunStep;
};

/** All steps of a plan, one after the other. */
export const stepsOf = (plan: RunPlan): PlacedStep[] => {
  let place = 0;
  return plan.stages.flatMap(({ steps }, stage) => steps.map((step) => ({ place: place++, stage, step })));
};

/** Whether a step changes the radio so that going back before it would not undo it. */
export const isFinal = (step: RunStep): boolean =>
  step.kind === "machine" ? step.work !== "read" : step.kind === "read-back";
