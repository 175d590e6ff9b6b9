// The action of a page on which one thing is corrected, written down or shelved: every way out of its act has its answer.
import { redirect } from "react-router";
import type { Act } from "#acts/define.ts";
import type { Result } from "#core/quantities/index.ts";
import type { SignedIn } from "../../context.ts";
import type { FormProblem } from "../../forms/perform.server.ts";
import { type Corrected, saveForm } from "../../forms/save.server.ts";
import { type OwnWords, refuseForm } from "../refusals.server.ts";

/**
 * Does what the form asks for. `shelve`: takes it out; absent for what is new. `there`: the page to go to when it is done; `saved`: another one, once it is saved. `own`: words for
 * what these acts alone answer.
 */
export async function editOne<Name extends string, Input, Answer, Problem extends { kind: string }>(
  who: SignedIn,
  form: FormData,
  page: Corrected & {
    readonly write: Act<Name, Input, Answer, Problem>;
    readonly shelve?: (() => Promise<Result<unknown, Problem | FormProblem>>) | undefined;
    readonly there: string;
    readonly saved?: (answer: Answer) => string;
    readonly own: OwnWords<Exclude<Problem | FormProblem, { kind: "clash" } | { kind: "refused" }>>;
  },
) {
  const { write, shelve, there, saved, own, ...corrected } = page;
  if (shelve && form.get("intent") === "shelve") {
    const done = await shelve();
    if (!done.ok) return refuseForm(form, done.problem, own as never);
    return redirect(there);
  }
  const done = await saveForm(write, who, form, corrected);
  if (done.ok) return redirect(saved ? saved(done.value) : there);
  return refuseForm(form, done.problem, own as never);
}
