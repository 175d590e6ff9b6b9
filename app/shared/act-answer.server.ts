// Acts that are answered in a sentence.
import { data } from "react-router";
import { KEY } from "../forms/form-key.tsx";
import { NOT_WHOLE } from "../forms/perform.server.ts";
import type { Refused } from "../forms/save.server.ts";

export type ActAnswer = {
  readonly ok: boolean;
  readonly says: string;
  readonly intent: string;
  readonly typed?: string;
  /** The day of a refused reading. */
  readonly readOn?: string;
  /** What a refused form of several fields held. */
  readonly kept?: Readonly<Record<string, string>>;
};

export const answer = (status: number, body: ActAnswer) => data(body, { status });

/** What a form held, but for its key. */
export const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries([...form].flatMap(([name, value]) => (name === KEY ? [] : [[name, String(value)]])));

/** The answer to a form whose fields others have changed meanwhile: what is wrong, and what it is drawn with again. */
export const answerRefused = (intent: string, { status, form, errors }: Refused) =>
  answer(status, {
    ok: false,
    intent,
    says: Object.values(errors).flat()[0] ?? NOT_WHOLE,
    kept: textsOf(form),
  });
