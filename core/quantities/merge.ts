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

/** True if saving `values` leaves all that stands as it is. A form sends nothing for a mark that is not set, nor for a choice of none. */
export const changesNothing = (values: Texts, now: Texts): boolean =>
  Object.entries(now).every(([field, stands]) => same(values[field] ?? "", stands));

/** Browsers send line ends of their own. */
const same = (one: string, other: string): boolean =>
  one.replaceAll("\r\n", "\n") === other.replaceAll("\r\n", "\n");
