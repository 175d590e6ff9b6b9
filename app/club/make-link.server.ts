// A link with which somebody chooses a password.
import { appendLog } from "#db/log.ts";
import { personById } from "#db/people.ts";
import type { Tx } from "#db/pool.ts";
import { makeLink } from "#db/sessions.ts";
import { newToken, tokenHash } from "../auth/password.server.ts";
import { notFound } from "../context.ts";

/** The address of a new link with which the person chooses a password; whoever has it can, once, within a day. */
export async function linkFor(tx: Tx, id: string | undefined, origin: string): Promise<string | undefined> {
  const person = id ? await personById(tx, id) : undefined;
  if (!person) throw notFound("This person");
  if (person.shelved_at !== null || person.email === null) return undefined;
  const token = newToken();
  await makeLink(tx, person.id, tokenHash(token));
  await appendLog(tx, { kind: "link-made", name: person.name });
  return `${origin}/join/${token}`;
}
