// Adding, correcting and withdrawing a release: parsed, weighed against the units, then saved with its needs.

import { createHash } from "node:crypto";
import { data, redirect } from "react-router";
import {
  previewRelease,
  type ReleaseProblem,
  releaseInput,
  writeRelease,
} from "#acts/model/write-release.ts";
import { LARGEST_CHECKED } from "#core/bench/index.ts";
import { mapped, mustFind, type PlainDate } from "#core/quantities/index.ts";
import {
  AHEAD,
  type Catalogue,
  newReleaseValues,
  type ReleaseRow,
  readRelease,
  releaseValues,
  withEmptyRows,
  writtenOf,
} from "#core/release/index.ts";
import { whatIf } from "#core/route/index.ts";
import {
  loadCatalogues,
  modelById,
  releaseById,
  releaseOffers,
  releasesOf,
  revisionsOf,
  someTags,
} from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { type LoadedSituation, loadSituations } from "#db/unit/index.ts";
import { notFound, type SignedIn } from "../../context.ts";
import { NOT_WHOLE } from "../../forms/perform.server.ts";
import { type Errors, type Read, replyOf, saveForm } from "../../forms/save.server.ts";
import { touchedBy } from "../../shared/load-touched.server.ts";
import { sayContradiction } from "../../ui/words/unit/contradiction.ts";

const nameIn = (revisions: readonly { id: string; name: string }[]) => (id: string) =>
  mustFind(revisions, id).name;

const isId = (text: string) => /^\d{1,18}$/.test(text);

export async function loadRelease(tx: Tx, modelId: string, releaseId: string, today: PlainDate) {
  const model = isId(modelId) ? await modelById(tx, modelId) : undefined;
  if (!model) throw notFound("This model");
  const release = isId(releaseId) ? await releaseById(tx, releaseId) : undefined;
  if (releaseId !== "new" && release?.model_id !== model.id) throw notFound("This release");
  const catalogue = (await loadCatalogues(tx, [model.id])).get(model.id) ?? new Map();
  const revisions = await revisionsOf(tx, model.id);
  const components = [...catalogue.values()].map(({ component }) => ({
    id: component.id,
    name: component.name,
  }));
  return {
    model,
    release,
    whatIf: release && !release.draft ? await ifKept(tx, model.id, release, today) : undefined,
    components,
    releases: await releasesOf(tx, model.id),
    offers: await releaseOffers(tx, model.id),
    revisions,
    values: withEmptyRows(
      release
        ? releaseValues(release.component_id, writtenOf(release, nameIn(revisions)), revisions)
        : newReleaseValues(today),
    ),
  };
}

export async function actOnRelease(
  tx: Tx,
  who: SignedIn,
  modelId: string,
  releaseId: string,
  form: FormData,
) {
  const loaded = await loadRelease(tx, modelId, releaseId, who.today);
  const put = await fileOf(form);
  if (put === "too-large")
    return answer(form, { content: "The file is larger than 64 MiB; no radio takes that much." });
  if (put) for (const [name, value] of Object.entries(put.fields)) form.set(name, value);
  const draft = form.get("intent") === "draft";
  const read = (sent: FormData, isBaseline: boolean): Read<Record<string, unknown>> =>
    mapped(readRelease(Object.fromEntries(sent), loaded.revisions), ({ component, release }) => ({
      ...release,
      component,
      draft: isBaseline ? (loaded.release?.draft ?? false) : draft,
      model: loaded.model.id,
      ...(loaded.release && { release: loaded.release.id }),
      ...(put && !isBaseline && { content: put.content }),
    }));
  if (form.get("intent") !== "save" && !draft) {
    const typed = read(form, false);
    if (!typed.ok) return answer(form, typed.problem.errors);
    const input = releaseInput.safeParse(typed.value);
    if (!input.success) return answer(form, { "": NOT_WHOLE });
    const preview = await previewRelease(tx, input.data, who.today, "all");
    if (!preview.ok) return answer(form, saying(preview.problem), preview.problem.kind === "contradicts");
    const { situations, after, effect } = preview.value;
    const own = loaded.release?.id ?? "new";
    const told = await ifTarget(tx, loaded.model.id, situations, after, input.data.component, own);
    if (put) told.files[own] = "kept";
    else if (input.data.file && told.files[own] !== "kept") told.files[own] = "known";
    const touched = await touchedBy(tx, effect);
    return data({ result: replyOf(form, {}), touched, whatIf: told });
  }
  const done = await saveForm(writeRelease, who, form, {
    read,
    drawn: async () => loaded.release && (await loadRelease(tx, modelId, releaseId, who.today)).values,
  });
  // Returned, not thrown: what is thrown out of a transaction undoes it.
  if (done.ok) return redirect(`/models/${loaded.model.id}`);
  const { problem } = done;
  switch (problem.kind) {
    case "refused":
      return answer(problem.refused.form, problem.refused.errors, false, problem.refused.status);
    case "no-key":
    case "input":
      return answer(form, { "": NOT_WHOLE });
    default:
      return answer(form, saying(problem), problem.kind === "contradicts");
  }
}

/** The form again, with what is wrong; `savableAsDraft`: it can be kept all the same. */
const answer = (form: FormData, errors: Errors, savableAsDraft = false, status = 400) =>
  data({ result: replyOf(form, errors), savableAsDraft }, { status });

function saying(problem: ReleaseProblem): Record<string, string> {
  switch (problem.kind) {
    case "no-model":
      throw notFound("This model");
    case "no-release":
      throw notFound("This release");
    case "no-part":
      return { component: "This model has no such part." };
    case "no-revision":
      return { revisions: `This model has no hardware revision ${problem.name}.` };
    case "ahead":
      return { withdrawnOn: AHEAD };
    case "other-file":
      return { content: "This file is not the one whose hash stands above." };
    case "contradicts": {
      const version = (of: string) => problem.versions[of] ?? "another release";
      const errors: Record<string, string> = {};
      for (const one of problem.contradictions) errors[one.field] ??= sayContradiction(one, version);
      return errors;
    }
  }
}

/** The file put into the form, if one was, with what the fields about it say then. */
async function fileOf(form: FormData) {
  const file = form.get("content");
  if (!(file instanceof File) || file.size === 0) return undefined;
  if (file.size > LARGEST_CHECKED) return "too-large" as const;
  const content = new Uint8Array(await file.arrayBuffer());
  const sha256 = createHash("sha256").update(content).digest("hex");
  return { content, fields: { sha256, fileSize: String(content.length), fileName: file.name.slice(0, 200) } };
}

/** What it would take if every radio of the model went to this release, as it is kept. */
async function ifKept(tx: Tx, model: string, release: ReleaseRow, today: PlainDate) {
  const { all, catalogues } = await loadSituations(tx, { of: "model", id: model }, today);
  const catalogue = catalogues.get(model);
  if (all.length === 0 || !catalogue?.get(release.component_id)?.byId.has(release.id)) return undefined;
  return ifTarget(tx, model, all, catalogue, release.component_id, release.id);
}

/** The same for any catalogue: one with what was typed and not saved yet, too. */
async function ifTarget(
  tx: Tx,
  model: string,
  situations: readonly LoadedSituation[],
  catalogue: Catalogue,
  component: string,
  release: string,
) {
  const told = whatIf(situations, catalogue, component, release);
  const names = Object.fromEntries(
    [...catalogue.values()].flatMap((p) => [
      [p.component.id, p.component.name],
      ...p.releases.map((r) => [`r${r.id}`, r.version]),
    ]),
  ) as Record<string, string>;
  // Radios that are stopped by the same share the list of it.
  const stops = new Map(
    [...new Set(told.stuck.map((one) => one.stops))].flat().map((stop) => [JSON.stringify(stop), stop]),
  );
  const ids = (units: readonly { readonly unit: string }[]) => units.map(({ unit }) => unit);
  return {
    minutes: told.minutes,
    losing: told.losing,
    installs: told.installs,
    tools: told.tools,
    stops: [...stops.values()],
    there: told.there.length,
    reach: await someTags(tx, ids(told.reach)),
    stuck: await someTags(tx, ids(told.stuck)),
    untold: await someTags(tx, told.untold),
    names,
    files: Object.fromEntries(
      (await releasesOf(tx, model)).map((r) => [r.id, r.stored ? "kept" : r.file_sha256 ? "known" : "none"]),
    ) as Record<string, "kept" | "known" | "none">,
  };
}
