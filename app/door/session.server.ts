// The session cookie and the middleware that turns it into a person; and the check of where a form came from.
import { createCookie, type MiddlewareFunction, redirect } from "react-router";
import { readRole } from "#core/club/acts.ts";
import { dateInZone } from "#core/quantities/date.ts";
import { closeSession, openSession, sessionPerson } from "#db/people.ts";
import { awayContext, sessionContext } from "../context.ts";
import { isAwayAnswer, orAway } from "../frame/away.server.ts";
import { packKept } from "./pack.server.ts";
import { newToken, tokenHash } from "./password.server.ts";

const cookie = createCookie("mossy_session", {
  httpOnly: true,
  sameSite: "lax",
  path: "/",
  maxAge: 30 * 24 * 3600,
});

const isSecure = (request: Request) => new URL(request.url).protocol === "https:";

/** Opens a session and answers the header that carries it. */
export async function startSession(request: Request, club: string, person: string): Promise<string> {
  const token = newToken();
  await openSession(tokenHash(token), club, person);
  return cookie.serialize(token, { secure: isSecure(request) });
}

export async function endSession(request: Request): Promise<string> {
  const token: unknown = await cookie.parse(request.headers.get("cookie"));
  if (typeof token === "string") await closeSession(tokenHash(token));
  return cookie.serialize("", { maxAge: 0, secure: isSecure(request) });
}

/** Puts the signed-in person into the context, if there is one. */
export const findPerson: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  const token: unknown = await cookie.parse(request.headers.get("cookie"));
  if (typeof token === "string" && token !== "") {
    const row = await orAway(sessionPerson(tokenHash(token))).catch((error: unknown) => {
      if (request.method !== "POST" || !isAwayAnswer(error)) throw error;
      context.set(awayContext, true);
      return undefined;
    });
    if (row) {
      context.set(sessionContext, {
        club: row.club_id,
        person: row.person_id,
        name: row.name,
        role: readRole(row.role),
        theme: row.theme,
        clubName: row.club_name,
        timeZone: row.time_zone,
        locale: row.locale,
        today: dateInZone(new Date(), row.time_zone),
      });
    }
  }
  return next();
};

/** Pages behind the door: without a session, to the sign-in and back; a form sent meanwhile is kept. */
export const askForPerson: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  if (context.get(sessionContext) || context.get(awayContext)) return next();
  const url = new URL(request.url);
  const back = new URLSearchParams({ back: url.pathname.replace(/\.data$/, "") + url.search });
  if (request.method !== "GET" && request.method !== "HEAD") {
    const kept = packKept(
      await request
        .clone()
        .formData()
        .catch(() => new FormData()),
    );
    if (kept) back.set("kept", kept);
  }
  throw redirect(`/sign-in?${back}`);
};

/** A form may only come from our own pages: its Origin must be ours, and must be there. */
export const checkOrigin: MiddlewareFunction<Response> = async ({ request }, next) => {
  if (request.method === "GET" || request.method === "HEAD") return next();
  const origin = request.headers.get("origin");
  const host = request.headers.get("x-forwarded-host") ?? request.headers.get("host");
  if (!origin || !URL.canParse(origin) || new URL(origin).host !== host) {
    throw new Response("This form did not come from our own pages.", { status: 403 });
  }
  return next();
};
