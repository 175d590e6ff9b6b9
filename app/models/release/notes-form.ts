// What was found in release notes, as fields of a form and back: each release has the fields of its own form (core/release/form.ts),
// their names behind its place in the page.

import {
  cell,
  type FieldErrors,
  fixValues,
  MOST_PROPOSALS,
  newReleaseValues,
  type Proposal,
  type ReleaseValues,
  rangeValues,
  readRelease,
  type WrittenRelease,
} from "#core/release/index.ts";
import { parseRange } from "#core/version/index.ts";

/** One release as its fields hold it. */
export type Shown = {
  readonly picked: boolean;
  readonly values: ReleaseValues;
  /** The line that each fix was found in, by its place. */
  readonly lines: readonly (number | undefined)[];
  readonly withdrawn: boolean;
};

/** `known`: a release of that version is in the list already, so it is not picked. */
export function shownOf(one: Proposal, known: boolean): Shown {
  const notes = [...one.warnings.map(({ text }) => text), ...one.rest].join(" ");
  const from = one.from === undefined ? undefined : parseRange(one.from);
  const fixes = one.fixes.map(({ tag, urgency, text }) => ({
    tag: tag.slice(0, 100),
    urgency,
    text: text.slice(0, 500),
  }));
  return {
    picked: !known,
    values: {
      version: one.version,
      releasedOn: one.on ?? "",
      track: one.track,
      ...fixValues(fixes),
      ...rangeValues("from", from?.ok ? from.value : undefined),
      rollbackFloor: one.rollbackFloor ?? "",
      erases: one.erases,
      minutes: one.minutes === undefined ? "" : String(one.minutes),
      notes: notes.slice(0, 2000),
    },
    lines: one.fixes.map(({ line }) => line),
    withdrawn: one.withdrawn,
  };
}

/** The name of a field of the release at a place. */
export const fieldName = (i: number, field: string): string => `r${i}-${field}`;

/** The releases of a form that was sent, as they were typed. */
export function sentShown(form: FormData): Shown[] {
  const count = Math.min(MOST_PROPOSALS, Number(form.get("count")) || 0);
  const values: Record<string, string>[] = Array.from({ length: count }, () => ({}));
  for (const [name, value] of form) {
    const [, at, field] = /^r(\d{1,3})-(.+)$/.exec(name) ?? [];
    const own = at === undefined ? undefined : values[Number(at)];
    if (own && field !== undefined && typeof value === "string") own[field] = value;
  }
  return values.map(({ pick, withdrawn, ...own }) => {
    const lines: (number | undefined)[] = [];
    for (let at = 0; own[cell("fix", at, "words")] !== undefined; at++)
      lines.push(Number(own[cell("fix", at, "line")]) || undefined);
    return { picked: pick === "on", values: own, lines, withdrawn: withdrawn === "on" };
  });
}

/** Reads what is picked: each by the rules of its own form. `wrong`: of each release by its place, what is wrong with it. */
export function readShown(
  shown: readonly Shown[],
  source: string,
): { readonly releases: readonly WrittenRelease[]; readonly wrong: ReadonlyMap<number, FieldErrors> } {
  const releases: WrittenRelease[] = [];
  const wrong = new Map<number, FieldErrors>();
  shown.forEach(({ picked, values }, i) => {
    if (!picked) return;
    const told = source === "" ? {} : { sourceKind: "maker", sourceWhat: source };
    const read = readRelease({ ...PLAIN, ...values, ...told });
    if (read.ok) releases.push(read.value.release);
    else wrong.set(i, read.problem.errors);
  });
  return { releases, wrong };
}

/** What the fields that are not shown say. */
const { releasedOn: _, ...PLAIN } = newReleaseValues("2000-01-01" as Parameters<typeof newReleaseValues>[0]);
