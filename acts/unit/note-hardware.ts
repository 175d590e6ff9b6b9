// Which hardware revision a radio has, once somebody knows.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { revisionsOf } from "#db/model/index.ts";
import { setHardware } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "./unit-here.ts";

/** Answers whether that is new. Problems: those of a unit; `no-revision`, with the model that has none such. */
export const noteHardware = defineAct({
  name: "note-hardware",
  input: z.object({ unit: id, revision: id }),
  may: "edit-unit",
  run: async (tx, { unit, revision }) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const { model_id, model } = here.value;
    const known = (await revisionsOf(tx, model_id)).find((r) => r.id === revision);
    if (!known) return bad({ kind: "no-revision" as const, model });
    const answer = { revision: known.name };
    if (!(await setHardware(tx, unit, revision)))
      return good({ answer: { ...answer, fresh: false }, log: [] });
    return good({
      answer: { ...answer, fresh: true },
      log: [{ entry: { kind: "unit-changed" as const, what: `hardware ${known.name}` }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `hardware ${known.name}` }],
    });
  },
});
