// Adding, correcting and withdrawing a release: parsed, weighed against the units, then saved with its needs.

import { createHash } from "node:crypto";
import { redirect } from "react-router";
import { LARGEST_CHECKED } from "#core/bench/check-file.ts";
import { effectOf, withRelease } from "#core/needs/effect.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import type { Catalogue, Release } from "#core/release/catalogue.ts";
import { contradictionsOf } from "#core/release/contradictions.ts";
import { AHEAD, isAhead } from "#core/release/withdrawal.ts";
import { whatIf } from "#core/route/what-if.ts";
import { policyOn } from "#core/unit/policy.ts";
import { loadCatalogues, loadFacts, policyOf, type ReleaseRow } from "#db/facts.ts";
import { appendLog } from "#db/log.ts";
import { modelById, releasesOf, revisionsOf, unitTags } from "#db/models.ts";
import type { Tx } from "#db/pool.ts";
import {
  addRelease,
  correctRelease,
  keepFile,
  type ReleaseFields,
  releaseById,
  withdrawRelease,
} from "#db/releases.ts";
import { bringUpToDate } from "#db/work.ts";
import { notFound, type SignedIn } from "../context.ts";
import { merge } from "../forms/merge.server.ts";
import { sayContradiction } from "../ui/words/contradiction.ts";
import { touchedBy } from "./load-touched.server.ts";
import { conditionsOf, newReleaseValues, releaseShape, releaseValues } from "./release-form.ts";

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
    revisions,
    values: release ? releaseValues(release, revisions) : newReleaseValues(today),
  };
}

export async function actOnRelease(
  tx: Tx,
  who: SignedIn,
  modelId: string,
  releaseId: string,
  form: FormData,
) {
  const typed = Object.fromEntries(
    [...form].flatMap(([name, value]) => (typeof value === "string" ? [[name, value] as const] : [])),
  );
  let loaded = await loadRelease(tx, modelId, releaseId, who.today);
  const { values, errors, unchanged } = await merge(
    tx,
    `release ${modelId} ${releaseId}`,
    typed,
    async () => {
      loaded = await loadRelease(tx, modelId, releaseId, who.today);
      return loaded.release && loaded.values;
    },
  );
  const put = await fileOf(form);
  if (typeof put === "object") Object.assign(values, put.fields);
  const parsed = releaseShape.safeParse(values);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) errors[String(issue.path[0])] ??= issue.message;
    return { values, errors };
  }
  const data = parsed.data;
  if (put === "too-large") errors.content = "The file is larger than 64 MiB; no radio takes that much.";
  const component = loaded.components.find((c) => c.id === data.component);
  if (!component) errors.component = "This model has no such part.";
  const revisionIds = data.revisions.map(
    (name) => loaded.revisions.find((r) => r.name.toLowerCase() === name.toLowerCase())?.id,
  );
  const unknown = data.revisions.find((_, i) => revisionIds[i] === undefined);
  if (unknown) errors.revisions = `This model has no hardware revision ${unknown}.`;
  if (data.withdrawnOn !== "" && isAhead({ on: data.withdrawnOn }, who.today)) errors.withdrawnOn = AHEAD;
  if (data.withdrawnOn !== "" && data.withdrawnWhy === "") errors.withdrawnWhy = "Say why it was withdrawn.";
  if (data.sourceWhat !== "" && data.sourceKind === "")
    errors.sourceKind = "Say what kind of source that is.";
  const facts = await loadFacts(tx, { of: "model", id: loaded.model.id });
  const catalogue: Catalogue =
    facts.catalogues.get(loaded.model.id) ??
    (await loadCatalogues(tx, [loaded.model.id])).get(loaded.model.id) ??
    new Map();
  if (!component || Object.keys(errors).length > 0) return { values, errors };

  const draft = form.get("intent") === "draft";
  const fields: ReleaseFields = {
    component: component.id,
    version: data.version,
    aliases: data.aliases,
    track: data.track,
    releasedOn: data.releasedOn,
    hardwareRevisions: data.revisions.length > 0 ? revisionIds.filter((id) => id !== undefined) : null,
    regions: data.regions.length > 0 ? data.regions : null,
    fixes: data.fixes,
    notes: data.notes,
    source: data.sourceKind === "" ? null : { kind: data.sourceKind, what: data.sourceWhat },
    conditions: conditionsOf(data),
    draft,
    ...(data.sha256 !== "" && {
      file: { sha256: data.sha256, size: data.fileSize === "" ? null : data.fileSize, name: data.fileName },
    }),
  };
  const withdrawn = data.withdrawnOn === "" ? undefined : { on: data.withdrawnOn, why: data.withdrawnWhy };
  const id = loaded.release?.id ?? "new";
  const after = withRelease(catalogue, component.id, id, imagined(id, fields, withdrawn));
  const wrong = draft ? [] : contradictionsOf(after, component.id, id);
  if (wrong.length > 0) {
    const all = [...after.values()].flatMap((prepared) => prepared.releases);
    const version = (of: string) => all.find((r) => r.id === of)?.version ?? "another release";
    for (const one of wrong) errors[one.field] ??= sayContradiction(one, version);
    return { values, errors, savableAsDraft: true };
  }
  const effect = effectOf(facts.units, (unit) => policyOf(facts, unit), catalogue, after, who.today);
  if (form.get("intent") !== "save" && !draft) {
    const touched = await touchedBy(tx, effect);
    const told = await ifTarget(tx, loaded.model.id, facts, after, component.id, id, who.today);
    if (typeof put === "object") told.files[id] = "kept";
    else if (data.sha256 !== "" && told.files[id] !== "kept") told.files[id] = "known";
    return { values, errors, touched, whatIf: told };
  }
  if (unchanged && typeof put !== "object" && (loaded.release?.draft ?? false) === draft)
    return redirect(`/models/${loaded.model.id}`);
  if (typeof put === "object") await keepFile(tx, put.fields.sha256, put.content);
  const units = effect.newlyDue.length + effect.changed.length + effect.freed.length + effect.later.length;
  await save(tx, loaded.release, fields, withdrawn, {
    component: component.name,
    model: loaded.model.id,
    units,
  });
  // Returned, not thrown: what is thrown out of a transaction undoes it.
  return redirect(`/models/${loaded.model.id}`);
}

const imagined = (id: string, f: ReleaseFields, withdrawn: Release["withdrawn"]): Release => ({
  id,
  version: f.version,
  aliases: f.aliases,
  track: f.track,
  releasedOn: f.releasedOn,
  fixes: f.fixes,
  ...(f.hardwareRevisions && { hardwareRevisions: f.hardwareRevisions }),
  ...(f.regions && { regions: f.regions }),
  ...(withdrawn && { withdrawn }),
  ...(f.conditions && { conditions: f.conditions }),
  ...(f.draft && { draft: true }),
});

async function save(
  tx: Tx,
  release: ReleaseRow | undefined,
  fields: ReleaseFields,
  withdrawn: Release["withdrawn"],
  about: { component: string; model: string; units: number },
): Promise<void> {
  const said = { component: about.component, version: fields.version, units: about.units };
  if (!release) {
    await addRelease(tx, fields);
    await appendLog(tx, { kind: "release-added", ...said }, { model: about.model });
  } else {
    await correctRelease(tx, release.id, fields);
    await withdrawRelease(tx, release.id, withdrawn ?? null);
    const entry =
      withdrawn && release.withdrawn_on === null
        ? ({ kind: "release-withdrawn", ...said, why: withdrawn.why } as const)
        : ({
            kind: !withdrawn && release.withdrawn_on !== null ? "release-reinstated" : "release-corrected",
            ...said,
          } as const);
    await appendLog(tx, entry, { model: about.model });
  }
  await bringUpToDate(tx, { of: "model", id: about.model }, `${about.component} ${fields.version}`);
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
  const facts = await loadFacts(tx, { of: "model", id: model });
  const catalogue = facts.catalogues.get(model);
  if (!catalogue?.get(release.component_id)?.byId.has(release.id)) return undefined;
  return ifTarget(tx, model, facts, catalogue, release.component_id, release.id, today);
}

/** The same for any catalogue: one with what was typed and not saved yet, too. */
async function ifTarget(
  tx: Tx,
  model: string,
  facts: Awaited<ReturnType<typeof loadFacts>>,
  catalogue: Catalogue,
  component: string,
  release: string,
  today: PlainDate,
) {
  const told = whatIf(
    facts.units,
    (unit) => policyOn(policyOf(facts, unit), today),
    catalogue,
    component,
    release,
  );
  const names = Object.fromEntries(
    [...catalogue.values()].flatMap((p) => [
      [p.component.id, p.component.name],
      ...p.releases.map((r) => [`r${r.id}`, r.version]),
    ]),
  ) as Record<string, string>;
  return {
    ...told,
    there: await unitTags(tx, told.there),
    reachTags: await unitTags(
      tx,
      told.reach.map((r) => r.unit),
    ),
    stuckTags: await unitTags(
      tx,
      told.stuck.map((s) => s.unit),
    ),
    untoldTags: await unitTags(tx, told.untold),
    names,
    files: Object.fromEntries(
      (await releasesOf(tx, model)).map((r) => [r.id, r.stored ? "kept" : r.file_sha256 ? "known" : "none"]),
    ) as Record<string, "kept" | "known" | "none">,
  };
}
