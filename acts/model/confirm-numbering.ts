// How a part's versions count is confirmed by a person, or taken back: then it is told from the releases again.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { numberingShape } from "#core/version/index.ts";
import { confirmNumbering as confirm, loadCatalogues } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-part`. */
export const confirmNumbering = defineAct({
  name: "confirm-numbering",
  input: z.object({
    model: id,
    component: id,
    numbering: numberingShape.nullable(),
    /** As pages call it, for the log. */
    words: z.string().trim().min(1).max(200),
  }),
  may: "edit-model",
  run: async (tx, { model, component, numbering, words }, who) => {
    const part = (await loadCatalogues(tx, [model])).get(model)?.get(component)?.component;
    if (!part) return bad({ kind: "no-part" as const });
    if (isDeepStrictEqual(part.numbering ?? null, numbering)) return good({ answer: {}, log: [] });
    await confirm(tx, component, numbering, who.person);
    const entry =
      numbering === null
        ? { kind: "numbering-taken-back" as const, component: part.name }
        : { kind: "numbering-confirmed" as const, component: part.name, numbering: words };
    return good({
      answer: {},
      log: [{ entry, model }],
      touches: [{ scope: { of: "model" as const, id: model }, why: `${part.name} counts ${words}` }],
    });
  },
});
