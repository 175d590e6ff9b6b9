// A band plan comes in from a file: for each class that it speaks of, what stood before goes on the shelf.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { MOST_SEGMENTS, segmentShape } from "#core/modes/index.ts";
import { bad, good, listed } from "#core/quantities/index.ts";
import { addSegments, bandPlan, shelveSegmentsOf } from "#db/model/index.ts";
import { defineAct } from "../define.ts";

/** Problem: `full`, if the plan would have more lines than it may. */
export const importBandPlan = defineAct({
  name: "import-band-plan",
  input: z.object({ plan: z.array(segmentShape).min(1).max(MOST_SEGMENTS) }),
  may: "edit-club",
  run: async (tx, { plan }) => {
    const classes = [...new Set(plan.map((one) => one.class.toLowerCase()))];
    const stands = await bandPlan(tx);
    const theirs = stands.filter((one) => classes.includes(one.class.toLowerCase()));
    const inOrder = (list: typeof plan) => list.map((one) => JSON.stringify(one)).sort();
    if (isDeepStrictEqual(inOrder(theirs.map(({ id: _, ...one }) => one)), inOrder(plan)))
      return good({ answer: { lines: plan.length }, log: [] });
    if (stands.length - theirs.length + plan.length > MOST_SEGMENTS) return bad({ kind: "full" as const });
    await shelveSegmentsOf(tx, classes);
    await addSegments(tx, plan);
    return good({
      answer: { lines: plan.length },
      log: [
        { entry: { kind: "band-plan-brought-in" as const, lines: plan.length, classes: listed(classes, 9) } },
      ],
      touches: [{ scope: { of: "club" as const }, why: "the band plan" }],
    });
  },
});
