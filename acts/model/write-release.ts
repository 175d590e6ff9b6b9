// A release is written down, corrected, taken back or reinstated.

import { createHash } from "node:crypto";
import { z } from "zod";
import { LARGEST_CHECKED } from "#core/bench/index.ts";
import { type Effect, effectOf, withRelease } from "#core/needs/index.ts";
import { bad, good, leavesAll, mustGet, type PlainDate, type Result } from "#core/quantities/index.ts";
import {
  type Catalogue,
  type Contradiction,
  changesOf,
  contradictionsOf,
  imagined,
  isAhead,
  releaseShape,
  type StoredRelease,
  writtenOf,
} from "#core/release/index.ts";
import { addRelease, correctRelease, modelById, releaseById, revisionsOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { keepFile } from "#db/run/index.ts";
import { type LoadedSituation, loadSituations } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

export const releaseInput = releaseShape.extend({
  model: id,
  component: id,
  /** The one that is corrected. */
  release: id.optional(),
  /** The file itself, kept by its content. */
  content: z
    .instanceof(Uint8Array)
    .refine(
      (file) => file.length <= LARGEST_CHECKED,
      "The file is larger than 64 MiB; no radio takes that much.",
    )
    .optional(),
});
export type ReleaseInput = z.output<typeof releaseInput>;

export type ReleaseProblem =
  | { readonly kind: "no-model" | "no-release" | "no-part" | "ahead" | "other-file" }
  | { readonly kind: "no-revision"; readonly name: string }
  | {
      readonly kind: "contradicts";
      readonly contradictions: readonly Contradiction[];
      /** What the releases are called that it speaks of, by their ids. */
      readonly versions: Readonly<Record<string, string>>;
    };

export type ReleasePreview = {
  readonly stored: StoredRelease;
  readonly component: string;
  readonly situations: readonly LoadedSituation[];
  readonly after: Catalogue;
  readonly effect: Effect;
};

/**
 * What a release would change, were it saved as it is; nothing is saved. `parts`: whether the situations tell of all components or
 * only of the release's own, which is all that its effect hangs on.
 */
export async function previewRelease(
  tx: Tx,
  input: ReleaseInput,
  today: PlainDate,
  parts: "all" | "own" = "own",
): Promise<Result<ReleasePreview, ReleaseProblem>> {
  const loaded = await loadForPreview(tx, input, today, parts);
  return loaded.ok ? previewIn(loaded.value, input, today) : loaded;
}

/** What a release is weighed against: the model's radios, its catalogue, its revisions. */
export async function loadForPreview(
  tx: Tx,
  of: Pick<ReleaseInput, "model" | "component">,
  today: PlainDate,
  parts: "all" | "own" = "own",
) {
  if (!(await modelById(tx, of.model))) return bad({ kind: "no-model" as const });
  const { all, catalogues } = await loadSituations(
    tx,
    { of: "model", id: of.model },
    today,
    parts === "own" ? of.component : undefined,
  );
  const before: Catalogue = catalogues.get(of.model) ?? new Map();
  return good({ all, before, known: await revisionsOf(tx, of.model) });
}
export type LoadedPreview = Extract<Awaited<ReturnType<typeof loadForPreview>>, { ok: true }>["value"];

/** The same as `previewRelease`, of what is loaded already; several that go in one after the other are each weighed against those before. */
export function previewIn(
  { all, before, known }: LoadedPreview,
  input: ReleaseInput,
  today: PlainDate,
): Result<ReleasePreview, ReleaseProblem> {
  const component = before.get(input.component)?.component.name;
  if (component === undefined) return bad({ kind: "no-part" });
  const revisionId = (name: string) => known.find((r) => r.name.toLowerCase() === name.toLowerCase())?.id;
  const unknown = input.hardwareRevisions?.find((name) => revisionId(name) === undefined);
  if (unknown !== undefined) return bad({ kind: "no-revision", name: unknown });
  if (isAhead(input.withdrawn, today)) return bad({ kind: "ahead" });
  const { model: _model, release, content: _content, hardwareRevisions, ...written } = input;
  const stored: StoredRelease = {
    ...written,
    ...(hardwareRevisions && {
      hardwareRevisions: hardwareRevisions.flatMap((name) => revisionId(name) ?? []),
    }),
  };
  const own = release ?? "new";
  const after = withRelease(before, input.component, own, imagined(own, stored));
  const wrong = input.draft ? [] : contradictionsOf(after, input.component, own);
  if (wrong.length > 0) {
    const all = [...after.values()].flatMap((prepared) => prepared.releases);
    const versions = Object.fromEntries(all.map((r) => [r.id, r.version]));
    return bad({ kind: "contradicts", contradictions: wrong, versions });
  }
  return good({ stored, component, situations: all, after, effect: effectOf(all, before, after) });
}

/** A release as it stands, in the shape that is written; undefined if the model has no such. */
export async function releaseStands(tx: Tx, model: string, release: string) {
  const row = await releaseById(tx, release);
  if (row?.model_id !== model) return undefined;
  const names = new Map((await revisionsOf(tx, model)).map((r) => [r.id, r.name]));
  return { row, written: writtenOf(row, (revision) => mustGet(names, revision)) };
}

const sha256Of = (content: Uint8Array): string => createHash("sha256").update(content).digest("hex");

/** Problems: those of `ReleaseProblem`; `other-file`: the content is not what the hash says. */
export const writeRelease = defineAct({
  name: "write-release",
  input: releaseInput,
  may: "edit-release",
  corrects: {
    id: ({ release }) => release,
    stored: async (tx, { model, release = "" }) => {
      const stands = await releaseStands(tx, model, release);
      return stands && { component: stands.row.component_id, ...stands.written };
    },
  },
  run: async (tx, input, who) => {
    const { model, release, content } = input;
    const stands = release === undefined ? undefined : await releaseStands(tx, model, release);
    if (release !== undefined && !stands) return bad({ kind: "no-release" as const });
    if (content && sha256Of(content) !== input.file?.sha256) return bad({ kind: "other-file" as const });
    const preview = await previewRelease(tx, input, who.today);
    if (!preview.ok) return preview;
    const { stored, component, effect } = preview.value;
    const isNewFile = content !== undefined && (await keepFile(tx, sha256Of(content), content));
    if (stands && !isNewFile && leavesAll(input, { component: stands.row.component_id, ...stands.written }))
      return good({ answer: { release: stands.row.id }, log: [] });
    const saved = stands?.row.id ?? (await addRelease(tx, stored));
    if (stands) await correctRelease(tx, saved, stored);
    const units = effect.newlyDue.length + effect.changed.length + effect.freed.length + effect.later.length;
    const said = { component, version: stored.version, units };
    return good({
      answer: { release: saved },
      log: [{ entry: entryOf(said, stands?.written, input), model }],
      touches: [{ scope: { of: "model" as const, id: model }, why: `${component} ${stored.version}` }],
    });
  },
});

function entryOf(
  said: { component: string; version: string; units: number },
  before: z.output<typeof releaseShape> | undefined,
  after: z.output<typeof releaseShape>,
) {
  if (!before) return { kind: "release-added" as const, ...said };
  if (after.withdrawn && !before.withdrawn)
    return { kind: "release-withdrawn" as const, ...said, why: after.withdrawn.why };
  const kind = !after.withdrawn && before.withdrawn ? "release-reinstated" : "release-corrected";
  return { kind, ...said, what: changesOf(before, after) || "the file itself" } as const;
}
