// A line of the band plan is put on the shelf.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { bandPlan, shelveSegment as shelve } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `no-segment`. */
export const shelveSegment = defineAct({
  name: "shelve-segment",
  input: z.object({ segment: id }),
  may: "edit-club",
  run: async (tx, { segment }) => {
    const before = (await bandPlan(tx)).find((one) => one.id === segment);
    if (!before) return bad({ kind: "no-segment" as const });
    await shelve(tx, segment);
    const { class: of, from, to } = before;
    return good({
      answer: {},
      log: [{ entry: { kind: "segment-shelved" as const, class: of, from, to } }],
      touches: [{ scope: { of: "club" as const }, why: "the band plan" }],
    });
  },
});
