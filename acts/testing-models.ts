// The models of a club as the acts on them take them, for the property over all acts.
import { factsOf, readDossier } from "#core/dossier/index.ts";
import { addDays } from "#core/quantities/index.ts";
import { dossierHead, releasesOf, writeDossier } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import type { Who } from "./define.ts";
import { identityStands } from "./model/write-identity.ts";
import { modelStands } from "./model/write-model.ts";
import { releaseStands } from "./model/write-release.ts";
import { NOWHERE } from "./trials/testing.ts";

/** What the models of the club are, each in the shape of the act that corrects it. */
export async function worldOfModels(tx: Tx, who: Who) {
  const { rows: models } = await tx.query<{ id: string }>(
    `select m.id from model m where exists (select from component c join release r on r.component_id = c.id where c.model_id = m.id)
       and exists (select from unit u where u.model_id = m.id and u.shelved_at is null) order by m.id limit 3`,
  );
  const releases: Record<string, unknown>[] = [];
  const identities: Record<string, unknown>[] = [];
  const modelFacts: Record<string, unknown>[] = [];
  const parts: { model: string; component: string }[] = [];
  for (const { id: model } of models) {
    const known = (await releasesOf(tx, model)).filter((r) => !r.draft).slice(0, 3);
    for (const { id: release, component_id: component } of known) {
      const stands = await releaseStands(tx, model, release);
      if (stands) releases.push({ model, release, component, ...stands.written });
    }
    identities.push({ model, ...(await identityStands(tx, { model })) });
    modelFacts.push({ model, ...(await modelStands(tx, { model })) });
    const head = await dossierHead(tx, model);
    parts.push(...head.parts.map(({ id: component }) => ({ model, component })));
  }
  const [model = { id: NOWHERE }] = models;
  const ours = await writeDossier(tx, { clubName: "Elsewhere", today: who.today }, model.id);
  if (!ours) throw new Error("the demo has a model");
  const [part, ...others] = ours.components;
  const [first, ...older] = part?.releases ?? [];
  const theirs = {
    ...ours,
    model: { ...ours.model, note: "known elsewhere too" },
    components: [
      {
        ...part,
        releases: [
          { ...first, releasedOn: addDays(who.today, -700), notes: "theirs" },
          { version: "99.9", track: "factory" as const, releasedOn: addDays(who.today, -300) },
          ...older,
        ],
      },
      ...others,
    ],
    quirks: [{ symptom: "hums at noon", source: { kind: "club" as const, what: "Elsewhere" } }],
  };
  const text = JSON.stringify(theirs);
  const read = readDossier(text, who.today);
  if (!read.ok) throw new Error(`the dossier cannot be read: ${JSON.stringify(read.problem)}`);
  return {
    releases,
    identities,
    modelFacts,
    parts,
    dossier: { text, keys: factsOf(read.value.dossier).map((fact) => fact.key) },
  };
}
