// What a model's codeplug holds is written down: plans are laid out by it.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { codeplugFacts } from "#core/codeplug/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { codeplugFactsOf, putCodeplugFacts } from "#db/codeplug/index.ts";
import { modelById, modesOf } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** `mode`: the one for which the plan is laid out. Problems: `no-model`; `no-mode`. */
export const writeCodeplugFacts = defineAct({
  name: "write-codeplug-facts",
  input: z.object({ model: id, facts: codeplugFacts, mode: id.optional() }),
  may: "edit-model",
  corrects: {
    id: ({ model }) => model,
    stored: async (tx, { model }) => {
      const [row] = await codeplugFactsOf(tx, model);
      return row && { facts: row.facts, mode: row.mode_id ?? undefined };
    },
  },
  run: async (tx, { model, facts, mode }) => {
    const head = await modelById(tx, model);
    if (!head) return bad({ kind: "no-model" as const });
    if (mode !== undefined && !(await modesOf(tx, model)).some((one) => one.id === mode))
      return bad({ kind: "no-mode" as const });
    const [before] = await codeplugFactsOf(tx, model);
    if (before && before.mode_id === (mode ?? null) && isDeepStrictEqual(before.facts, facts))
      return good({ answer: {}, log: [] });
    await putCodeplugFacts(tx, model, facts, mode);
    const entry = { kind: "codeplug-facts-written" as const, name: head.name, channels: facts.capacity };
    return good({ answer: {}, log: [{ entry }], topics: [`model:${model}`] });
  },
});
