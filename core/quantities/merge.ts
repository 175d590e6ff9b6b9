// Two people with the same form open: what one has saved meanwhile and what the other has typed, brought together field by field.

export type Texts = Readonly<Record<string, string>>;

export type MergedTexts = {
  /** What to save: as typed, but where only the other changed something, as the other saved it. */
  readonly values: Record<string, string>;
  /** Where both changed the same field differently: what stands there now. What was typed is in `values`. */
  readonly clashes: Record<string, string>;
};

/**
 * `seen` is what the form was drawn from, `typed` what came of it, `now` what stands there when it is saved. A field that the form
 * did not send is left alone, but for a mark that was set ("on"): a form sends nothing for one that is not.
 */
export function mergeTexts(seen: Texts, typed: Texts, now: Texts): MergedTexts {
  const values: Record<string, string> = { ...typed };
  const clashes: Record<string, string> = {};
  for (const [field, stands] of Object.entries(now)) {
    const before = seen[field] ?? "";
    const own = typed[field] ?? (before === "on" || stands === "on" ? "" : undefined);
    if (own === undefined || same(stands, before) || same(stands, own)) continue;
    if (same(own, before)) values[field] = stands;
    else clashes[field] = stands;
  }
  return { values, clashes };
}

/** Browsers send line ends of their own. */
const same = (one: string, other: string): boolean =>
  one.replaceAll("\r\n", "\n") === other.replaceAll("\r\n", "\n");

export type Values = Readonly<Record<string, unknown>>;
export type MergedValues = {
  readonly values: Record<string, unknown>;
  /** Where both changed the same: "name", or "conditions.from" for what lies within. */
  readonly clashes: readonly string[];
};

/**
 * The same for plain values instead of texts: what somebody had before them, what they want, what stands now. What does not stand
 * is theirs alone (a field that is empty stands as undefined); what lies within an object is merged by itself; a list is one value, and a list of texts is the same in any order.
 */
export function mergeValues(baseline: Values, own: Values, now: Values): MergedValues {
  return mergeFields(Object.keys(now), baseline, own, now);
}

function mergeFields(fields: Iterable<string>, baseline: Values, own: Values, now: Values): MergedValues {
  const values: Record<string, unknown> = { ...own };
  const clashes: string[] = [];
  for (const field of fields) {
    const [before, mine, stands] = [baseline[field], own[field], now[field]];
    if (sameValue(stands, before) || sameValue(stands, mine)) continue;
    if (sameValue(mine, before)) values[field] = stands;
    else if (isPlain(stands) && isPlain(mine)) {
      const seen = isPlain(before) ? before : {};
      // Within an object a field may have been taken out since.
      const all = new Set([...Object.keys(stands), ...Object.keys(seen)]);
      const within = mergeFields(all, seen, mine, stands);
      values[field] = within.values;
      clashes.push(...within.clashes.map((path) => `${field}.${path}`));
    } else clashes.push(field);
  }
  return { values, clashes };
}

/** True if wanting `own` would leave all that stands as it is. */
export const leavesAll = (own: Values, now: Values): boolean =>
  Object.entries(now).every(([field, stands]) => sameValue(own[field], stands));

const isPlain = (value: unknown): value is Values =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** What is absent, undefined or null is the same, and so is nothing typed; browsers send line ends of their own. */
export function sameValue(one: unknown, other: unknown): boolean {
  return canonical(one) === canonical(other);
}

function canonical(value: unknown): string {
  if (value === undefined || value === null || value === "") return "";
  if (typeof value === "string") return JSON.stringify(value.replaceAll("\r\n", "\n"));
  if (Array.isArray(value)) {
    if (value.length === 0) return "";
    const all = value.map(canonical);
    return `[${(value.every((one) => typeof one === "string") ? all.sort() : all).join(",")}]`;
  }
  if (isPlain(value)) {
    const all = Object.entries(value).map(([name, one]) => [name, canonical(one)] as const);
    const said = all.filter(([, text]) => text !== "");
    if (said.length === 0) return "";
    return `{${said
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, text]) => `${JSON.stringify(name)}:${text}`)
      .join(",")}}`;
  }
  return JSON.stringify(value);
}
