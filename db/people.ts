// Statements about people, clubs and sessions.
import { type Tx, withoutClub } from "./pool.ts";

export type SignedInRow = {
  club_id: string;
  person_id: string;
  name: string;
  role: string;
  theme: "auto" | "fern" | "lamp";
  club_name: string;
  time_zone: string;
  locale: string;
};

export const findAccount = (email: string) =>
  withoutClub(async (tx) => {
    const { rows } = await tx.query<{ club_id: string; person_id: string; password_hash: string }>(
      "select * from sign_in_lookup($1)",
      [email],
    );
    return rows[0];
  });

export const openSession = (tokenHash: Buffer, club: string, person: string) =>
  withoutClub((tx) =>
    tx.query("select open_session($1, $2, $3, interval '30 days')", [tokenHash, club, person]),
  );

export const sessionPerson = (tokenHash: Buffer) =>
  withoutClub(async (tx) => {
    const { rows } = await tx.query<SignedInRow>("select * from session_person($1)", [tokenHash]);
    return rows[0];
  });

export const closeSession = (tokenHash: Buffer) =>
  withoutClub((tx) => tx.query("select close_session($1)", [tokenHash]));

export const anyClub = () =>
  withoutClub(async (tx) => {
    const { rows } = await tx.query<{ any_club: boolean }>("select any_club()");
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
    const { rows } = await tx.query<{ club_id: string; person_id: string }>(
      "select * from found_club($1, $2, $3, $4, $5, coalesce($6, now()))",
      [
        founding.club,
        founding.timeZone,
        founding.keeper,
        founding.email,
        founding.passwordHash,
        founding.at ?? null,
      ],
    );
    return rows[0];
  });

export type PersonRow = {
  id: string;
  name: string;
  email: string | null;
  role: string;
  call_sign: string | null;
  licence_class: string | null;
};

export async function people(tx: Tx): Promise<PersonRow[]> {
  const { rows } = await tx.query<PersonRow>(
    `select id, name, email, role, call_sign, licence_class from person
     where shelved_at is null order by name collate natural_order`,
  );
  return rows;
}

export const setTheme = (tx: Tx, person: string, theme: "auto" | "fern" | "lamp") =>
  tx.query("update person set theme = $2 where id = $1", [person, theme]);

export type PersonFields = {
  readonly name: string;
  readonly email: string | null;
  readonly role: string;
  readonly callSign: string | null;
  readonly licence: string | null;
  /** Absent: the password stays as it is. */
  readonly passwordHash?: string;
};

/** False if there is no such person. */
export async function putPerson(tx: Tx, id: string | undefined, p: PersonFields): Promise<boolean> {
  const values = [p.name, p.email, p.role, p.callSign, p.licence, p.passwordHash ?? null];
  const { rowCount } = id
    ? await tx.query(
        `update person set name = $1, email = $2, role = $3, call_sign = $4, licence_class = $5,
           password_hash = coalesce($6, password_hash) where id = $7`,
        [...values, id],
      )
    : await tx.query(
        `insert into person (club_id, name, email, role, call_sign, licence_class, password_hash)
         values (current_club(), $1, $2, $3, $4, $5, $6)`,
        values,
      );
  return rowCount === 1;
}

export const shelvePerson = (tx: Tx, id: string) =>
  tx.query("update person set shelved_at = now() where id = $1", [id]);

/** Keepers who can sign in: the last of them must stay one. */
export async function otherKeepers(tx: Tx, than: string): Promise<number> {
  const { rows } = await tx.query<{ n: number }>(
    `select count(*)::int n from person where role = 'keeper' and shelved_at is null and password_hash is not null and id <> $1`,
    [than],
  );
  return rows[0]?.n ?? 0;
}
