// What a keeper does about a person: saves, makes a link to sign in, shelves, takes back.
import { z } from "zod";
import { ROLES } from "#core/club/acts.ts";
import { LONGEST_ADDRESS } from "#core/club/address.ts";
import { tell } from "#db/log.ts";
import { type PersonRow, personById, putPerson, recoverPerson, shelvePerson } from "#db/people.ts";
import type { Tx } from "#db/pool.ts";
import { makeLink } from "#db/sessions.ts";
import { notFound } from "../context.ts";
import { newToken, tokenHash } from "../door/password.server.ts";

export const personShape = z.object({
  name: z.string({ error: "A person has a name." }).trim().min(1).max(100, "At most 100 signs."),
  role: z.enum(ROLES),
  email: z
    .email({ error: "An e-mail address such as wren@example.org, or nothing." })
    .max(LONGEST_ADDRESS, `At most ${LONGEST_ADDRESS} signs.`)
    .optional(),
  callSign: z.string().trim().max(20, "At most 20 signs.").optional(),
  licence: z.string().trim().max(60, "At most 60 signs.").optional(),
});

async function known(tx: Tx, id: string | undefined): Promise<PersonRow> {
  const person = id ? await personById(tx, id) : undefined;
  if (!person) throw notFound("This person");
  return person;
}

export async function savePerson(
  tx: Tx,
  id: string | undefined,
  { name, role, email, callSign, licence }: z.infer<typeof personShape>,
): Promise<string> {
  const before = id ? await known(tx, id) : undefined;
  const fields = { name, role, email: email ?? null, callSign: callSign ?? null, licence: licence ?? null };
  const saved = await putPerson(tx, id, fields);
  if (!saved) throw notFound("This person");
  if (!before) await tell(tx, { kind: "person-added", name, role });
  else {
    const what = whatChanged(before, fields);
    if (what !== "") await tell(tx, { kind: "person-changed", name, what });
  }
  return saved;
}

function whatChanged(
  before: PersonRow,
  now: { name: string; role: string; email: string | null; callSign: string | null; licence: string | null },
): string {
  const parts = [
    before.name !== now.name && `name, before ${before.name}`,
    before.role !== now.role && `role ${now.role}, before ${before.role}`,
    before.email !== now.email && "address",
    before.call_sign !== now.callSign && "call sign",
    before.licence_class !== now.licence && "licence class",
  ];
  return parts.filter((part) => part !== false).join(", ");
}

/** The address of a new link with which the person chooses a password; whoever has it can, once, within a day. */
export async function linkFor(tx: Tx, id: string | undefined, origin: string): Promise<string | undefined> {
  const person = await known(tx, id);
  if (person.shelved_at !== null || person.email === null) return undefined;
  const token = newToken();
  await makeLink(tx, person.id, tokenHash(token));
  await tell(tx, { kind: "link-made", name: person.name });
  return `${origin}/join/${token}`;
}

export async function shelve(tx: Tx, id: string | undefined): Promise<void> {
  const person = await known(tx, id);
  if (person.shelved_at !== null) return;
  await shelvePerson(tx, person.id);
  await tell(tx, { kind: "person-changed", name: person.name, what: "shelved" });
}

export async function takeBack(tx: Tx, id: string | undefined): Promise<void> {
  const person = await known(tx, id);
  if (await recoverPerson(tx, person.id)) await tell(tx, { kind: "person-recovered", name: person.name });
}
