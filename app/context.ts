// What a request knows: who is signed in, what day it is in their club, and the page's nonce and address.
import { createContext, type RouterContextProvider } from "react-router";
import { may, type Permission as Permitted, type Role } from "#core/club/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { DatabaseAway } from "#db/errors.ts";
import type { Tx } from "#db/pool.ts";
import { type ReadTransaction, readingAtLength, readingOf } from "#db/read.ts";
import { orAway } from "./away.server.ts";

export type SignedIn = {
  readonly session: string;
  readonly club: string;
  readonly person: string;
  readonly name: string;
  readonly role: Role;
  readonly theme: "auto" | "fern" | "lamp";
  readonly clubName: string;
  readonly timeZone: string;
  readonly locale: string;
  readonly today: PlainDate;
};

/** Why the server did not take in what a request carries. */
export type Refusal = { readonly status: 400 | 403 | 408 | 413 | 415 | 429; readonly why: string };

export const requestContext = createContext<{
  readonly nonce: string;
  /** Where the request comes from; behind a proxy that is trusted, what that says. */
  readonly address: string;
  readonly refusal?: Refusal | undefined;
}>({
  nonce: "",
  address: "",
});

/** Null on pages before the door. */
export const sessionContext = createContext<SignedIn | null>(null);

/** True if the database could not be asked who this is: a form is then answered where it stands. */
export const awayContext = createContext<boolean>(false);

type Context = Readonly<RouterContextProvider>;

export function signedIn(context: Context): SignedIn {
  const session = context.get(sessionContext);
  if (!session && context.get(awayContext)) throw new DatabaseAway("the database cannot be reached");
  if (!session) throw new Error("this page lies behind the sign-in; its layout asks for it");
  return session;
}

type Act<Value> = (tx: Tx, who: SignedIn) => Promise<Value>;

const asSignedIn = <Value>(context: Context, ask: (who: SignedIn) => Promise<Value>): Promise<Value> =>
  orAway((async () => ask(signedIn(context)))());

/** What a loader asks in the club of the signed-in person; all loaders of a request ask in one transaction that only reads. */
export const readInClub = <Value>(context: Context, act: Act<Value>): Promise<Value> =>
  asSignedIn(context, (who) => {
    const reading = readings.get(context) ?? readingOf(who);
    readings.set(context, reading);
    return reading((tx) => act(tx, who));
  });
const readings = new WeakMap<Context, ReadTransaction>();

/** The same for what takes longer than a page: sheets, documents. */
export const readAtLength = <Value>(context: Context, act: Act<Value>): Promise<Value> =>
  asSignedIn(context, (who) => readingAtLength(who, (tx) => act(tx, who)));

/** Answers 403 with a plain page unless the person's role allows the act. */
export function mustBeAllowed(context: Context, act: Permitted, about?: { holdsUnit?: boolean }): SignedIn {
  const who = signedIn(context);
  if (!may(who.role, act, about)) throw notAllowed(act);
  return who;
}

export const notAllowed = (act: Permitted): Response => Response.json({ act }, { status: 403 });

/** The id that an address names, undefined for "new"; what is no id is not found. */
export function idIn(text: string, what: string): string | undefined {
  if (text === "new") return undefined;
  if (!/^\d{1,18}$/.test(text)) throw notFound(what);
  return text;
}

export const notFound = (what: string): Response => Response.json({ what }, { status: 404 });
