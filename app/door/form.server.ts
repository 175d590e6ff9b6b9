// What is asked must be askable: an address and a form without the one sign that cannot be kept, and a form that is one.
import type { MiddlewareFunction } from "react-router";

/** Files come with a form; larger ones than we check anywhere are not taken in at all. */
const LARGEST_FORM = 80 * 1024 * 1024;
/** Up to here a form is read twice, to look at its texts first. Beyond, it is a file that is large. */
const LARGEST_READ_TWICE = 4 * 1024 * 1024;

const notTaken = (status: number, why: string): Response => Response.json({ why }, { status });

/** Answers 400, 413 or 415 with a plain page before anything is done. */
export const checkForm: MiddlewareFunction<Response> = async ({ request }, next) => {
  if (/%00/.test(request.url)) throw notTaken(400, "The address has a sign in it that none of ours has.");
  if (request.method === "GET" || request.method === "HEAD") return next();
  if (Number(request.headers.get("content-length") ?? 0) > LARGEST_FORM)
    throw notTaken(413, "That is larger than any form of ours with its files.");
  const form = await readable(request);
  if (form === "none") throw notTaken(415, "What was sent is no form.");
  const texts = form ? [...form].flat().filter((text) => typeof text === "string") : [];
  if (texts.some((text) => text.includes("\0")))
    throw notTaken(
      400,
      "A text in the form has a sign in it that cannot be written down (the byte zero). Go back, take it out, and send it again.",
    );
  return next();
};

async function readable(request: Request): Promise<FormData | "none" | undefined> {
  if (
    !/^(application\/x-www-form-urlencoded|multipart\/form-data)\b/i.test(
      request.headers.get("content-type") ?? "",
    )
  )
    return "none";
  if (Number(request.headers.get("content-length") ?? 0) > LARGEST_READ_TWICE) return undefined;
  return request
    .clone()
    .formData()
    .catch(() => "none" as const);
}
