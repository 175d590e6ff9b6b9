// Acts that are answered in a sentence, where the records cannot be reached too.
import { data } from "react-router";
import { isDuplicate } from "#db/errors.ts";
import { isAwayAnswer } from "../away.server.ts";
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

/** Runs an act; if the database is away, the answer stands where the form stands, and what was typed stays. */
export async function orSayAway(form: FormData, act: () => Promise<ReturnType<typeof answer>>) {
  try {
    return await act();
  } catch (error) {
    if (isDuplicate(error, "custody_one_at_a_time")) {
      return answer(409, { ok: false, intent: "lend", says: "Somebody else has just lent it. Look again." });
    }
    if (!isAwayAnswer(error)) throw error;
    return answer(503, {
      ok: false,
      intent: String(form.get("intent") ?? ""),
      ...(form.get("readOn") && { readOn: String(form.get("readOn")) }),
      ...(form.has("typed") ? { typed: String(form.get("typed")) } : { kept: textsOf(form) }),
      says: "The records cannot be reached just now; nothing was saved. What you typed is kept here: try again in a moment.",
    });
  }
}
