// Two models turn out to be one: radios, what was read of them and what is picked of the dossier go to the one that stays.
import { z } from "zod";
import { factKey, toldOf } from "#core/dossier/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import type { Policy } from "#core/unit/index.ts";
import { groups, putGroup } from "#db/club/index.ts";
import {
  addUnitMode,
  markMerged,
  modelById,
  modesOf,
  radiosOf,
  releasesOf,
  speakOf,
  writeDossier,
} from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { carryReadings } from "../reading/carry-readings.ts";
import { id } from "../shapes.ts";
import { factKeys } from "./bring-in-dossier.ts";
import { takeFacts } from "./take-facts.ts";

/** Problems: `same`, of a model into itself; `no-model`; `on-bench`, with radios of the one that goes that are being worked at. */
export const mergeModels = defineAct({
  name: "merge-models",
  input: z.object({
    /** The one that goes. */
    model: id,
    into: id,
    /** Keys of the facts that go along (`mergeEffect`). */
    accepted: factKeys.default([]),
  }),
  may: "edit-model",
  pace: "work",
  run: async (tx, { model, into, accepted }, who) => {
    if (model === into) return bad({ kind: "same" as const });
    const ourselves = { clubName: "ours", today: who.today };
    const gone = await writeDossier(tx, ourselves, model);
    const stays = await writeDossier(tx, ourselves, into);
    if (!gone || !stays) return bad({ kind: "no-model" as const });
    const radios = await radiosOf(tx, model);
    const busy = radios.filter(({ on_bench }) => on_bench).map(({ tag }) => tag);
    if (busy.length > 0) return bad({ kind: "on-bench" as const, tags: busy });

    const before = await releasesOf(tx, model);
    const told = toldOf(stays, gone);
    const { taken } = await takeFacts(
      tx,
      who,
      told,
      new Set(accepted),
      (source) => source ?? { kind: "bench", what: "" },
    );
    await speakOf(tx, model, into);
    let [carried, left] = [0, 0];
    for (const radio of radios) {
      const along = await carryReadings(tx, radio.id);
      carried += along.carried;
      left += along.left;
    }
    const modes = new Map((await modesOf(tx, into)).map((mode) => [factKey.mode(mode), mode.id]));
    for (const radio of radios) {
      const mode = radio.mode === null ? undefined : modes.get(factKey.mode({ name: radio.mode }));
      if (mode)
        await addUnitMode(tx, {
          unit: radio.id,
          mode,
          how: "told",
          by: who.person,
          why: `known so as ${gone.model.name}`.slice(0, 300),
        });
    }
    const pinned = await pinAnew(tx, before, into);
    await markMerged(tx, model, into);
    const { name } = (await modelById(tx, into)) ?? stays.model;
    const entry = {
      kind: "models-merged" as const,
      gone: gone.model.name,
      into: name,
      units: radios.length,
      facts: taken,
      readings: carried,
    };
    const why = `${gone.model.name} is ${name}`;
    return good({
      answer: { into, units: radios.length, taken, carried, left },
      log: [{ entry, model: into }],
      touches: [
        { scope: { of: "units" as const, ids: radios.map((radio) => radio.id) }, why },
        { scope: { of: "model" as const, id: into }, why },
        ...pinned.map((group) => ({ scope: { of: "group" as const, id: group }, why })),
      ],
    });
  },
});

/** A group that is kept at a release of the one that went is kept at the same one of the one that stays. */
async function pinAnew(
  tx: Tx,
  before: readonly { readonly id: string; readonly component_id: string; readonly version: string }[],
  into: string,
): Promise<string[]> {
  const now = new Map((await releasesOf(tx, into)).map((r) => [factKey.release("", r.version), r.id]));
  const became = new Map(before.map((r) => [r.id, now.get(factKey.release("", r.version))]));
  const changed: string[] = [];
  for (const { id: group, name, purpose, policy } of await groups(tx)) {
    const { rule } = policy;
    if (rule.kind !== "pinned" || !rule.releases.some((one) => became.get(one))) continue;
    const releases = [...new Set(rule.releases.map((one) => became.get(one) ?? one))];
    const anew: Policy = { ...policy, rule: { ...rule, releases } };
    await putGroup(tx, group, { name, purpose, policy: anew });
    changed.push(group);
  }
  return changed;
}
