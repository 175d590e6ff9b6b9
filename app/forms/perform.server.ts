// From a form to an act: with the form's key, in a transaction of the act's own.
import { type Act, type CommonProblem, type Performed, perform } from "#acts/define.ts";
import { bad, type Result } from "#core/quantities/index.ts";
import { orAway } from "../away.server.ts";
import { notAllowed, type SignedIn } from "../context.ts";
import { KEY } from "./form-key.tsx";
import { inputFrom } from "./input-from.ts";

export type InputProblem = Extract<CommonProblem, { kind: "input" }>;
export type Clash = Extract<CommonProblem, { kind: "clash" }>;
/** All that an act may answer to a form, so that whoever puts it into words forgets none. */
export type ProblemsOf<Of> =
  Of extends Act<string, infer _Input, infer _Answer, infer Problem> ? Problem | FormProblem : never;
export type FormProblem = InputProblem | { readonly kind: "no-key" };

/** Does an act as a form asks for it: its fields are read from the form by their names, but for what is given. Throws 403 for whoever may not. Problems: the act's own; `input`; `no-key`. */
export async function performForm<Name extends string, Input, Answer, Problem extends { kind: string }>(
  act: Act<Name, Input, Answer, Problem>,
  who: SignedIn,
  form: FormData,
  given: Readonly<Record<string, unknown>> = {},
): Promise<Result<Performed<Answer>, Problem | FormProblem>> {
  const done = await performSince(act, who, form, { ...inputFrom(form, act.input), ...given }, undefined);
  // Without a baseline nothing can clash.
  return done as Result<Performed<Answer>, Problem | FormProblem>;
}

/** The same for what was drawn from `baseline`. Problem besides: `clash`. */
export async function performSince<Name extends string, Input, Answer, Problem extends { kind: string }>(
  act: Act<Name, Input, Answer, Problem>,
  who: SignedIn,
  form: FormData,
  input: Readonly<Record<string, unknown>>,
  baseline: unknown,
): Promise<Result<Performed<Answer>, Problem | FormProblem | Clash>> {
  const key = form.get(KEY);
  const whole = typeof key === "string" && /^[\w-]{8,100}$/.test(key);
  // Whoever may not is told so whether the form was whole or not; without a key nothing is done.
  const asked = whole ? { input, key, baseline } : { input: undefined, key: "" };
  const done = await orAway(perform(act, who, asked));
  if (done.ok) return done;
  const { problem } = done;
  if (problem.kind === "not-allowed" && "act" in problem) throw notAllowed(problem.act);
  return whole ? bad(problem as Problem | InputProblem | Clash) : bad({ kind: "no-key" });
}

/** Said of a form without its key, or with less in it than its page sends. */
export const NOT_WHOLE = "This form was not whole; send it again.";

/** A field as it was typed; nothing typed is nothing told. */
export const fieldText = (form: FormData, name: string): string | undefined => {
  const value = form.get(name);
  return typeof value === "string" && value !== "" ? value : undefined;
};

/** The first thing that is wrong with what a form held, in the words of the act; `otherwise` where those are the library's own. */
export function firstIssue(problem: InputProblem, otherwise = "Something is missing."): string {
  const [first] = problem.issues;
  return first && /^[A-Z].*\.$/.test(first.says) ? first.says : otherwise;
}
