// A link with which somebody chooses a password.
import { makeLink } from "#acts/person/make-link.ts";
import { newToken, tokenHash } from "../auth/password.server.ts";
import { notFound, type SignedIn } from "../context.ts";
import { performForm } from "../forms/perform.server.ts";

/** The address of a new link with which the person chooses a password; whoever has it can, once, within a day. */
export async function linkFor(
  who: SignedIn,
  person: string | undefined,
  origin: string,
  form: FormData,
): Promise<string | undefined> {
  const token = newToken();
  const done = await performForm(makeLink, who, form, {
    person,
    tokenHash: tokenHash(token).toString("hex"),
  });
  if (done.ok) return `${origin}/join/${token}`;
  if (done.problem.kind === "no-person" || person === undefined) throw notFound("This person");
  return undefined;
}
