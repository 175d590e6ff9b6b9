// Dossiers out as documents, and in from them: what is accepted is stored in one transaction, its source kept.

import { factKey, factsOf } from "#core/dossier/differences.ts";
import {
  type Dossier,
  type DossierRelease,
  dossierDocument,
  FORMAT,
  FORMAT_VERSION,
} from "#core/dossier/document.ts";
import { filledUp } from "#core/dossier/fill-up.ts";
import { identityShape } from "#core/dossier/identity.ts";
import type { Source } from "#core/quantities/source.ts";
import { conditionsShape } from "#core/release/conditions.ts";
import { contradictionsOf } from "#core/release/contradictions.ts";
import type { Range } from "#core/version/range.ts";
import {
  dossierHead,
  proceduresOf,
  putIdentity,
  putPartReading,
  putProcedure,
  putQuirk,
  quirksOf,
} from "#db/dossier.ts";
import { loadCatalogues, type ReleaseRow } from "#db/facts.ts";
import { appendLog } from "#db/log.ts";
import { confirmNumbering, modelById, modelByName, putModel, releasesOf, revisionsOf } from "#db/models.ts";
import { addParts } from "#db/parts.ts";
import type { Tx } from "#db/pool.ts";
import { addRelease, correctRelease, markDraft, withdrawRelease } from "#db/releases.ts";
import { bringUpToDate } from "#db/work.ts";
import type { SignedIn } from "../context.ts";

const KINDS = { handheld: "handheld", mobile: "mobile", base: "base", module: "module" } as const;

/** The dossier of a model as a document; undefined if there is no such model. */
export async function writeDossier(tx: Tx, who: SignedIn, modelId: string): Promise<Dossier | undefined> {
  const model = await modelById(tx, modelId);
  if (!model) return undefined;
  const { identity, parts } = await dossierHead(tx, modelId);
  const revisions = await revisionsOf(tx, modelId);
  const releases = await releasesOf(tx, modelId);
  const catalogue = (await loadCatalogues(tx, [modelId])).get(modelId);
  const partName = (id: string | null) => parts.find((p) => p.id === id)?.name ?? "";
  const revisionName = (id: string) => revisions.find((r) => r.id === id)?.name ?? "";
  const firmwareOf = (row: { component_id: string | null; firmware: Range | null }) =>
    row.firmware === null ? {} : { firmware: { component: partName(row.component_id), range: row.firmware } };
  return dossierDocument.parse({
    format: FORMAT,
    version: FORMAT_VERSION,
    from: who.clubName,
    writtenOn: who.today,
    model: {
      maker: model.maker,
      name: model.name,
      kind: KINDS[model.kind as keyof typeof KINDS],
      note: model.note,
      suffixes: model.suffixes,
      hardwareRevisions: revisions.map((r) => ({
        name: r.name,
        howToTell: r.how_to_tell,
        serials: r.serials,
      })),
      identity,
    },
    components: parts.map((part) => ({
      name: part.name,
      ...(catalogue?.get(part.id)?.component.numbering && {
        numbering: catalogue.get(part.id)?.component.numbering,
      }),
      reading: part.reading,
      releases: releases.filter((r) => r.component_id === part.id).map((r) => releaseOut(r, revisionName)),
    })),
    procedures: (await proceduresOf(tx, modelId)).map((p) => ({
      purpose: p.purpose,
      title: p.title,
      effect: p.effect,
      steps: p.steps,
      ...firmwareOf(p),
      ...(p.hardware_revisions && { hardwareRevisions: p.hardware_revisions.map(revisionName) }),
      minutes: p.minutes,
      source: p.source,
      draft: p.draft,
    })),
    quirks: (await quirksOf(tx, modelId)).map((q) => ({
      symptom: q.symptom,
      cause: q.cause,
      cure: q.cure,
      ...firmwareOf(q),
      source: q.source,
    })),
  });
}

const releaseOut = (r: ReleaseRow, revisionName: (id: string) => string) => ({
  version: r.version,
  aliases: r.aliases,
  track: r.track,
  releasedOn: r.released_on,
  ...(r.withdrawn_on !== null && { withdrawn: { on: r.withdrawn_on, why: r.withdrawn_why ?? "" } }),
  ...(r.hardware_revisions && { hardwareRevisions: r.hardware_revisions.map(revisionName) }),
  ...(r.regions && { regions: r.regions }),
  fixes: r.fixes,
  notes: r.notes,
  ...(r.source_kind && { source: { kind: r.source_kind, what: r.source } }),
  ...(Object.keys(r.conditions).length > 0 && { conditions: r.conditions }),
  draft: r.draft,
  ...(r.file_sha256 && {
    file: {
      sha256: r.file_sha256,
      size: r.file_size === null ? null : Number(r.file_size),
      name: r.file_name,
    },
  }),
});

/** The model of ours that a document speaks of. */
export const oursFor = (tx: Tx, dossier: Dossier): Promise<string | undefined> =>
  modelByName(tx, dossier.model.maker, dossier.model.name);

/** Stores the accepted facts of a document, and of ours keeps what they are silent about; answers the model and how many facts were taken. */
export async function acceptDossier(
  tx: Tx,
  who: SignedIn,
  theirs: Dossier,
  accepted: ReadonlySet<string>,
): Promise<{ model: string; taken: number }> {
  const known = await oursFor(tx, theirs);
  const dossier = filledUp(known ? await writeDossier(tx, who, known) : undefined, theirs);
  const { maker, name, kind, note, suffixes, hardwareRevisions } = dossier.model;
  const ours = known && (await modelById(tx, known));
  const takes = (key: string) => accepted.has(key);
  const facts = factsOf(dossier).filter((fact) => takes(fact.key));
  if (known && facts.length === 0) return { model: known, taken: 0 };
  const model =
    ours && !takes(factKey.identity())
      ? ours.id
      : await putModel(tx, known, { maker, name, kind, note, suffixes });
  const parts = dossier.components.map((c) => c.name);
  const revisions = hardwareRevisions.map((r) => ({ name: r.name, tell: r.howToTell, serials: r.serials }));
  // Parts and revisions that accepted facts may refer to; what is there already stays as it is.
  await addParts(tx, model, parts, !ours || takes(factKey.identity()) ? revisions : []);
  const from = (source: Source | undefined): Source => ({
    kind: "club",
    what: [dossier.from, source?.what].filter(Boolean).join(": ").slice(0, 300),
  });
  if (takes(factKey.identity())) {
    const told = identityShape.parse(dossier.model.identity);
    await putIdentity(tx, model, { ...told, source: from(told.source) });
  }
  const head = await dossierHead(tx, model);
  const revisionRows = await revisionsOf(tx, model);
  const partId = (of: string) =>
    head.parts.find((p) => p.name.toLowerCase() === of.toLowerCase())?.id ?? null;
  const revisionIds = (names: readonly string[] | undefined) => {
    const ids = names?.flatMap(
      (of) => revisionRows.find((r) => r.name.toLowerCase() === of.toLowerCase())?.id ?? [],
    );
    return ids && ids.length > 0 ? ids : null;
  };
  const firmwareOf = (told: Dossier["quirks"][number]["firmware"]) => ({
    component_id: told ? partId(told.component) : null,
    firmware: told && partId(told.component) ? told.range : null,
  });
  const oldProcedures = await proceduresOf(tx, model);
  const oldQuirks = await quirksOf(tx, model);
  const oldReleases = await releasesOf(tx, model);

  for (const part of dossier.components) {
    const component = partId(part.name);
    if (component === null) continue;
    if (takes(factKey.part(part.name))) {
      await putPartReading(tx, component, { ...part.reading, source: from(part.reading.source) });
      if (part.numbering) await confirmNumbering(tx, component, part.numbering, who.person);
    }
    for (const release of part.releases) {
      if (!takes(factKey.release(part.name, release.version))) continue;
      const old = oldReleases.find(
        (r) =>
          r.component_id === component &&
          factKey.release("", r.version) === factKey.release("", release.version),
      );
      await putRelease(
        tx,
        component,
        old?.id,
        release,
        revisionIds(release.hardwareRevisions),
        from(release.source),
      );
    }
  }
  for (const p of dossier.procedures) {
    if (!takes(factKey.procedure(p))) continue;
    const old = oldProcedures.find((o) => factKey.procedure(o) === factKey.procedure(p));
    await putProcedure(tx, model, old?.id, {
      purpose: p.purpose,
      title: p.title,
      effect: p.effect,
      steps: p.steps,
      ...firmwareOf(p.firmware),
      hardware_revisions: revisionIds(p.hardwareRevisions),
      minutes: p.minutes,
      source: from(p.source),
      draft: p.draft,
    });
  }
  for (const q of dossier.quirks) {
    if (!takes(factKey.quirk(q))) continue;
    const old = oldQuirks.find((o) => factKey.quirk(o) === factKey.quirk(q));
    const { symptom, cause, cure } = q;
    await putQuirk(tx, model, old?.id, {
      symptom,
      cause,
      cure,
      ...firmwareOf(q.firmware),
      source: from(q.source),
    });
  }
  await markDrafts(tx, model);
  await appendLog(tx, { kind: "dossier-brought-in", accepted: facts.length, from: dossier.from }, { model });
  await bringUpToDate(tx, { of: "model", id: model }, `the dossier of the ${name}`);
  return { model, taken: facts.length };
}

async function putRelease(
  tx: Tx,
  component: string,
  id: string | undefined,
  release: DossierRelease,
  hardwareRevisions: readonly string[] | null,
  source: Source,
): Promise<void> {
  const fields = {
    component,
    version: release.version,
    aliases: release.aliases,
    track: release.track,
    releasedOn: release.releasedOn,
    hardwareRevisions,
    regions: release.regions ?? null,
    fixes: release.fixes,
    notes: release.notes,
    source,
    ...(release.conditions && { conditions: conditionsShape.parse(release.conditions) }),
    draft: release.draft,
    ...(release.file && { file: release.file }),
  };
  const stored = id ?? (await addRelease(tx, fields));
  if (id) await correctRelease(tx, id, fields);
  await withdrawRelease(tx, stored, release.withdrawn ?? null);
}

/** What came in and contradicts what stands is kept as a draft: known by name, but no radio is sent to it. */
async function markDrafts(tx: Tx, model: string): Promise<void> {
  const catalogue = (await loadCatalogues(tx, [model])).get(model);
  for (const [component, prepared] of catalogue ?? []) {
    for (const release of prepared.releases) {
      if (release.draft || !catalogue || contradictionsOf(catalogue, component, release.id).length === 0)
        continue;
      await markDraft(tx, release.id);
    }
  }
}
