// Is this the right file? Told by content: size and SHA-256, of the file and of each entry if it is a zip; and what
// versions and models its text speaks of. Pure; the page runs it in a worker.
import { sha256 } from "@noble/hashes/sha2";
import { bytesToHex } from "@noble/hashes/utils";
import { bad, good, type Result } from "../quantities/index.ts";
import { readZip, type ZipProblem } from "./zip.ts";

export const LARGEST_CHECKED = 64 * 1024 * 1024;

/** A release's file as the dossiers know it. */
export type KnownFile = {
  readonly release: string;
  /** What to call it: model, part, version. */
  readonly title: string;
  readonly sha256: string;
  readonly size: number | null;
  readonly name: string;
};

/** All that a file is held against. */
export type KnownFiles = { readonly files: readonly KnownFile[]; readonly models: readonly string[] };

export type CheckedPart = {
  readonly name: string;
  readonly bytes: number;
  readonly sha256: string;
  /** Releases whose file this is. */
  readonly releases: readonly KnownFile[];
  /** Version-like and model-like words found in its text. */
  readonly mentions: readonly string[];
};

export type FileVerdict =
  | { readonly kind: "this-release"; readonly release: KnownFile; readonly within?: string }
  | { readonly kind: "another-release"; readonly releases: readonly KnownFile[]; readonly within?: string }
  /** A release we know has a file of this name, but with other content. */
  | { readonly kind: "same-name-other-content"; readonly release: KnownFile }
  | { readonly kind: "unknown" };

export type CheckedFile = {
  readonly file: CheckedPart;
  readonly entries: readonly CheckedPart[];
  readonly verdict: FileVerdict;
};

export type CheckProblem =
  | { readonly kind: "empty" }
  | { readonly kind: "too-large"; readonly limit: number }
  | ZipProblem;

/**
 * Checks a file against the releases that are known. `wanted` are the releases that it should be; without any, every
 * known release will do. `models` are names to look for in its text.
 * Problems: `empty`, `too-large` (over 64 MiB), `zip-damaged` (cut short or not readable), `zip-encrypted`, `zip-method` (packed in a way
 * that we do not know), `zip-bomb` (it would unpack
 * to more than 256 MiB or more than 2,000 entries).
 */
export function checkFile(
  file: { readonly name: string; readonly bytes: Uint8Array },
  known: readonly KnownFile[],
  wanted: readonly string[] = [],
  models: readonly string[] = [],
): Result<CheckedFile, CheckProblem> {
  if (file.bytes.length === 0) return bad({ kind: "empty" });
  if (file.bytes.length > LARGEST_CHECKED) return bad({ kind: "too-large", limit: LARGEST_CHECKED });
  const whole = partOf(file.name, file.bytes, known, models);
  // Its own hash is a release's: then it is that, whatever is inside of it, and whether that can be opened.
  const zip = whole.releases.length > 0 ? undefined : readZip(file.bytes);
  if (zip && !zip.ok) return zip;
  const entries = (zip?.value ?? []).map((entry) => partOf(entry.name, entry.bytes, known, models));
  return good({ file: whole, entries, verdict: verdictOf(whole, entries, known, wanted) });
}

function partOf(
  name: string,
  bytes: Uint8Array,
  known: readonly KnownFile[],
  models: readonly string[],
): CheckedPart {
  const hash = bytesToHex(sha256(bytes));
  return {
    name,
    bytes: bytes.length,
    sha256: hash,
    releases: known.filter((k) => k.sha256 === hash),
    mentions: mentionsIn(bytes, models),
  };
}

function verdictOf(
  file: CheckedPart,
  entries: readonly CheckedPart[],
  known: readonly KnownFile[],
  wanted: readonly string[],
): FileVerdict {
  const parts = [file, ...entries];
  const base = (name: string) => name.replace(/^.*[\\/]/, "").toLowerCase();
  // Where nothing is wanted, the name is the claim that the content is held against.
  const claimed = known
    .filter((k) => k.name !== "" && base(k.name) === base(file.name))
    .map((k) => k.release);
  const right = wanted.length > 0 ? wanted : claimed;
  for (const part of parts) {
    const release = part.releases.find((r) => right.length === 0 || right.includes(r.release));
    const within = part === file ? {} : { within: part.name };
    if (release) return { kind: "this-release", release, ...within };
  }
  const found = parts.find((part) => part.releases.length > 0);
  if (found) {
    return {
      kind: "another-release",
      releases: found.releases,
      ...(found !== file && { within: found.name }),
    };
  }
  const names = new Set(parts.map((part) => base(part.name)));
  const twin =
    known.find((k) => wanted.includes(k.release) && names.has(base(k.name))) ??
    known.find((k) => k.name !== "" && names.has(base(k.name)));
  return twin ? { kind: "same-name-other-content", release: twin } : { kind: "unknown" };
}

const LOOKED_AT = 4 * 1024 * 1024;
const MOST_MENTIONS = 12;
const VERSION_LIKE = /\b[vV]?\d{1,3}(?:\.\d{1,4}){1,3}[a-z]?\b|\b20\d{6}\b/g;

/** Version-like and model-like words in the readable stretches of the first 4 MiB. */
export function mentionsIn(bytes: Uint8Array, models: readonly string[]): string[] {
  const text = readable(bytes.subarray(0, LOOKED_AT));
  const found = new Set<string>();
  const lower = text.toLowerCase();
  for (const model of models) if (model.length > 2 && lower.includes(model.toLowerCase())) found.add(model);
  for (const [version] of text.matchAll(VERSION_LIKE)) {
    if (found.size >= MOST_MENTIONS) break;
    found.add(version);
  }
  return [...found];
}

/** Stretches of at least four printable letters, each on a line of its own. */
function readable(bytes: Uint8Array): string {
  const runs: string[] = [];
  let start = -1;
  const end = (at: number) => {
    if (start >= 0 && at - start >= 4)
      runs.push(String.fromCharCode(...bytes.subarray(start, Math.min(at, start + 4000))));
    start = -1;
  };
  for (let at = 0; at < bytes.length; at++) {
    const byte = bytes[at] ?? 0;
    if (byte >= 32 && byte < 127) {
      if (start < 0) start = at;
    } else end(at);
  }
  end(bytes.length);
  return runs.join("\n");
}
