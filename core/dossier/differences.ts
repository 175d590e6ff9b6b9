// What another club's dossier says differently from ours, fact by fact, so that each can be accepted or left.
import { calledFact } from "../quantities/index.ts";
import type { Dossier } from "./document.ts";
import { IDENTITY_FACTS } from "./identity.ts";

export const FACT_KINDS = [
  "identity",
  "part",
  "release",
  "procedure",
  "quirk",
  "mode",
  "setting",
  "code",
] as const;
export type FactKind = (typeof FACT_KINDS)[number];

export type Difference = {
  /** Names the fact in both documents; the same document gives the same keys. */
  readonly key: string;
  readonly kind: FactKind;
  readonly title: string;
  /** The fields that differ, ours and theirs as text; ours is absent where we have no such fact. */
  readonly fields: readonly {
    readonly name: string;
    /** What it is called, where its definition says so. */
    readonly called?: string;
    readonly ours: string | undefined;
    readonly theirs: string;
  }[];
};

type Fact = {
  readonly key: string;
  readonly kind: FactKind;
  readonly title: string;
  readonly fields: Record<string, unknown>;
};

const folded = (text: string) => text.normalize("NFKC").trim().toLowerCase();

/** How facts are told apart, in both documents and when they are stored. */
export const factKey = {
  identity: () => "identity",
  part: (name: string) => `part ${folded(name)}`,
  release: (part: string, version: string) => `release ${folded(part)} ${folded(version)}`,
  procedure: (p: { purpose: string; title: string }) => `procedure ${p.purpose} ${folded(p.title)}`,
  mode: (m: { name: string }) => `mode ${folded(m.name)}`,
  setting: (s: { name: string }) => `setting ${folded(s.name)}`,
  code: (c: { name: string }) => `code ${folded(c.name)}`,
  quirk: (q: { symptom: string }) => `quirk ${folded(q.symptom)}`,
} as const;

/** A document as single facts, each under a key of its own. What is left out of it is no fact. */
export function factsOf(dossier: Dossier): Fact[] {
  const { note, suffixes, kind, hardwareRevisions, identity } = dossier.model;
  return [
    {
      key: factKey.identity(),
      kind: "identity",
      title: "what it is",
      fields: { kind, note, suffixes, hardwareRevisions, ...identity },
    },
    ...dossier.components.flatMap((part): Fact[] => [
      {
        key: factKey.part(part.name),
        kind: "part",
        title: `how ${part.name} is read`,
        fields: { ...part.reading, numbering: part.numbering },
      },
      ...part.releases.map(
        (release): Fact => ({
          key: factKey.release(part.name, release.version),
          kind: "release",
          title: `${part.name} ${release.version}`,
          fields: { ...release, ...release.conditions, conditions: undefined },
        }),
      ),
    ]),
    ...dossier.procedures.map(
      (p): Fact => ({
        key: factKey.procedure(p),
        kind: "procedure",
        title: p.title,
        fields: p,
      }),
    ),
    ...dossier.quirks.map(
      (q): Fact => ({ key: factKey.quirk(q), kind: "quirk", title: q.symptom, fields: q }),
    ),
    ...dossier.modes.map((m): Fact => ({ key: factKey.mode(m), kind: "mode", title: m.name, fields: m })),
    ...dossier.settings.map(
      (s): Fact => ({ key: factKey.setting(s), kind: "setting", title: s.name, fields: s }),
    ),
    ...dossier.codes.map((c): Fact => ({ key: factKey.code(c), kind: "code", title: c.name, fields: c })),
  ];
}

/**
 * What theirs says that ours does not, or says otherwise. A field that theirs leaves empty is no difference, and what only
 * ours has is left alone. Sources alone make no difference: the same fact may be known from two places.
 */
export function differencesOf(ours: Dossier | undefined, theirs: Dossier): Difference[] {
  const known = new Map(ours ? factsOf(ours).map((fact) => [fact.key, fact]) : []);
  return factsOf(theirs).flatMap((fact): Difference[] => {
    const own = known.get(fact.key);
    const fields = Object.entries(fact.fields).flatMap(([name, value]) => {
      const told = saying(value);
      if (name === "source" || told === "" || (own && told === saying(own.fields[name]))) return [];
      const called = fact.kind === "identity" ? calledFact(IDENTITY_FACTS, name) : undefined;
      const ours = own ? saying(own.fields[name]) : undefined;
      return [{ name, ...(called !== undefined && { called }), ours, theirs: told }];
    });
    return fields.length > 0 ? [{ key: fact.key, kind: fact.kind, title: fact.title, fields }] : [];
  });
}

/** True for a field that says nothing: left out, empty, or a mark that is not set. */
export const isSilent = (value: unknown): boolean => saying(value) === "";

/** A value as a text that is the same for the same value; nothing said is empty. */
function saying(value: unknown): string {
  if (value === undefined || value === null || value === "" || value === false) return "";
  if (typeof value === "string") return value;
  if (Array.isArray(value)) return value.length === 0 ? "" : value.map(saying).join("; ");
  if (typeof value === "object") {
    return Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .flatMap(([name, inner]) => (saying(inner) === "" ? [] : [`${name} ${saying(inner)}`]))
      .join(", ");
  }
  return String(value);
}
