// Takes a radio to the bench from a form, wherever that stands: its page, Due, the wall, the bench.
import { ERRAND_SHAPES, isErrand } from "#acts/errands/plan.ts";
import type { beginAnew } from "#acts/run/begin-anew.ts";
import { beginRun } from "#acts/run/begin-run.ts";
import type { SignedIn } from "../context.ts";
import { inputFrom } from "../forms/input-from.ts";
import { NOT_WHOLE, type ProblemsOf, performForm } from "../forms/perform.server.ts";

export type Begun =
  | { readonly ok: true; readonly run: string }
  | { readonly ok: false; readonly status: number; readonly says: string };

/**
 * The form's `for` is the name of an errand; `procedure`, `backup`, `device` and so on name which one.
 * `chain` is another chain than the best, `to` another release than it needs.
 */
export async function beginByForm(
  who: SignedIn,
  unit: { readonly id: string; readonly tag: string },
  form: FormData,
): Promise<Begun> {
  const done = await performForm(beginRun, who, form, { unit: unit.id, for: errandFrom(form) });
  if (done.ok) return { ok: true, run: done.value.answer.run };
  const [status, says] = sayBeginProblem(done.problem, unit.tag);
  return { ok: false, status, says };
}

/** The errand that a form names, with what it asks; what is of one text stands in a field of the errand's own name. */
function errandFrom(form: FormData): unknown {
  const named = String(form.get("for") ?? "");
  const name = isErrand(named) ? named : form.has("component") ? "component" : "procedure";
  const shape = ERRAND_SHAPES[name];
  return { [name]: shape.safeParse("1").success ? form.get(name) : inputFrom(form, shape) };
}

type Problem = ProblemsOf<typeof beginRun> | ProblemsOf<typeof beginAnew>;

/** Why a radio cannot be taken to the bench, in a sentence. */
export function sayBeginProblem(problem: Problem, tag: string): [status: number, says: string] {
  const refused = (status: number, says: string): [number, string] => [status, says];
  switch (problem.kind) {
    case "no-key":
      return refused(400, NOT_WHOLE);
    case "input":
      return refused(400, NOT_WHOLE);
    case "no-unit":
      return refused(404, "That radio is not in the cabinet.");
    case "shelved":
      return refused(409, `${tag} is shelved; recover it first.`);
    case "no-mode":
      return refused(409, `${tag} has no such mode, or not with what it runs.`);
    case "busy":
      return refused(409, `${tag} is at the bench already: go on there, or stop it first.`);
    case "out":
      return refused(409, `${tag} is with ${problem.with}: fetch it first.`);
    case "practise":
      return refused(
        409,
        `The club asks for ${problem.asks} clean tries of “${problem.what}” in practice before a real radio is erased; you have ${problem.has}.`,
      );
    case "no-procedure":
    case "no-component":
      return refused(404, "That is not in its dossier any more.");
    case "needs-gates":
      return refused(409, "What flashes, erases or unlocks is not gone through by itself.");
    case "other-radio":
      return refused(409, "That procedure is a draft, or not for what this radio is and runs.");
    case "nothing-due":
      return refused(409, `${tag} needs no firmware for that.`);
    case "no-release":
      return refused(
        409,
        "That release cannot be gone to: it is withdrawn or shelved, or of a track that is not for this radio.",
      );
    case "no-way":
      return refused(409, `Nothing leads ${tag} there; its page says what stops it.`);
    case "hardware-unknown":
      return refused(409, `What ${tag} needs fits some hardware only: note first which it has.`);
    case "no-device":
      return refused(409, "That device is on the shelf, or its battery is out of use.");
    case "no-adapter":
      return refused(
        409,
        `No adapter of ours joins ${tag} (${problem.radio}) to a dummy load (${problem.load}): add one in Kit, or fetch it.`,
      );
    case "no-plan":
      return refused(
        409,
        `There is no plan of channels for ${tag} yet: issue one first, and note what its model holds.`,
      );
    case "no-codeplug":
      return refused(404, "Neither its file nor its channels are known: there is nothing to write.");
    case "no-profile":
      return refused(404, "That profile is not kept any more.");
    case "other-model":
      return refused(
        409,
        `That profile was read from ${problem.base}, a ${problem.model}: it is no codeplug for ${tag}, and is not written into it.`,
      );
    case "no-backup":
      return refused(404, `That is no backup of ${tag}.`);
    case "no-run":
      return refused(404, "That run is not here.");
    case "no-errand":
      return refused(409, "What that run was for is not known any more: begin it from the radio's page.");
    case "over":
      return refused(409, "This run is over.");
    case "held":
      return refused(
        409,
        `${problem.by} is at this bench. Take it over first, or leave it to ${problem.by}.`,
      );
  }
}
