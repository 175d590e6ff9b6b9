// What somebody typed when their session had ended: carried through the sign-in in the address, then shown again.
const MOST = 3000;

/** A small form as one text; undefined for one with files or passwords, or too long for an address. */
export function packKept(form: FormData): string | undefined {
  const kept = new URLSearchParams();
  for (const [name, value] of form) {
    if (typeof value !== "string" || /password/i.test(name)) return undefined;
    kept.append(name, value);
  }
  const text = kept.toString();
  return text !== "" && text.length <= MOST ? text : undefined;
}

export const unpackKept = (text: string): [string, string][] => [...new URLSearchParams(text.slice(0, MOST))];

/** Only addresses of our own: no other host, no scheme. */
export const ownPath = (text: string | null): string =>
  text && /^\/(?![/\\])/.test(text) ? text : "/cabinet";
