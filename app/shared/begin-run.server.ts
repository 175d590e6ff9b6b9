// Takes a radio to the bench from a form, wherever that stands: its page, Due, the wall, the bench.
import { ERRAND_SHAPES, isErrand } from "#acts/errands/plan.ts";
import type { beginAnew } from "#acts/run/begin-anew.ts";
import { beginRun } from "#acts/run/begin-run.ts";
import type { SignedIn } from "../context.ts";
import { inputFrom } from "../forms/input-from.ts";
import { type ProblemsOf, performForm } from "../forms/perform.server.ts";
import { type Refusal, refusalOf } from "./refusals.server.ts";

export type Begun = { readonly ok: true; readonly run: string } | ({ readonly ok: false } & Refusal);

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
  return { ok: false, ...sayBeginProblem(done.problem, unit.tag) };
}

/** The errand that a form names, with what it asks; what is of one text stands in a field of the errand's own name. */
function errandFrom(form: FormData): unknown {
  const named = String(form.get("for") ?? "");
  const name = isErrand(named) ? named : form.has("component") ? "component" : "procedure";
  const shape = ERRAND_SHAPES[name];
  return { [name]: shape.safeParse("1").success ? form.get(name) : inputFrom(form, shape) };
}

/** Why a radio cannot be taken to the bench, in a sentence. */
export const sayBeginProblem = (
  problem: ProblemsOf<typeof beginRun> | ProblemsOf<typeof beginAnew>,
  tag: string,
): Refusal =>
  refusalOf(
    problem,
    {
      out: ({ with: holder }) => `${tag} is with ${holder}: fetch it first.`,
      "no-backup": { status: 404, says: `That is no backup of ${tag}.` },
    },
    { tag },
  );
