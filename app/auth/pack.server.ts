// What somebody typed when their session had ended: carried through the sign-in in the address, signed for the person who typed
// it, the page it was for and the hour, and shown again before it is sent.
import { deflateRawSync, inflateRawSync } from "node:zlib";
import { signed, unsigned } from "./device.server.ts";

/** An address of this length goes through every browser and our own server. */
const LONGEST_PACKED = 6000;
const LONGEST_KEPT = 100_000;

/**
 * A form as one text for an address; undefined for one with files or passwords, and for one that is too long even pressed together.
 * (A form says what it was drawn from, most of which is what it sends: that presses well.)
 */
export function packKept(form: FormData): string | undefined {
  const kept = new URLSearchParams();
  for (const [name, value] of form) {
    // A field for a file that was left empty.
    if (typeof value !== "string" && value.size === 0) continue;
    if (typeof value !== "string" || /password|secret/i.test(name)) return undefined;
    kept.append(name, value);
  }
  const text = kept.toString();
  const packed = deflateRawSync(text).toString("base64url");
  return text !== "" && text.length <= LONGEST_KEPT && packed.length <= LONGEST_PACKED ? packed : undefined;
}

/** Nothing for what was not packed here. */
export function unpackKept(packed: string): [string, string][] {
  try {
    const text = inflateRawSync(Buffer.from(packed, "base64url"), { maxOutputLength: LONGEST_KEPT });
    return [...new URLSearchParams(text.toString("utf8"))];
  } catch {
    return [];
  }
}

/** Whose form it is, for which page, and when (ms). */
export type KeptFor = {
  readonly club: string;
  readonly person: string;
  readonly path: string;
  readonly now: number;
};

const HOUR_MS = 3_600_000;
const purpose = ({ club, person, path }: KeptFor, hour: number): string =>
  `form ${hour} ${club} ${person} ${path}`;

export async function keepForm(form: FormData, of: KeptFor): Promise<string | undefined> {
  const packed = packKept(form);
  return packed && (await signed(packed, purpose(of, Math.floor(of.now / HOUR_MS))));
}

/** The form if it was kept for just that person and page, in this hour or the one before; else undefined. */
export async function keptForm(told: string, of: KeptFor): Promise<[string, string][] | undefined> {
  const hour = Math.floor(of.now / HOUR_MS);
  const packed = (await unsigned(told, purpose(of, hour))) ?? (await unsigned(told, purpose(of, hour - 1)));
  return packed === undefined ? undefined : unpackKept(packed);
}

/**
 * Only addresses of our own: browsers drop tabs and line ends, take a backslash for a slash, and would follow what is left to another host. So
 * the address is read as a browser reads it, and only its path on our own origin is answered.
 */
export function ownPath(text: string | null): string {
  const nowhere = "http://nowhere.invalid";
  if (!text?.startsWith("/") || text.length > 2000 || /[\p{Cc}\\]/u.test(text)) return "/cabinet";
  if (!URL.canParse(text, nowhere)) return "/cabinet";
  const url = new URL(text, nowhere);
  if (url.origin !== nowhere || /^\/[/\\]/.test(url.pathname)) return "/cabinet";
  return url.pathname + url.search;
}
