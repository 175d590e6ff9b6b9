// The session cookie and the middleware that turns it into a person; and the check of where a form came from.
import { createCookie, type MiddlewareFunction, redirect } from "react-router";
import { type Role, readRole } from "#core/club/index.ts";
import { dateInZone } from "#core/quantities/index.ts";
import { noticeClock } from "#db/clock.ts";
import { closeSession, openSession, sessionPerson } from "#db/club/index.ts";
import { isAwayAnswer, orAway } from "../away.server.ts";
import { awayContext, sessionContext } from "../context.ts";
import { deviceOf, markDevice } from "./device.server.ts";
import { keepForm } from "./pack.server.ts";
import { newToken, tokenHash } from "./password.server.ts";

const cookie = createCookie("mossy_session", {
  httpOnly: true,
  sameSite: "lax",
  path: "/",
  maxAge: 60 * 24 * 3600,
});

const isSecure = (request: Request) => new URL(request.url).protocol === "https:";

/** Opens a session and answers the headers that carry it. */
export async function startSession(request: Request, club: string, person: string): Promise<Headers> {
  const token = newToken();
  await openSession(tokenHash(token), club, person, request.headers.get("user-agent") ?? "");
  const headers = new Headers();
  headers.append("Set-Cookie", await cookie.serialize(token, { secure: isSecure(request) }));
  headers.append("Set-Cookie", await markDevice(request, { club, person }));
  return headers;
}

async function tokenIn(cookies: string | null | undefined): Promise<string | undefined> {
  const token: unknown = await cookie.parse(cookies ?? null);
  return typeof token === "string" && token !== "" && token.length <= 100 ? token : undefined;
}

/** Whose session a request's cookies carry, if one does. */
export async function personOf(cookies: string | undefined) {
  const token = await tokenIn(cookies);
  return token === undefined ? undefined : sessionPerson(tokenHash(token));
}

/** Who sends a request, as its cookies say. Where the database is away: nobody that we know. */
export async function senderOf(cookies: string | undefined): Promise<Sender | undefined> {
  return personOf(cookies).then(
    (row) => row && { person: row.person_id, role: readRole(row.role) },
    () => undefined,
  );
}
export type Sender = { readonly person: string; readonly role: Role };

export async function endSession(request: Request): Promise<string> {
  const token = await tokenIn(request.headers.get("cookie"));
  if (token) await closeSession(tokenHash(token));
  return cookie.serialize("", { maxAge: 0, secure: isSecure(request) });
}

/** Puts the signed-in person into the context, if there is one. */
export const findPerson: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  const token = await tokenIn(request.headers.get("cookie"));
  if (token) {
    const row = await orAway(sessionPerson(tokenHash(token))).catch((error: unknown) => {
      if (request.method !== "POST" || !isAwayAnswer(error)) throw error;
      context.set(awayContext, true);
      return undefined;
    });
    if (row) {
      await orAway(noticeClock(row.now, { club: row.club_id, person: row.person_id }));
      context.set(sessionContext, {
        session: row.session_id,
        club: row.club_id,
        person: row.person_id,
        name: row.name,
        role: readRole(row.role),
        theme: row.theme,
        clubName: row.club_name,
        timeZone: row.time_zone,
        locale: row.locale,
        today: dateInZone(row.now, row.time_zone),
      });
    }
  }
  return next();
};

/** Pages behind the door: without a session, to the sign-in and back; a form sent meanwhile is kept for whoever typed it. */
export const askForPerson: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  if (context.get(sessionContext) || context.get(awayContext)) return next();
  const url = new URL(request.url);
  const path = url.pathname.replace(/\.data$/, "") + url.search;
  const back = new URLSearchParams({ back: path });
  if (request.method !== "GET" && request.method !== "HEAD") {
    const device = await orAway(deviceOf(request.headers.get("cookie")));
    const form = await request
      .clone()
      .formData()
      .catch(() => new FormData());
    const kept = device && (await keepForm(form, { ...device, path, now: Date.now() }));
    back.set("kept", kept ?? "no");
  }
  throw redirect(`/sign-in?${back}`);
};

/** A form may only come from our own pages: its Origin must be ours, and must be there. */
export const checkOrigin: MiddlewareFunction<Response> = async ({ request }, next) => {
  if (request.method === "GET" || request.method === "HEAD") return next();
  if (request.headers.get("origin") !== new URL(request.url).origin) {
    throw new Response("This form did not come from our own pages.", { status: 403 });
  }
  return next();
};
