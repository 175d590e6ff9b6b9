// Bytes of a file somebody brought: which encoding they are in, and the text; or that they are no text at all.
import { bad, good, type Result } from "../quantities/index.ts";

export type Encoding = "utf-8" | "utf-8 with mark" | "utf-16" | "latin-1";

export type Decoded = { readonly text: string; readonly encoding: Encoding };

export type DecodeProblem =
  | { readonly kind: "empty-file" }
  | { readonly kind: "binary" }
  | { readonly kind: "file-too-large"; readonly bytes: number; readonly limit: number };

/** 5,000 rows are well under one megabyte; this leaves room for wide sheets. */
export const LARGEST_FILE = 8 * 1024 * 1024;

/**
 * Decodes UTF-8 (with or without mark), UTF-16 with mark, else Latin-1 as Windows writes it (windows-1252).
 * Problems: `empty-file`, `binary` (zero bytes or other control characters in it), `file-too-large`.
 */
export function decodeTable(bytes: Uint8Array): Result<Decoded, DecodeProblem> {
  if (bytes.length > LARGEST_FILE)
    return bad({ kind: "file-too-large", bytes: bytes.length, limit: LARGEST_FILE });
  const decoded = decode(bytes);
  if (decoded.text.trim() === "") return bad({ kind: "empty-file" });
  // biome-ignore lint/suspicious/noControlCharactersInRegex: these are what tells a binary file
  if (/[\u0000-\u0008\u000e-\u001a\u001c-\u001f]/.test(decoded.text)) return bad({ kind: "binary" });
  return good(decoded);
}

function decode(bytes: Uint8Array): Decoded {
  const [a, b, c] = bytes;
  if (a === 0xff && b === 0xfe)
    return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "utf-16" };
  if (a === 0xfe && b === 0xff)
    return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "utf-16" };
  const marked = a === 0xef && b === 0xbb && c === 0xbf;
  try {
    const text = new TextDecoder("utf-8", { fatal: true }).decode(bytes);
    return { text, encoding: marked ? "utf-8 with mark" : "utf-8" };
  } catch {
    return { text: new TextDecoder("windows-1252").decode(bytes), encoding: "latin-1" };
  }
}
