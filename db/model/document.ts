// A model's dossier as the document that clubs exchange.
import { type Dossier, dossierDocument, FORMAT, FORMAT_VERSION } from "#core/dossier/index.ts";
import { mustFind, type PlainDate } from "#core/quantities/index.ts";
import { writtenOf } from "#core/release/index.ts";
import type { Range } from "#core/version/index.ts";
import type { Tx } from "../pool.ts";
import { loadCatalogues } from "./catalogues.ts";
import { dossierHead, proceduresOf, quirksOf } from "./dossier.ts";
import { modelById, modelByName, releasesOf, revisionsOf } from "./models.ts";
import { modesOf } from "./modes.ts";
import { serviceItems } from "./service.ts";

const KINDS = { handheld: "handheld", mobile: "mobile", base: "base", module: "module" } as const;

/** Who writes it, and when. */
export type Writer = { readonly clubName: string; readonly today: PlainDate };

/** The dossier of a model as a document; undefined if there is no such model. */
export async function writeDossier(tx: Tx, who: Writer, modelId: string): Promise<Dossier | undefined> {
  const model = await modelById(tx, modelId);
  if (!model) return undefined;
  const { identity, parts } = await dossierHead(tx, modelId);
  const revisions = await revisionsOf(tx, modelId);
  const releases = await releasesOf(tx, modelId);
  const catalogue = (await loadCatalogues(tx, [modelId])).get(modelId);
  const partName = (id: string | null) => (id === null ? "" : mustFind(parts, id).name);
  const revisionName = (id: string) => mustFind(revisions, id).name;
  const firmwareOf = (row: { component_id: string | null; firmware: Range | null }) =>
    row.firmware === null ? {} : { firmware: { component: partName(row.component_id), range: row.firmware } };
  const procedures = await proceduresOf(tx, modelId);
  const items = await serviceItems(tx, modelId);
  const titleOf = (id: string | null) => procedures.find((p) => p.id === id)?.title;
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
      releases: releases.filter((r) => r.component_id === part.id).map((r) => writtenOf(r, revisionName)),
    })),
    procedures: procedures.map((p) => ({
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
    modes: (await modesOf(tx, modelId)).map((mode) => ({
      name: mode.name,
      ...mode.facts,
      ...firmwareOf(mode),
      ...(mode.hardware_revisions && { hardwareRevisions: mode.hardware_revisions.map(revisionName) }),
      ...(titleOf(mode.enter_id) && { enter: titleOf(mode.enter_id) }),
      ...(titleOf(mode.leave_id) && { leave: titleOf(mode.leave_id) }),
      source: mode.source,
    })),
    settings: items.flatMap((item) =>
      item.kind === "setting" ? [{ name: item.name, ...item.facts, source: item.source }] : [],
    ),
    codes: items.flatMap((item) =>
      item.kind === "code" ? [{ name: item.name, ...item.facts, source: item.source }] : [],
    ),
    quirks: (await quirksOf(tx, modelId)).map((q) => ({
      symptom: q.symptom,
      cause: q.cause,
      cure: q.cure,
      ...firmwareOf(q),
      source: q.source,
    })),
  });
}

/** The model of ours that a document speaks of. */
export const oursFor = (tx: Tx, dossier: Dossier): Promise<string | undefined> =>
  modelByName(tx, dossier.model.maker, dossier.model.name);
