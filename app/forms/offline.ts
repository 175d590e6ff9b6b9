// Where the server, or its database, cannot be reached, a form stays as it stands, and says that nothing was saved.
import type { SubmissionResult } from "@conform-to/react";
import isNetworkError from "is-network-error";
import { useState } from "react";
import { data, isRouteErrorResponse } from "react-router";

export const OFFLINE =
  "That could not be sent: nothing answers. What you typed is kept here; try again in a moment.";

/** The server answers, and its database does not. */
export const AWAY =
  "The records cannot be reached just now; nothing was saved. What you typed is kept here: try again in a moment.";

type Sending = { readonly request: Request; readonly serverAction: () => Promise<unknown> };

/**
 * True if the server answers at all. For a form that another page takes the router first fetches that page, and where
 * that fails it loads this one anew, which takes what was typed with it: so it is asked to send only what can be sent.
 */
export const isThere = (): Promise<boolean> =>
  fetch("/icon.svg", { method: "HEAD", cache: "no-store" }).then(
    () => true,
    () => false,
  );

/** Sends the form; where nothing answers, or the database is away, answers itself. What the server refuses or redirects goes its way. */
export async function orOffline<Answer>(
  { request, serverAction }: Sending,
  answer: (form: FormData, says: string) => Answer,
) {
  const form = await request.clone().formData();
  try {
    return data((await serverAction()) as Answer);
  } catch (error) {
    const away = isRouteErrorResponse(error) && error.status === 503;
    if (!away && !isNetworkError(error)) throw error;
    // With this status nothing else of the page is asked for.
    const kept = answer(form, away ? AWAY : OFFLINE);
    if (typeof kept === "object" && kept !== null) notSent.add(kept);
    return data(kept, { status: 503 });
  }
}

const notSent = new WeakSet<object>();
/** Whether an answer is ours, to a form that got none: what it asks for may have been done all the same. */
export const isOurs = (answer: unknown): boolean =>
  typeof answer === "object" && answer !== null && notSent.has(answer);

const texts = (form: FormData): Record<string, string> =>
  Object.fromEntries(
    [...form].flatMap(([name, value]) => (typeof value === "string" ? [[name, value]] : [])),
  );

/** For `PostForm`. */
export const offlineForm = (sending: Sending) =>
  orOffline(
    sending,
    (form, says): SubmissionResult<string[]> => ({
      status: "error",
      initialValue: texts(form),
      error: { "": [says] },
    }),
  );

/** For pages whose answer holds that of the form beside other things. */
export const offlineResult = (sending: Sending) =>
  orOffline(sending, (form, says): { result: SubmissionResult<string[]> } => ({
    result: { status: "error", initialValue: texts(form), error: { "": [says] } },
  }));

type Offline = { readonly offline: true; readonly says: string };
const isOffline = (answer: object | undefined): answer is Offline =>
  answer !== undefined && "offline" in answer;

/** For pages of which a form that was not sent changes nothing; see `useSent`. */
export const offlineOnly = (sending: Sending) =>
  orOffline(sending, (_form, says): Offline => ({ offline: true, says }));

/** What the server answered last, and whether a form after that could not be sent. */
export function useSent<Answer extends object>(
  answer: Answer | Offline | undefined,
): { readonly sent: Answer | undefined; readonly offline: string | undefined } {
  const [sent, setSent] = useState<Answer>();
  if (!isOffline(answer) && answer !== sent) setSent(answer);
  return isOffline(answer) ? { sent, offline: answer.says } : { sent: answer, offline: undefined };
}

/** For acts that are answered in a sentence. */
export const offlineSaid = (sending: Sending) => orOffline(sending, (_form, says) => ({ ok: false, says }));
