// What cannot be asked is answered with a page that says why: the server has looked at what was sent before (server/body.ts).
import type { MiddlewareFunction } from "react-router";
import { requestContext } from "../context.ts";

const notTaken = (status: number, why: string): Response => Response.json({ why }, { status });

/** Answers 400, 413 or 415 with a plain page before anything is done. Too many tries are answered where they are made. */
export const checkForm: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  if (/%00/.test(request.url)) throw notTaken(400, "The address has a sign in it that none of ours has.");
  const { refusal } = context.get(requestContext);
  if (refusal && refusal.status !== 429) throw notTaken(refusal.status, refusal.why);
  return next();
};
