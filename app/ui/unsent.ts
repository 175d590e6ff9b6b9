// Where the server cannot be reached at all, a form stays as it stands, and says that it was not sent.
import type { SubmissionResult } from "@conform-to/react";
import { data } from "react-router";
import { SEEN } from "./meanwhile.tsx";

export const UNSENT =
  "That could not be sent: nothing answers. What you typed is kept here; try again in a moment.";

type Sending = { readonly request: Request; readonly serverAction: () => Promise<unknown> };

/** Sends the form; where nothing answers, answers itself. What the server refuses or redirects goes its way. */
export async function orUnsent<Answer>(
  { request, serverAction }: Sending,
  answer: (form: FormData) => Answer,
) {
  const form = await request.clone().formData();
  try {
    return data((await serverAction()) as Answer);
  } catch (error) {
    // What fetch throws when there is no connection. With this status nothing else of the page is asked for.
    if (error instanceof TypeError) return data(answer(form), { status: 503 });
    throw error;
  }
}

const texts = (form: FormData): Record<string, string> =>
  Object.fromEntries(
    [...form].flatMap(([name, value]) => (typeof value === "string" ? [[name, value]] : [])),
  );

/** For `PostForm`. */
export const unsentForm = (sending: Sending) =>
  orUnsent(
    sending,
    (form): SubmissionResult<string[]> => ({
      status: "error",
      initialValue: texts(form),
      error: { "": [UNSENT] },
    }),
  );

/** For forms of plain values: told at their first field. */
export const unsentValues = (sending: Sending) =>
  orUnsent(sending, (form): { values: Record<string, string>; errors: Record<string, string> } => {
    const values = texts(form);
    const [first = ""] = Object.keys(values).filter((name) => name !== SEEN);
    return { values, errors: { [first]: UNSENT } };
  });
