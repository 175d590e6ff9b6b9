// Acts that are answered in a sentence.
import { data } from "react-router";
import { KEY } from "../forms/form-key.tsx";

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
