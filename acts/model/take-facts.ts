// Facts of a dossier are stored in one of our own models, each as it was picked; what they are silent about stays.
import {
  type Dossier,
  type DossierRelease,
  differencesOf,
  factKey,
  factsOf,
  filledUp,
  identityShape,
} from "#core/dossier/index.ts";
import type { Source } from "#core/quantities/index.ts";
import { contradictionsOf } from "#core/release/index.ts";
import {
  addParts,
  addRelease,
  confirmNumbering,
  correctRelease,
  dossierHead,
  type ItemKind,
  loadCatalogues,
  markDraft,
  modeFacts,
  modelById,
  modesOf,
  oursFor,
  proceduresOf,
  putIdentity,
  putMode,
  putModel,
  putPartReading,
  putProcedure,
  putQuirk,
  putServiceItem,
  quirksOf,
  releasesOf,
  revisionsOf,
  serviceItems,
  writeDossier,
} from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import type { Who } from "../define.ts";

/** So many facts are taken over at once: more would keep the page waiting. */
export const MOST_FACTS = 1500;

/**
 * Stores the accepted facts of a document, and of ours keeps what they are silent about.
 * @param sourceOf where a fact is known from, once it is ours.
 */
export async function takeFacts(
  tx: Tx,
  who: Who,
  theirs: Dossier,
  accepted: ReadonlySet<string>,
  sourceOf: (source: Source | undefined, dossier: Dossier) => Source,
): Promise<{ model: string; name: string; from: string; taken: number }> {
  const known = await oursFor(tx, theirs);
  const ourselves = { clubName: "ours", today: who.today };
  const standing = known ? await writeDossier(tx, ourselves, known) : undefined;
  const dossier = filledUp(standing, theirs);
  const { name } = dossier.model;
  // What ours says already is not taken again.
  const differs = new Set(differencesOf(standing, dossier).map((one) => one.key));
  const facts = factsOf(dossier).filter((fact) => accepted.has(fact.key) && differs.has(fact.key));
  if (known && facts.length === 0) return { model: known, name, from: dossier.from, taken: 0 };
  const wanted = new Set(facts.map((fact) => fact.key));
  const takes = (key: string) => wanted.has(key);
  const from = (source: Source | undefined): Source => sourceOf(source, dossier);
  const model = await takeModel(tx, known, dossier, takes, from);
  const taking = { tx, model, dossier, takes, from, ...(await referred(tx, model)) };
  await takeParts(taking, who.person);
  await takeProcedures(taking);
  await takeQuirks(taking);
  await takeModes(taking);
  await takeItems(taking);
  await markDrafts(tx, model);
  return { model, name, from: dossier.from, taken: facts.length };
}

type Taking = Awaited<ReturnType<typeof referred>> & {
  readonly tx: Tx;
  readonly model: string;
  readonly dossier: Dossier;
  readonly takes: (key: string) => boolean;
  readonly from: (source: Source | undefined) => Source;
};

/** The model itself, with the parts and revisions that accepted facts may refer to; what is there already stays as it is. */
async function takeModel(
  tx: Tx,
  known: string | undefined,
  dossier: Dossier,
  takes: Taking["takes"],
  from: Taking["from"],
): Promise<string> {
  const { maker, name, kind, note, suffixes, hardwareRevisions } = dossier.model;
  const takesIdentity = takes(factKey.identity());
  const ours = known && (await modelById(tx, known));
  const model =
    ours && !takesIdentity ? ours.id : await putModel(tx, known, { maker, name, kind, note, suffixes });
  const parts = dossier.components.map((c) => c.name);
  const revisions = hardwareRevisions.map((r) => ({ name: r.name, tell: r.howToTell, serials: r.serials }));
  await addParts(tx, model, parts, !ours || takesIdentity ? revisions : []);
  if (takesIdentity) {
    const told = identityShape.parse(dossier.model.identity);
    await putIdentity(tx, model, { ...told, source: from(told.source) });
  }
  return model;
}

/** What facts of a dossier refer to by name, as ids of ours. */
async function referred(tx: Tx, model: string) {
  const head = await dossierHead(tx, model);
  const revisions = await revisionsOf(tx, model);
  const partId = (of: string) =>
    head.parts.find((p) => p.name.toLowerCase() === of.toLowerCase())?.id ?? null;
  const revisionIds = (names: readonly string[] | undefined) => {
    const ids = names?.flatMap(
      (of) => revisions.find((r) => r.name.toLowerCase() === of.toLowerCase())?.id ?? [],
    );
    return ids && ids.length > 0 ? ids : null;
  };
  const firmwareOf = (told: Dossier["quirks"][number]["firmware"]) => ({
    component_id: told ? partId(told.component) : null,
    firmware: told && partId(told.component) ? told.range : null,
  });
  return { partId, revisionIds, firmwareOf };
}

async function takeParts({ tx, model, dossier, takes, from, ...ids }: Taking, person: Who["person"]) {
  const old = await releasesOf(tx, model);
  for (const part of dossier.components) {
    const component = ids.partId(part.name);
    if (component === null) continue;
    if (takes(factKey.part(part.name))) {
      await putPartReading(tx, component, { ...part.reading, source: from(part.reading.source) });
      if (part.numbering) await confirmNumbering(tx, component, part.numbering, person);
    }
    for (const release of part.releases) {
      if (!takes(factKey.release(part.name, release.version))) continue;
      const key = factKey.release("", release.version);
      const standing = old.find(
        (r) => r.component_id === component && factKey.release("", r.version) === key,
      );
      const revisions = ids.revisionIds(release.hardwareRevisions);
      await putRelease(tx, component, standing?.id, release, revisions, from(release.source));
    }
  }
}

async function takeProcedures({ tx, model, dossier, takes, from, ...ids }: Taking) {
  const old = await proceduresOf(tx, model);
  for (const p of dossier.procedures) {
    if (!takes(factKey.procedure(p))) continue;
    const standing = old.find((o) => factKey.procedure(o) === factKey.procedure(p));
    const { purpose, title, effect, steps, minutes, draft } = p;
    await putProcedure(tx, model, standing?.id, {
      ...{ purpose, title, effect, steps, minutes, draft },
      ...ids.firmwareOf(p.firmware),
      hardware_revisions: ids.revisionIds(p.hardwareRevisions),
      source: from(p.source),
    });
  }
}

async function takeQuirks({ tx, model, dossier, takes, from, firmwareOf }: Taking) {
  const old = await quirksOf(tx, model);
  for (const q of dossier.quirks) {
    if (!takes(factKey.quirk(q))) continue;
    const standing = old.find((o) => factKey.quirk(o) === factKey.quirk(q));
    const { symptom, cause, cure } = q;
    const source = from(q.source);
    await putQuirk(tx, model, standing?.id, { symptom, cause, cure, ...firmwareOf(q.firmware), source });
  }
}

/** After the procedures, which lead into modes and out of them. */
async function takeModes({ tx, model, dossier, takes, from, ...ids }: Taking) {
  const old = await modesOf(tx, model);
  const procedures = await proceduresOf(tx, model);
  const titled = (title: string | undefined) =>
    procedures.find((p) => title !== undefined && p.title.toLowerCase() === title.toLowerCase())?.id ?? null;
  for (const m of dossier.modes) {
    if (!takes(factKey.mode(m))) continue;
    const standing = old.find((o) => factKey.mode(o) === factKey.mode(m));
    await putMode(tx, model, standing?.id, {
      name: m.name,
      facts: modeFacts.parse(m),
      ...ids.firmwareOf(m.firmware),
      hardware_revisions: ids.revisionIds(m.hardwareRevisions),
      enter_id: titled(m.enter),
      leave_id: titled(m.leave),
      source: from(m.source),
    });
  }
}

async function takeItems({ tx, model, dossier, takes, from }: Taking) {
  const old = await serviceItems(tx, model);
  const putItem = (kind: ItemKind, key: string, { name, source, ...facts }: ItemTold) => {
    const standing = old.find((o) => o.kind === kind && factKey[kind](o) === key);
    return putServiceItem(tx, model, standing?.id, { kind, name, facts, source: from(source) });
  };
  for (const s of dossier.settings)
    if (takes(factKey.setting(s))) await putItem("setting", factKey.setting(s), s);
  for (const c of dossier.codes) if (takes(factKey.code(c))) await putItem("code", factKey.code(c), c);
}

type ItemTold = Dossier["settings"][number] | Dossier["codes"][number];

async function putRelease(
  tx: Tx,
  component: string,
  id: string | undefined,
  release: DossierRelease,
  hardwareRevisions: readonly string[] | null,
  source: Source,
): Promise<void> {
  const stored = { ...release, component, hardwareRevisions: hardwareRevisions ?? undefined, source };
  if (id) await correctRelease(tx, id, stored);
  else await addRelease(tx, stored);
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
