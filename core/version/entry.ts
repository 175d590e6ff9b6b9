// One field for a reading of any component: "1.14" means the first component, "dsp 2.0" names another.
import { bad, good, type Result } from "../quantities/index.ts";
import { LONGEST_READOUT } from "./version.ts";

export type Entry = { readonly component: string; readonly raw: string };
export type EntryProblem =
  | { readonly kind: "nothing-typed" }
  | { readonly kind: "no-version"; readonly component: string }
  | { readonly kind: "entry-too-long"; readonly length: number; readonly limit: number };

type Named = { readonly id: string; readonly name: string; readonly shows?: string };

/**
 * Splits what was typed into a component and a readout. A leading word that is a component's name (or the only
 * one that begins so, two letters at least) names it, and so does what the screen shows before its version (`shows`, of the dossier);
 * otherwise it is the first component's. What stands on the screen before the version is no part of it.
 * Problems: `nothing-typed`, `no-version` (a component's name alone), `entry-too-long`.
 */
export function readEntry(components: readonly Named[], typed: string): Result<Entry, EntryProblem> {
  const text = typed.trim();
  if (text === "") return bad({ kind: "nothing-typed" });
  const [first] = components;
  if (!first) throw new Error("a model has at least one component");
  const named = namedComponent(components, text) ?? shownComponent(components, text);
  const of = named?.component ?? first;
  const rest = (named?.rest ?? text).trim();
  const raw = withoutPrefix(of, rest) ?? rest;
  if (named && raw === "") return bad({ kind: "no-version", component: named.component.name });
  if (raw.length > LONGEST_READOUT) {
    return bad({ kind: "entry-too-long", length: raw.length, limit: LONGEST_READOUT });
  }
  return good({ component: of.id, raw });
}

/** What a screen shows before a version, up to the last sign that parts it from that: "VER ", "FW:". */
const prefixOf = ({ shows = "" }: Named): string => /^(?:[^\d]*[\s:=/])(?=\S*\d)/.exec(shows)?.[0] ?? "";

/** What is left behind that prefix; undefined where it does not begin with it. */
function withoutPrefix(component: Named, text: string): string | undefined {
  const prefix = prefixOf(component).trim();
  if (prefix === "" || !text.toLowerCase().startsWith(prefix.toLowerCase())) return undefined;
  const rest = text.slice(prefix.length);
  // "VERSION 1.2" does not begin with "VER".
  return /[\p{L}]$/u.test(prefix) && /^\p{L}/u.test(rest) ? undefined : rest.replace(/^[\s:=/]+/, "");
}

/** The component whose screen shows that before its version, if it is the only one. */
function shownComponent(components: readonly Named[], text: string) {
  const all = components.flatMap((component) => {
    const rest = withoutPrefix(component, text);
    return rest === undefined ? [] : [{ component, rest }];
  });
  return all.length === 1 ? all[0] : undefined;
}

function namedComponent(components: readonly Named[], text: string) {
  const lower = text.toLowerCase();
  for (const component of [...components].sort((a, b) => b.name.length - a.name.length)) {
    const name = component.name.toLowerCase();
    if (!lower.startsWith(name)) continue;
    const rest = text.slice(name.length);
    if (rest === "" || /^[\s:=]/.test(rest)) return { component, rest: rest.replace(/^[\s:=]+/, "") };
  }
  const word = /^(\p{L}{2,})[\s:=]+/u.exec(lower);
  if (!word?.[1]) return undefined;
  const begun = word[1];
  const candidates = components.filter((c) => c.name.toLowerCase().startsWith(begun));
  const [only] = candidates;
  return candidates.length === 1 && only ? { component: only, rest: text.slice(word[0].length) } : undefined;
}
