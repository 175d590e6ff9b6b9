// What was found in release notes, as fields of a form and back: a block of fields for each release, a row for each fix.

import { readRelease } from "#core/release/form.ts";
import { MOST_PROPOSALS, type Proposal } from "#core/release/notes.ts";
import type { WrittenRelease } from "#core/release/release.ts";
import { TRACKS, URGENCIES } from "#core/release/words.ts";

export type ShownFix = {
  readonly tag: string;
  readonly urgency: string;
  readonly text: string;
  readonly line?: number;
};

/** One release as its fields hold it. */
export type Shown = {
  readonly picked: boolean;
  readonly version: string;
  readonly on: string;
  readonly track: string;
  readonly fixes: readonly ShownFix[];
  readonly from: string;
  readonly floor: string;
  readonly erases: string;
  readonly minutes: string;
  readonly notes: string;
  readonly withdrawn: boolean;
};

/** Rows for fixes that were not found stand behind the others. */
export const SPARE_FIXES = 1;
const MOST_FIXES = 80;

/** `known`: a release of that version is in the list already, so it is not picked. */
export function shownOf(one: Proposal, known: boolean): Shown {
  const notes = [...one.warnings.map(({ text }) => text), ...one.rest].join(" ");
  return {
    picked: !known,
    version: one.version,
    on: one.on ?? "",
    ...{ track: one.track, fixes: one.fixes, from: one.from ?? "", floor: one.rollbackFloor ?? "" },
    ...{ erases: one.erases, minutes: one.minutes === undefined ? "" : String(one.minutes) },
    ...{ notes: notes.slice(0, 2000), withdrawn: one.withdrawn },
  };
}

/** The name of a field of the release at a place. */
export const fieldName = (i: number, field: string): string => `r${i}-${field}`;

/** The releases of a form that was sent, as they were typed. */
export function sentShown(form: FormData): Shown[] {
  const count = Math.min(MOST_PROPOSALS, Number(form.get("count")) || 0);
  return Array.from({ length: count }, (_, i) => {
    const text = (field: string) => String(form.get(fieldName(i, field)) ?? "");
    const fixes: ShownFix[] = [];
    for (let f = 0; f < MOST_FIXES && form.has(fieldName(i, `fix${f}-text`)); f++) {
      const line = Number(text(`fix${f}-line`)) || undefined;
      const fix = { tag: text(`fix${f}-tag`), urgency: text(`fix${f}-urgency`), text: text(`fix${f}-text`) };
      if (fix.tag.trim() !== "" || fix.text.trim() !== "") fixes.push({ ...fix, ...(line && { line }) });
    }
    return {
      picked: form.get(fieldName(i, "pick")) === "on",
      ...{ version: text("version"), on: text("on"), track: text("track"), fixes },
      ...{ from: text("from"), floor: text("floor"), erases: text("erases"), minutes: text("minutes") },
      ...{ notes: text("notes"), withdrawn: text("withdrawn") === "on" },
    };
  });
}

export type Wrong = { readonly field: string; readonly says: string };

/** Reads what is picked: each by the rules of its own form. `wrong`: of each release by its place, what is wrong first. */
export function readShown(
  shown: readonly Shown[],
  source: string,
): { readonly releases: readonly WrittenRelease[]; readonly wrong: ReadonlyMap<number, Wrong> } {
  const releases: WrittenRelease[] = [];
  const wrong = new Map<number, Wrong>();
  shown.forEach((one, i) => {
    if (!one.picked) return;
    const bare = one.fixes.find((fix) => fix.tag.trim() === "" || fix.text.trim() === "");
    if (bare) {
      wrong.set(i, { field: "fixes", says: "What it mends has a tag and words." });
      return;
    }
    const read = readRelease({
      ...{
        version: one.version,
        releasedOn: one.on,
        track: TRACKS.find((t) => t === one.track) ?? "factory",
      },
      ...{
        from: one.from,
        rollbackFloor: one.floor,
        erases: one.erases,
        minutes: one.minutes,
        notes: one.notes,
      },
      ...(source !== "" && { sourceKind: "maker", sourceWhat: source }),
    });
    if (!read.ok) {
      const [field = "", says = ""] = Object.entries(read.problem.errors)[0] ?? [];
      wrong.set(i, { field, says });
      return;
    }
    const fixes = one.fixes.map((fix) => ({
      ...{ tag: fix.tag.trim().slice(0, 100), text: fix.text.trim().slice(0, 500) },
      urgency: URGENCIES.find((u) => u === fix.urgency) ?? "routine",
    }));
    releases.push({ ...read.value.release, fixes });
  });
  return { releases, wrong };
}
