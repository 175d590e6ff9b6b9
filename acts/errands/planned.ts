// What is planned for a radio that is taken to the bench, and why nothing can be.
import type { KnownProcedure, RunPlan } from "#core/run/index.ts";
import type { Thing } from "#db/run/index.ts";

export type PlanProblem =
  | { readonly kind: "no-unit" }
  | { readonly kind: "no-procedure" }
  | { readonly kind: "no-component" }
  /** The procedure is a draft, or for other firmware or hardware. */
  | { readonly kind: "other-radio" }
  /** It flashes, erases or unlocks: it is part of a run that has its gates. */
  | { readonly kind: "needs-gates" }
  /** It needs no firmware. */
  | { readonly kind: "nothing-due" }
  /** The release that was asked for is not there any more, withdrawn, or of a track that its policy does not admit. */
  | { readonly kind: "no-release" }
  /** Nothing leads there, or it cannot be told whether anything does. */
  | { readonly kind: "no-way" }
  /** What it needs fits some hardware of its model only, and nobody has noted which it has. */
  | { readonly kind: "hardware-unknown" }
  /** That is no backup of this radio. */
  | { readonly kind: "no-backup" }
  /** There is no such device, or its battery is out of use. */
  | { readonly kind: "no-device" }
  /** Nothing of ours joins its antenna socket to a dummy load: the sockets by their names. */
  | { readonly kind: "no-adapter"; readonly radio: string; readonly load: string }
  /** The club has no plan of channels, or not for this model. */
  | { readonly kind: "no-plan" }
  /** There is no such revision, or neither its file nor its channels are known. */
  | { readonly kind: "no-codeplug" }
  /** There is no such profile any more. */
  | { readonly kind: "no-profile" }
  /** The profile was read from a radio of another model: written into this one it would be no codeplug. */
  | { readonly kind: "other-model"; readonly base: string; readonly model: string }
  /** Its model has no such mode, or not with what it runs. */
  | { readonly kind: "no-mode" };

export type Planned = {
  readonly plan: RunPlan;
  readonly title: string;
  /** What it works with, from the chains it goes by. */
  readonly things: readonly Thing[];
  /** Every chain by which its first install, or what it reads or writes, can be reached, in words; the best known first. */
  readonly ways: readonly { readonly key: string; readonly what: string }[];
  /** Of an update: the other releases that may be gone to instead, in words; the newest first. Whether a way leads there is not looked at yet. */
  readonly goals?: readonly { readonly id: string; readonly what: string }[];
  /** The file that is written, where it is not kept yet. */
  readonly text?: string;
  /** The procedures in it that erase. */
  readonly erasing: readonly Pick<KnownProcedure, "id" | "title">[];
};
