// Statements about people: who they are, what they may, and that a club keeps a keeper.

import { z } from "zod";
import { foldAddress } from "#core/club/index.ts";
import { ask, idRow } from "../ask.ts";
import { type Tx, withoutClub } from "../pool.ts";

export const anyClub = () =>
  withoutClub(async (tx) => {
    const { rows } = await ask(tx, z.object({ any_club: z.boolean() }), "select any_club()");
    return rows[0]?.any_club === true;
  });

/** Makes the first club and its keeper; undefined if there is a club already. */
export const foundClub = (founding: {
  club: string;
  timeZone: string;
  keeper: string;
  email: string;
  passwordHash: string;
  /** When it was, if not just now. */
  at?: string;
}) =>
  withoutClub(async (tx) => {
    const { rows } = await ask(
      tx,
      z.object({ club_id: z.string(), person_id: z.string() }),
      "select * from found_club($1, $2, $3, $4, $5, $6, coalesce($7, now()))",
      [
        founding.club,
        founding.timeZone,
        founding.keeper,
        founding.email,
        foldAddress(founding.email),
        founding.passwordHash,
        founding.at ?? null,
      ],
    );
    return rows[0];
  });

export const personRow = z.object({
  id: z.string(),
  name: z.string(),
  email: z.string().nullable(),
  role: z.string(),
  call_sign: z.string().nullable(),
  licence_class: z.string().nullable(),
  can_sign_in: z.boolean(),
  shelved_at: z.date().nullable(),
});
export type PersonRow = z.output<typeof personRow>;

const PERSON = `select id, name, email, role, call_sign, licence_class, password_hash is not null can_sign_in, shelved_at from person`;

export async function people(tx: Tx): Promise<PersonRow[]> {
  const { rows } = await ask(
    tx,
    personRow,
    `${PERSON} where shelved_at is null order by name collate natural_order`,
  );
  return rows;
}

const cameRow = z.object({ id: z.string(), came: z.date().nullable(), holds: z.array(z.string()) });

/** Of everybody who is not shelved: when they last came, as far as sessions and the log tell, and the tags of the radios they have. */
export async function comings(tx: Tx): Promise<z.output<typeof cameRow>[]> {
  const { rows } = await ask(
    tx,
    cameRow,
    `select p.id,
       greatest((select max(s.seen_at) from session s where s.club_id = p.club_id and s.person_id = p.id),
         (select max(l.at) from log l where l.club_id = p.club_id and l.person_id = p.id)) came,
       array(select u.tag from custody c join unit u on u.club_id = c.club_id and u.id = c.unit_id
         where c.club_id = p.club_id and c.person_id = p.id and c.back_on is null
         order by u.tag collate natural_order limit 50) holds
     from person p where p.shelved_at is null`,
  );
  return rows;
}

export async function shelvedPeople(tx: Tx): Promise<PersonRow[]> {
  const { rows } = await ask(
    tx,
    personRow,
    `${PERSON} where shelved_at is not null order by shelved_at desc, id desc limit 200`,
  );
  return rows;
}

/** Shelved or not. */
export async function personById(tx: Tx, id: string): Promise<PersonRow | undefined> {
  const { rows } = await ask(tx, personRow, `${PERSON} where id = $1`, [id]);
  return rows[0];
}

export const setTheme = (tx: Tx, person: string, theme: "auto" | "fern" | "lamp") =>
  tx.query("update person set theme = $2 where id = $1", [person, theme]);

export type PersonFields = {
  readonly name: string;
  readonly email: string | null;
  readonly role: string;
  readonly callSign: string | null;
  readonly licence: string | null;
};

/**
 * Adds or corrects a person; answers the id, undefined if there is no such person. Whose role or address changes has to sign
 * in anew. Throws what `isLastKeeper` knows if the club would be left without a keeper who can sign in.
 */
export async function putPerson(
  tx: Tx,
  id: string | undefined,
  p: PersonFields,
): Promise<string | undefined> {
  const values = [
    p.name,
    p.email,
    p.email === null ? null : foldAddress(p.email),
    p.role,
    p.callSign,
    p.licence,
  ];
  if (!id) {
    const { rows } = await ask(
      tx,
      idRow,
      `insert into person (club_id, name, email, email_key, role, call_sign, licence_class)
       values (current_club(), $1, $2, $3, $4, $5, $6) returning id`,
      values,
    );
    return rows[0]?.id;
  }
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), moved: z.boolean() }),
    `with before as (select id, role, email_key from person where id = $7 for update)
     update person p set name = $1, email = $2, email_key = $3, role = $4, call_sign = $5, licence_class = $6
     from before b where p.id = b.id
     returning p.id, (b.role, b.email_key) is distinct from (p.role, p.email_key) moved`,
    [...values, id],
  );
  if (rows[0]?.moved) await tx.query("delete from session where person_id = $1", [id]);
  return rows[0]?.id;
}

/** Gone from the club's lists and signed out; what history says of them stays. */
export async function shelvePerson(tx: Tx, id: string): Promise<void> {
  await tx.query("update person set shelved_at = now() where id = $1 and shelved_at is null", [id]);
  await tx.query("delete from session where person_id = $1", [id]);
}

/** False if that person was not on the shelf. */
export async function recoverPerson(tx: Tx, id: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update person set shelved_at = null where id = $1 and shelved_at is not null",
    [id],
  );
  return rowCount === 1;
}

/** True if a change was refused because the club would have no keeper left who can sign in. */
export const isLastKeeper = (error: unknown): boolean =>
  error instanceof Error && "code" in error && error.code === "MC001";
