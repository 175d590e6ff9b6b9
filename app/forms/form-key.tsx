// The number of a form: sent twice, or sent again when the answer got lost, it is done once.
import { useState } from "react";
import { useActionData, useLocation, useRouteLoaderData } from "react-router";
import { FRAME, type FrameData } from "../ui/club.ts";
import { isOurs } from "./offline.ts";

/** The field's name. */
export const KEY = "key";

/**
 * Every form that changes something has one. It is another after each answer and on each page, and stays where no answer came, or
 * where the page was asked for again while somebody types. `answer`: that of a fetcher, if the form goes by one.
 * Outside of the frame nobody is signed in yet.
 */
export function FormKey({ answer: own }: { readonly answer?: unknown }) {
  const frame = useRouteLoaderData<FrameData>(FRAME);
  const ofPage = useActionData<unknown>();
  const answer = own ?? ofPage;
  const { key: place } = useLocation();
  const [held, setHeld] = useState({ answer, place, key: frame?.formKey });
  if (held.answer !== answer || held.place !== place) {
    setHeld({ answer, place, key: isOurs(answer) ? held.key : newKey() });
  }
  return frame ? <input type="hidden" name={KEY} value={held.key ?? frame.formKey} /> : null;
}

/** Not by `randomUUID`, which browsers have for safe addresses only. */
export const newKey = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, "0")).join("");
