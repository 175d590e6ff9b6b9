// What somebody typed when their session had ended: carried through the sign-in in the address, then shown again.
import { deflateRawSync, inflateRawSync } from "node:zlib";

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
    if (typeof value !== "string" || /password/i.test(name)) return undefined;
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

/** Only addresses of our own: no other host, no scheme. */
export const ownPath = (text: string | null): string =>
  text && /^\/(?![/\\])/.test(text) ? text : "/cabinet";
