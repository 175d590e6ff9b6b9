// From a form to an act: with the form's key, and in the transaction of its route.
import { type Act, type CommonProblem, type Performed, performIn } from "#acts/define.ts";
import { bad, type Result } from "#core/quantities/result.ts";
import type { Tx } from "#db/pool.ts";
import { notAllowed, type SignedIn } from "../context.ts";
import { KEY } from "./form-key.tsx";

type InputProblem = Exclude<CommonProblem, { kind: "not-allowed" }>;
export type FormProblem = InputProblem | { readonly kind: "no-key" };

/** Does an act as a form asks for it. Throws 403 for whoever may not. Problems: the act's own; `input`; `no-key`. */
export async function performForm<Name extends string, Input, Answer, Problem extends { kind: string }>(
  tx: Tx,
  act: Act<Name, Input, Answer, Problem>,
  who: SignedIn,
  form: FormData,
  input: Readonly<Record<string, unknown>>,
): Promise<Result<Performed<Answer>, Problem | FormProblem>> {
  const key = form.get(KEY);
  const whole = typeof key === "string" && /^[\w-]{8,100}$/.test(key);
  // Whoever may not is told so whether the form was whole or not; without a key nothing is done.
  const done = await performIn(tx, act, who, whole ? input : undefined, whole ? key : "");
  if (done.ok) return done;
  const { problem } = done;
  if (problem.kind === "not-allowed" && "act" in problem) throw notAllowed(problem.act);
  return whole ? bad(problem as Problem | InputProblem) : bad({ kind: "no-key" });
}

/** Said of a form without its key, or with less in it than its page sends. */
export const NOT_WHOLE = "This form was not whole; send it again.";

/** A field as it was typed; nothing typed is nothing told. */
export const told = (form: FormData, name: string): string | undefined => {
  const value = form.get(name);
  return typeof value === "string" && value !== "" ? value : undefined;
};

/** The first thing that is wrong with what a form held, in the words of the act; `otherwise` where those are the library's own. */
export function firstIssue(problem: InputProblem, otherwise = "Something is missing."): string {
  const [first] = problem.issues;
  return first && /^[A-Z].*\.$/.test(first.says) ? first.says : otherwise;
}
