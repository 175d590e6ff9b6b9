// One field for a reading of any component: "1.14" means the first component, "dsp 2.0" names another.
import { bad, good, type Result } from "../quantities/result.ts";
import { LONGEST_READOUT } from "./version.ts";

export type Entry = { readonly component: string; readonly raw: string };
export type EntryProblem =
  | { readonly kind: "nothing-typed" }
  | { readonly kind: "no-version"; readonly component: string }
  | { readonly kind: "entry-too-long"; readonly length: number; readonly limit: number };

/**
 * Splits what was typed into a component and a readout. A leading word that is a component's name (or the only
 * one that begins so, two letters at least) names it; otherwise it is the first component's.
 * Problems: `nothing-typed`, `no-version` (a component's name alone), `entry-too-long`.
 */
export function readEntry(
  components: readonly { readonly id: string; readonly name: string }[],
  typed: string,
): Result<Entry, EntryProblem> {
  const text = typed.trim();
  if (text === "") return bad({ kind: "nothing-typed" });
  const [first] = components;
  if (!first) throw new Error("a model has at least one component");
  const named = namedComponent(components, text);
  const raw = (named?.rest ?? text).trim();
  if (named && raw === "") return bad({ kind: "no-version", component: named.component.name });
  if (raw.length > LONGEST_READOUT) {
    return bad({ kind: "entry-too-long", length: raw.length, limit: LONGEST_READOUT });
  }
  return good({ component: (named?.component ?? first).id, raw });
}

function namedComponent(components: readonly { readonly id: string; readonly name: string }[], text: string) {
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
