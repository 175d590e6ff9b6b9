// Acts that are answered in a sentence.
import { data } from "react-router";
import { KEY } from "../forms/form-key.tsx";
import { firstIssue, type InputProblem, NOT_WHOLE } from "../forms/perform.server.ts";
import { plainly, type Refused } from "../forms/save.server.ts";

export type ActAnswer = {
  readonly ok: boolean;
  readonly says: string;
  readonly intent: string;
  readonly typed?: string;
  /** The day of a refused reading. */
  readonly readOn?: string;
  /** What a refused form of several fields held. */
  readonly kept?: Readonly<Record<string, string>>;
  /** Where what stands in the way is put right. */
  readonly cure?: { readonly to: string; readonly says: string };
  /** What is wrong with it, by field. */
  readonly wrong?: Readonly<Record<string, string>>;
};

export const answer = (status: number, body: ActAnswer) => data(body, { status });

/** What a form held, but for its key. */
export const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries([...form].flatMap(([name, value]) => (name === KEY ? [] : [[name, String(value)]])));

/** The answer to a form in which something cannot be read: it is said beside its field, and the first of it above. */
export const answerWrong = (
  intent: string,
  form: FormData,
  wrong: Readonly<Record<string, string>>,
  says = Object.values(wrong)[0] ?? NOT_WHOLE,
) => answer(400, { ok: false, intent, says, kept: textsOf(form), wrong });

/** The same of what the act does not take. */
export const answerInput = (intent: string, form: FormData, problem: InputProblem) =>
  answerWrong(intent, form, wrongFields(problem), firstIssue(problem, NOT_WHOLE));

/** What an act does not take, by the field that holds it. */
export function wrongFields({ issues }: InputProblem): Record<string, string> {
  const wrong: Record<string, string> = {};
  for (const { field, says } of issues) {
    const name = field.split(".").findLast((step) => !/^\d+$/.test(step));
    if (name) wrong[name] ??= plainly(says);
  }
  return wrong;
}

/** The answer to a form whose fields others have changed meanwhile: what is wrong, and what it is drawn with again. */
export const answerRefused = (intent: string, { status, form, errors }: Refused) =>
  answer(status, {
    ok: false,
    intent,
    says: Object.values(errors).flat()[0] ?? NOT_WHOLE,
    kept: textsOf(form),
  });
