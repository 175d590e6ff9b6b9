// Statements about signing in: accounts, sessions, links for one use, and what the server signs with.

import { z } from "zod";
import { foldAddress } from "#core/club/index.ts";
import { ask } from "../ask.ts";
import { only } from "../only.ts";
import { pool, type Tx, withoutClub } from "../pool.ts";

/** A session ends after this long in any case, and when it was not used for so long. */
const LASTS = "60 days";
const UNUSED = "14 days";
/** So long a link that a keeper hands over is good. */
const LINK_LASTS = "1 day";

export const signedInRow = z.object({
  session_id: z.string(),
  club_id: z.string(),
  person_id: z.string(),
  name: z.string(),
  role: z.string(),
  theme: z.enum(["auto", "fern", "lamp"]),
  club_name: z.string(),
  time_zone: z.string(),
  locale: z.string(),
  /** The database's clock: what day it is, is for it to say. */
  now: z.date(),
});
export type SignedInRow = z.output<typeof signedInRow>;

export const accountRow = z.object({
  club_id: z.string(),
  person_id: z.string(),
  name: z.string(),
  email: z.string(),
  password_hash: z.string(),
});
export type AccountRow = z.output<typeof accountRow>;

/** The account of an address, however it is written. */
export const findAccount = (email: string) =>
  withoutClub(async (tx) => {
    const { rows } = await ask(tx, accountRow, "select * from sign_in_lookup($1)", [foldAddress(email)]);
    return rows[0];
  });

/** Tells the log of a sign-in, or of one that went wrong; of an address nobody has, in the only club there is. */
export const logSignIn = (
  account: { readonly club_id: string; readonly person_id: string } | undefined,
  kind: "signed-in" | "sign-in-failed",
  from: string,
) =>
  withoutClub((tx) =>
    tx.query("select log_sign_in($1, $2, $3, $4)", [
      account?.club_id ?? null,
      account?.person_id ?? null,
      kind,
      { from, ...(!account && { unknown: true }) },
    ]),
  );

export const openSession = (tokenHash: Buffer, club: string, person: string, browser = "") =>
  withoutClub((tx) =>
    tx.query(`select open_session($1, $2, $3, interval '${LASTS}', $4)`, [
      tokenHash,
      club,
      person,
      browser.slice(0, 200),
    ]),
  );

export const sessionPerson = (tokenHash: Buffer) =>
  withoutClub(async (tx) => {
    const { rows } = await ask(
      tx,
      signedInRow,
      `select * from session_person($1, interval '${UNUSED}', interval '${LASTS}')`,
      [tokenHash],
    );
    return rows[0];
  });

export const closeSession = (tokenHash: Buffer) =>
  withoutClub((tx) => tx.query("select close_session($1)", [tokenHash]));

export const sessionRow = z.object({
  id: z.string(),
  browser: z.string(),
  created_at: z.date(),
  seen_at: z.date(),
});
export type SessionRow = z.output<typeof sessionRow>;

/** Where a person is signed in, the one used last first. */
export async function sessionsOf(tx: Tx, person: string): Promise<SessionRow[]> {
  const { rows } = await ask(
    tx,
    sessionRow,
    `select id, browser, created_at, seen_at from session
     where person_id = $1 and expires_at > now() and seen_at > now() - interval '${UNUSED}'
     order by seen_at desc, id desc limit 100`,
    [person],
  );
  return rows;
}

/** Ends one session of a person, or all but one. Answers how many. */
export async function endSessions(
  tx: Tx,
  person: string,
  which: { readonly only: string } | { readonly butFor: string },
): Promise<number> {
  const [sign, id] = "only" in which ? ["=", which.only] : ["<>", which.butFor];
  const { rowCount } = await tx.query(`delete from session where person_id = $1 and id ${sign} $2`, [
    person,
    id,
  ]);
  return rowCount ?? 0;
}

export async function passwordHashOf(tx: Tx, person: string): Promise<string | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ password_hash: z.string().nullable() }),
    "select password_hash from person where id = $1",
    [person],
  );
  return rows[0]?.password_hash ?? undefined;
}

/** Sets a password; every other session of the person ends. */
export async function setPassword(tx: Tx, person: string, hash: string, session: string): Promise<void> {
  await tx.query("update person set password_hash = $2 where id = $1", [person, hash]);
  await endSessions(tx, person, { butFor: session });
}

/** Notes a link for one use; whatever link the person had before is good no more. */
export async function makeLink(tx: Tx, person: string, tokenHash: Buffer): Promise<void> {
  await tx.query("update one_time_link set expires_at = now() where person_id = $1 and expires_at > now()", [
    person,
  ]);
  await tx.query(
    `insert into one_time_link (club_id, person_id, token_hash, made_by, expires_at)
     values (current_club(), $1, $2, current_setting('mossy.person')::bigint, now() + interval '${LINK_LASTS}')`,
    [person, tokenHash],
  );
}

export const linkRow = z.object({
  club_id: z.string(),
  person_id: z.string(),
  name: z.string(),
  email: z.string(),
  club_name: z.string(),
  has_password: z.boolean(),
});
export type LinkRow = z.output<typeof linkRow>;

/** For whom a link is, if it is still good. */
export const findLink = (tokenHash: Buffer) =>
  withoutClub(async (tx) => {
    const { rows } = await ask(tx, linkRow, `select * from link_lookup($1, interval '${LINK_LASTS}')`, [
      tokenHash,
    ]);
    return rows[0];
  });

/** Sets the password by a link, once; undefined if it is good no more. */
export const redeemLink = (tokenHash: Buffer, passwordHash: string) =>
  withoutClub(async (tx) => {
    const { rows } = await ask(
      tx,
      z.object({ club_id: z.string(), person_id: z.string() }),
      `select * from use_link($1, $2, interval '${LINK_LASTS}')`,
      [tokenHash, passwordHash],
    );
    return rows[0];
  });

let known: { readonly of: unknown; readonly key: Promise<Buffer> } | undefined;

/** What the server signs with; the same for all servers of one database, and after a restart. */
export function signingKey(): Promise<Buffer> {
  // A server that was stopped and begun again in one process has a new pool.
  if (known?.of !== pool()) {
    const key = withoutClub(async (tx) => {
      const { rows } = await ask(tx, z.object({ signing_key: z.instanceof(Buffer) }), "select signing_key()");
      return only(rows).signing_key;
    });
    known = { of: pool(), key };
    key.catch(() => {
      known = undefined;
    });
  }
  return known.key;
}
