// A line of the club's own band plan is written, or written anew: what may be used is another question for every radio.
import { isDeepStrictEqual } from "node:util";
import { MOST_SEGMENTS, type Segment, segmentShape } from "#core/modes/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { addSegments, bandPlan, changeSegment } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

async function stored(
  tx: Tx,
  { segment }: { readonly segment?: string | undefined },
): Promise<Segment | undefined> {
  const row = (await bandPlan(tx)).find((one) => one.id === segment);
  if (!row) return undefined;
  const { id: _, ...fields } = row;
  return fields;
}

/** Problems: `no-segment`; `full`, if the plan has as many lines as it may. */
export const writeSegment = defineAct({
  name: "write-segment",
  input: segmentShape.safeExtend({
    /** The one that is written anew. */
    segment: id.optional(),
  }),
  may: "edit-club",
  corrects: { id: ({ segment }) => segment, stored },
  run: async (tx, { segment, ...input }) => {
    const stands = segment === undefined ? undefined : await stored(tx, { segment });
    if (segment !== undefined && !stands) return bad({ kind: "no-segment" as const });
    if (stands && isDeepStrictEqual(stands, input)) return good({ answer: {}, log: [] });
    if (segment !== undefined) await changeSegment(tx, segment, input);
    else if ((await bandPlan(tx)).length >= MOST_SEGMENTS) return bad({ kind: "full" as const });
    else await addSegments(tx, [input]);
    const { class: of, from, to } = input;
    return good({
      answer: {},
      log: [{ entry: { kind: "segment-written" as const, class: of, from, to } }],
      touches: [{ scope: { of: "club" as const }, why: "the band plan" }],
    });
  },
});
