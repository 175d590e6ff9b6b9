// A browser that has signed in before carries our signed mark: guessing elsewhere cannot lock it out, and what was typed when a session ended is kept for that person.
import { createHmac, timingSafeEqual } from "node:crypto";
import { createCookie } from "react-router";
import { z } from "zod";
import { signingKey } from "#db/club/index.ts";
import { newToken } from "./password.server.ts";

const NAME = "mossy_browser";
const YEAR = 365 * 24 * 3600;

const deviceShape = z.object({
  id: z.string().max(60),
  club: z.string().max(20),
  person: z.string().max(20),
});
export type Device = z.infer<typeof deviceShape>;

const cookie = async () =>
  createCookie(NAME, {
    httpOnly: true,
    sameSite: "lax",
    path: "/",
    maxAge: YEAR,
    secrets: [(await signingKey()).toString("hex")],
  });

/** Who signed in last in this browser; undefined for one we do not know. */
export async function deviceOf(cookies: string | null | undefined): Promise<Device | undefined> {
  if (!cookies?.includes(NAME)) return undefined;
  const read = deviceShape.safeParse(await (await cookie()).parse(cookies));
  return read.success ? read.data : undefined;
}

/** The header that marks a browser for whoever signs in there; one that was theirs keeps its mark. */
export async function markDevice(
  request: Request,
  account: { readonly club: string; readonly person: string },
): Promise<string> {
  const had = await deviceOf(request.headers.get("cookie"));
  const id = had && had.club === account.club && had.person === account.person ? had.id : newToken();
  const secure = new URL(request.url).protocol === "https:";
  return (await cookie()).serialize({ id, club: account.club, person: account.person }, { secure });
}

/** A text with our signature over it and what it is for. */
export async function signed(text: string, purpose: string): Promise<string> {
  return `${text}.${await signature(text, purpose)}`;
}

/** The text if we signed just it for just that, else undefined. */
export async function unsigned(told: string, purpose: string): Promise<string | undefined> {
  const at = told.lastIndexOf(".");
  if (at < 0) return undefined;
  const text = told.slice(0, at);
  const [given, right] = [Buffer.from(told.slice(at + 1)), Buffer.from(await signature(text, purpose))];
  return given.length === right.length && timingSafeEqual(given, right) ? text : undefined;
}

const signature = async (text: string, purpose: string): Promise<string> =>
  createHmac("sha256", await signingKey())
    .update(JSON.stringify([purpose, text]))
    .digest("base64url");
