// Limits tries to sign in, by account and address and by address; counts survive a restart. Nobody can lock out somebody else: a browser that has signed in before is counted by itself.
import { createHash } from "node:crypto";
import { isIPv6 } from "node:net";
import { RateLimiterRes } from "rate-limiter-flexible";
import { foldAddress } from "#core/club/index.ts";
import { type Limiter, limiters, WINDOW_SECONDS } from "#db/club/index.ts";
import type { Refusal } from "../context.ts";
import { type Device, deviceOf } from "./device.server.ts";

/** Where a try comes from. Of the newer addresses a household has 2^64: they count as one. */
export function placeOf(address: string): string {
  const plain = address.replace(/^::ffff:(?=\d+\.)/i, "").toLowerCase();
  if (!isIPv6(plain)) return plain;
  const [head = "", tail = ""] = plain.replace(/%.*$/, "").split("::");
  const left = head.split(":").filter(Boolean);
  const right = plain.includes("::") ? tail.split(":").filter(Boolean) : [];
  const whole = [...left, ...Array(Math.max(0, 8 - left.length - right.length)).fill("0"), ...right];
  return whole
    .slice(0, 4)
    .map((part) => part.replace(/^0+(?=.)/, ""))
    .join(":");
}

const short = (text: string): string => createHash("sha256").update(text).digest("base64url");
/** The folded address of an account may be longer than a key may be. */
const accountKey = (email: string, place: string): string => short(`${foldAddress(email)}\n${place}`);

export type Try = { readonly email: string; readonly address: string; readonly device?: Device | undefined };

/** The browser's mark where it is that of the account which is tried; at any other account it is a stranger. */
export const ofAccount = (
  device: Device | undefined,
  account: { readonly club_id: string; readonly person_id: string } | undefined,
): Device | undefined =>
  device && account && device.club === account.club_id && device.person === account.person_id
    ? device
    : undefined;

/** Counts one try. Answers the minutes to wait if there were too many, else undefined. */
export async function countAttempt({ email, address, device }: Try): Promise<number | undefined> {
  const { account, address: byAddress } = limiters();
  const place = placeOf(address);
  const wait = device ? undefined : await consume(byAddress, short(place));
  return wait ?? consume(account, accountKey(email, device?.id ?? place));
}

/** Counts one; answers the minutes to wait if there were too many. */
async function consume(limiter: Limiter, key: string): Promise<number | undefined> {
  for (let again = false; ; again = true) {
    try {
      await limiter.consume(key);
      return undefined;
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      if (again || !isBeyond(refused)) return minutesOf(refused);
      await limiter.delete(key);
    }
  }
}

/** No wait is longer than its window: an end that lies further off was set by a clock that was wrong, and has passed. */
const isBeyond = (left: RateLimiterRes): boolean => left.msBeforeNext > WINDOW_SECONDS * 1000;
const minutesOf = (left: RateLimiterRes): number => Math.max(1, Math.ceil(left.msBeforeNext / 60_000));

/** A right password clears the account's count; the address keeps its own. */
export const forgetAttempts = ({ email, address, device }: Try) =>
  limiters().account.delete(accountKey(email, device?.id ?? placeOf(address)));

/** The pages that can be tried before signing in. */
const TRIED = /^\/(sign-in|first|join\/[^/]*)(\.data)?$/;

export const sayWait = (minutes: number): string =>
  `Too many attempts. Try again in ${minutes === 1 ? "a minute" : `${minutes} minutes`}.`;

/** Before anything of a form is read: whether its address has tried too often. Where the database is away nobody is refused. */
export async function refusalBeforeSignIn(
  path: string,
  address: string,
  cookies: string | undefined,
): Promise<Refusal | undefined> {
  if (!TRIED.test(path)) return undefined;
  try {
    if (await deviceOf(cookies)) return undefined;
    const { address: byAddress } = limiters();
    const had = await byAddress.get(short(placeOf(address)));
    if (!had || had.consumedPoints <= byAddress.points || isBeyond(had)) return undefined;
    return { status: 429, why: sayWait(minutesOf(had)) };
  } catch {
    return undefined;
  }
}

/** For tries of a code or a link, which belong to no account. */
export async function countTry(address: string): Promise<number | undefined> {
  return consume(limiters().address, short(placeOf(address)));
}

/** For tries of the own password by whoever is signed in: counted for the person, before it is compared. */
export const countOwn = (person: string): Promise<number | undefined> => consume(limiters().own, person);
export const forgetOwn = (person: string) => limiters().own.delete(person);
