// Takes in the body of a request, up to the limit of whoever sends it, and looks at the form before any route does. A refusal says why.
import type { IncomingMessage } from "node:http";
import { Readable } from "node:stream";
import type { Sender } from "#app/auth/session.server.ts";
import type { Refusal } from "#app/context.ts";
import { FIELD_NAME, LARGEST_AT_ONCE } from "#app/forms/with-form.server.ts";
import { may, type Permission } from "#core/club/index.ts";

const KB = 1024;
const MB = 1024 * KB;

/** Before sign-in: the longest form that is carried through one. */
export const BEFORE_SIGN_IN = { bytes: 128 * KB, fields: 500 };
/** So short that it cannot have more fields than that: each takes two signs at least, its name and what parts it from the next. */
const ANYBODYS = 2 * BEFORE_SIGN_IN.fields;
export const AFTER_SIGN_IN = { bytes: MB, fields: 3000 };
/** The forms that send a file, who may send them, and how large they may be with it; what is streamed is read by its page with `withForm`. */
const FILE_FORMS: readonly {
  readonly path: RegExp;
  readonly bytes: number;
  readonly may: Permission;
  readonly streamed?: true;
  /** Where the page itself has more fields than others. */
  readonly fields?: number;
}[] = [
  { path: /^\/import$/, bytes: 9 * MB, may: "import-units" },
  { path: /^\/models\/bring-in$/, bytes: 5 * MB, may: "edit-model" },
  { path: /^\/kit\/which-lead$/, bytes: 3 * MB, may: "look" },
  // Sixty releases with sixty fixes each, a row of four fields a fix.
  { path: /^\/models\/\d+\/notes$/, bytes: 3 * MB, fields: 16_000, may: "edit-release" },
  { path: /^\/club\/document$/, bytes: 66 * MB, may: "edit-club" },
  { path: /^\/bench\/\d+$/, bytes: 66 * MB, streamed: true, may: "work-at-bench" },
  { path: /^\/codeplugs\/files$/, bytes: 66 * MB, streamed: true, may: "work-at-bench" },
  { path: /^\/models\/\d+\/releases\/(\d+|new)$/, bytes: 66 * MB, may: "edit-release" },
];

export type Body =
  | { readonly ok: true; readonly bytes: Buffer<ArrayBuffer> | ReadableStream<Uint8Array> }
  | { readonly ok: false; readonly refusal: Refusal };

const refused = (status: Refusal["status"], why: string): Body => ({ ok: false, refusal: { status, why } });

const TOO_LARGE = "That is larger than any form of ours with its files.";
const TOO_LARGE_BEFORE =
  "That is larger than what can be sent without being signed in. Sign in first, then send it again.";

const NOT_YOURS = "Your role in this club may not send that. Nothing of it was read.";
const TOO_SLOW = "That came too slowly and was given up. Send it again where the line is better.";
const ONE_ALREADY =
  "You are sending a large file already. Wait until it is through, then send this one again.";
const TOO_FULL = "Several large files are coming in just now. Try again in a minute.";

/** What a request may carry; or, by its head alone, why it may not. */
export async function limitFor(
  request: { readonly path: string; readonly type: string; readonly length: number | undefined },
  sender: () => Promise<Sender | undefined>,
): Promise<{
  readonly bytes: number;
  readonly fields: number;
  readonly why: string;
  readonly streamed?: boolean;
  readonly person?: string;
  readonly refused?: Refusal;
}> {
  const { path, type, length } = request;
  // What anybody may send needs no look at who sends it.
  if (length !== undefined && length <= ANYBODYS) return { ...BEFORE_SIGN_IN, why: TOO_LARGE_BEFORE };
  const who = await sender();
  if (!who) return { ...BEFORE_SIGN_IN, why: TOO_LARGE_BEFORE };
  const form = FILE_FORMS.find((one) => one.path.test(path.replace(/\.data$/, "")));
  // Browsers say the length of what they send; what does not say it is no file of theirs.
  const large = form && length !== undefined && /^multipart\/form-data\b/i.test(type);
  if (!large) return { ...AFTER_SIGN_IN, why: TOO_LARGE };
  const streamed = form.streamed === true && length > LARGEST_AT_ONCE;
  const { bytes, fields = AFTER_SIGN_IN.fields } = form;
  const refused = may(who.role, form.may) ? {} : { refused: { status: 403 as const, why: NOT_YOURS } };
  return { bytes, fields, why: TOO_LARGE, streamed, person: who.person, ...refused };
}

/** Reads a form to its end, or as far as it may go. What is not a form, and what no form of ours can hold, is refused. */
export async function takeBody(
  request: IncomingMessage,
  sender: () => Promise<Sender | undefined>,
  pace: Pace = PACE,
): Promise<Body> {
  const type = request.headers["content-type"] ?? "";
  if (!/^(application\/x-www-form-urlencoded|multipart\/form-data)\b/i.test(type))
    return refused(415, "What was sent is no form.");
  const said = request.headers["content-length"];
  const length = said === undefined ? undefined : Number(said);
  const path = (request.url ?? "").split("?")[0] ?? "";
  const limit = await limitFor({ path, type, length }, sender);
  if (limit.refused) return { ok: false, refusal: limit.refused };
  if (length !== undefined && length > limit.bytes) return refused(413, limit.why);
  // What is longer than it said is no request: the connection ends where its length did.
  if ((length ?? 0) > LARGEST_AT_ONCE && limit.person !== undefined) {
    const no = takePlace(request, limit.person, length ?? 0);
    if (no) return refused(429, no);
  }
  const slow = (length ?? 0) > AFTER_SIGN_IN.bytes ? tooSlow(request, pace) : undefined;
  if (limit.streamed) {
    // Its page reads it, and is told that it did not arrive whole.
    slow?.then(() => request.destroy());
    return { ok: true, bytes: Readable.toWeb(request) as ReadableStream<Uint8Array> };
  }
  const bytes = await Promise.race([read(request, limit.bytes), slow ?? new Promise<never>(() => {})]);
  if (bytes === "too slow") {
    if (limit.person !== undefined) coming.delete(limit.person);
    return refused(408, TOO_SLOW);
  }
  if (!bytes) return refused(413, limit.why);
  const wrong = await lookAtForm(type, bytes, limit.fields);
  return wrong ? { ok: false, refusal: wrong } : { ok: true, bytes };
}

async function read(request: IncomingMessage, most: number): Promise<Buffer<ArrayBuffer> | undefined> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > most) return undefined;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

/** Large bodies that are coming in: by person, and the bytes that they say they have. Nobody waits behind somebody else's. */
const coming = new Map<string, number>();
const MOST_COMING = 200 * MB;

/** Holds a place until the request is over. Answers why there is none. */
function takePlace(request: IncomingMessage, person: string, bytes: number): string | undefined {
  if (coming.has(person)) return ONE_ALREADY;
  const all = [...coming.values()].reduce((sum, one) => sum + one, 0);
  if (all + bytes > MOST_COMING) return TOO_FULL;
  coming.set(person, bytes);
  request.once("close", () => coming.delete(person));
  return undefined;
}

/** In each stretch of so many milliseconds so many bytes must come. */
export type Pace = { readonly stretch: number; readonly bytes: number };
export const PACE: Pace = { stretch: 5000, bytes: 5 * 20 * KB };

/** Tells when a body comes too slowly; the last stretch, with what is left, may be as short as it likes. */
const tooSlow = (request: IncomingMessage, { stretch, bytes }: Pace): Promise<"too slow"> =>
  new Promise((resolve) => {
    let before = request.socket.bytesRead;
    const timer = setInterval(() => {
      const now = request.socket.bytesRead;
      if (now - before < bytes && !request.complete) resolve("too slow");
      before = now;
    }, stretch);
    for (const end of ["close", "end", "error"] as const) request.once(end, () => clearInterval(timer));
  });

/** What is wrong with a form before anything is done with it: too many fields, names that are none, a byte that cannot be kept. */
export async function lookAtForm(
  type: string,
  bytes: Buffer<ArrayBuffer>,
  mostFields: number,
): Promise<Refusal | undefined> {
  const multipart = /^multipart/i.test(type);
  const boundary = /boundary="?([^";]+)"?/i.exec(type)?.[1];
  if (multipart && !boundary) return { status: 415, why: "What was sent is no form." };
  const count = occurrences(bytes, multipart ? `--${boundary}` : "&", mostFields + 2);
  if (count > mostFields + 1)
    return { status: 413, why: `That form has more than ${mostFields} fields; none of ours has as many.` };
  if (bytes.length > LARGEST_AT_ONCE) return undefined;
  const form = await new Response(bytes, { headers: { "Content-Type": type } })
    .formData()
    .catch(() => undefined);
  if (!form) return { status: 415, why: "What was sent is no form." };
  for (const [name, value] of form) {
    if (!FIELD_NAME.test(name)) return { status: 400, why: "The form has a field that none of ours has." };
    if (typeof value === "string" && value.includes("\0"))
      return {
        status: 400,
        why: "A text in the form has a sign in it that cannot be written down (the byte zero). Go back, take it out, and send it again.",
      };
  }
  return undefined;
}

/** How often it occurs, counted no further than `most`. */
function occurrences(bytes: Buffer, what: string, most: number): number {
  let count = 0;
  for (let at = bytes.indexOf(what); at >= 0 && count < most; at = bytes.indexOf(what, at + what.length))
    count++;
  return count;
}
