// Reads what a radio shows as its version and orders versions, by the numbering scheme of a component.
// Rules: docs of the schemes stand beside their code in schemes/; cleaning in clean.ts.
import { bad, good, type Result } from "../quantities/index.ts";
import { type CleaningRules, cleanReadout } from "./clean.ts";
import { type Order, orderOf } from "./digits.ts";
import { compareDated, type DatedKey, type DatePattern, readDated } from "./schemes/dated.ts";
import { compareDecimal, type DecimalKey, readDecimal } from "./schemes/decimal.ts";
import { compareDotted, type DottedKey, readDotted } from "./schemes/dotted.ts";
import { compareLettered, type LetteredKey, readLettered } from "./schemes/lettered.ts";

export const SCHEME_KINDS = ["dotted", "decimal", "dated", "lettered", "listed"] as const;
export type SchemeKind = (typeof SCHEME_KINDS)[number];

/** How a numbering works, without any catalogue: this is what a person confirms. */
export type Numbering =
  | { readonly kind: "dotted" | "decimal" | "lettered" | "listed" }
  | { readonly kind: "dated"; readonly pattern: DatePattern };

/** A release's names as the catalogue has them. For "listed" the order of these entries is the order. */
export type CatalogueName = {
  readonly id: string;
  readonly version: string;
  readonly aliases?: readonly string[];
};

/** A component's scheme: its numbering, the endings to ignore, and the releases we know by name. */
export type Scheme = {
  readonly numbering: Numbering;
  readonly suffixes?: readonly string[];
  readonly catalogue?: readonly CatalogueName[];
};

export type VersionKey =
  | { readonly kind: "dotted"; readonly key: DottedKey }
  | { readonly kind: "decimal"; readonly key: DecimalKey }
  | { readonly kind: "dated"; readonly key: DatedKey }
  | { readonly kind: "lettered"; readonly key: LetteredKey }
  | { readonly kind: "listed"; readonly key: number };

export type Version = {
  /** The readout, cleaned. */
  readonly cleaned: string;
  /** The catalogued release that goes by this version or alias, if there is one. */
  readonly release?: string;
  /** Its place in the numbering; absent where only its name is known. */
  readonly key?: VersionKey;
};

export type VersionProblem =
  | { readonly kind: "empty" }
  | { readonly kind: "too-long"; readonly length: number; readonly limit: number }
  | { readonly kind: "other-digits"; readonly cleaned: string }
  | { readonly kind: "unreadable"; readonly cleaned: string; readonly numbering: SchemeKind }
  | { readonly kind: "ambiguous"; readonly cleaned: string; readonly releases: readonly string[] };

/** No radio shows more than this; a longer text is a slip of the clipboard. */
export const LONGEST_READOUT = 200;

/** Reads versions of one scheme; prepares the catalogue's names once, for many readings. */
export type VersionReader = {
  readonly scheme: Scheme;
  readonly clean: (raw: string) => string;
  readonly read: (raw: string) => Result<Version, VersionProblem>;
  /** The version of a catalogued release, by its id. */
  readonly release: (id: string) => Version | undefined;
};

/** A reader of what radios show, for one numbering over one catalogue. */
export function versionReader(scheme: Scheme): VersionReader {
  const { numbering } = scheme;
  const rules: CleaningRules = {
    suffixes: scheme.suffixes ?? [],
    keepsLetters: numbering.kind === "lettered",
  };
  const clean = (raw: string) => cleanReadout(raw, rules);
  const versions = new Map<string, Version>();
  const byName = new Map<string, string[]>();
  for (const [place, entry] of (scheme.catalogue ?? []).entries()) {
    const cleaned = clean(entry.version);
    const key =
      numbering.kind === "listed" ? ({ kind: "listed", key: place } as const) : keyOf(numbering, cleaned);
    versions.set(entry.id, key ? { cleaned, release: entry.id, key } : { cleaned, release: entry.id });
    const aliases = (entry.aliases ?? []).map(clean);
    for (const name of aliases.length > 0 ? new Set([cleaned, ...aliases]) : [cleaned]) {
      const known = byName.get(name);
      if (known) known.push(entry.id);
      else byName.set(name, [entry.id]);
    }
  }
  const read = (raw: string): Result<Version, VersionProblem> => {
    if (raw.length > LONGEST_READOUT) {
      return bad({ kind: "too-long", length: raw.length, limit: LONGEST_READOUT });
    }
    const cleaned = clean(raw);
    if (cleaned === "") return bad({ kind: "empty" });
    const named = byName.get(cleaned);
    if (named && named.length > 1) return bad({ kind: "ambiguous", cleaned, releases: named });
    const known = named?.[0] === undefined ? undefined : versions.get(named[0]);
    if (known) return good(known);
    const key = keyOf(numbering, cleaned);
    if (key) return good({ cleaned, key });
    if (/\p{Nd}/u.test(cleaned.replace(/[0-9]/g, ""))) return bad({ kind: "other-digits", cleaned });
    return bad({ kind: "unreadable", cleaned, numbering: numbering.kind });
  };
  return { scheme, clean, read, release: (id) => versions.get(id) };
}

function keyOf(numbering: Numbering, cleaned: string): VersionKey | undefined {
  switch (numbering.kind) {
    case "dotted": {
      const key = readDotted(cleaned);
      return key && { kind: "dotted", key };
    }
    case "decimal": {
      const key = readDecimal(cleaned);
      return key && { kind: "decimal", key };
    }
    case "dated": {
      const key = readDated(cleaned, numbering.pattern);
      return key && { kind: "dated", key };
    }
    case "lettered": {
      const key = readLettered(cleaned);
      return key && { kind: "lettered", key };
    }
    case "listed":
      return undefined;
  }
}

/**
 * Reads a readout under a scheme. A text that equals a catalogued release's cleaned version or alias is that
 * release; otherwise the numbering decides.
 * Problems: `empty`, `too-long` (over 200 characters), `other-digits` (digits of another script),
 * `unreadable` (not of the numbering's shape), `ambiguous` (a name that two releases share).
 */
export const readVersion = (scheme: Scheme, raw: string): Result<Version, VersionProblem> =>
  versionReader(scheme).read(raw);

/** The order of two read versions; undefined where the numbering cannot tell. Equal versions answer 0. */
export function orderVersions(a: Version, b: Version): Order | undefined {
  if (a.release !== undefined && a.release === b.release) return 0;
  if (!a.key || !b.key) return a.cleaned === b.cleaned ? 0 : undefined;
  if (a.key.kind === "dotted" && b.key.kind === "dotted") return compareDotted(a.key.key, b.key.key);
  if (a.key.kind === "decimal" && b.key.kind === "decimal") return compareDecimal(a.key.key, b.key.key);
  if (a.key.kind === "dated" && b.key.kind === "dated") return compareDated(a.key.key, b.key.key);
  if (a.key.kind === "lettered" && b.key.kind === "lettered") return compareLettered(a.key.key, b.key.key);
  if (a.key.kind === "listed" && b.key.kind === "listed") return orderOf(a.key.key - b.key.key);
  return undefined;
}

/** -1, 0 or 1 for two readouts under a scheme; undefined if either cannot be read or the two cannot be ordered. */
export function compareVersions(scheme: Scheme, a: string, b: string): Order | undefined {
  const reader = versionReader(scheme);
  const first = reader.read(a);
  const second = reader.read(b);
  return first.ok && second.ok ? orderVersions(first.value, second.value) : undefined;
}
