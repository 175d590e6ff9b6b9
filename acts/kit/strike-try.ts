// A try that was none is struck, with a reason: it stays, crossed out, and counts no more.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { strikeTry as strike } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id, MOST_WHY } from "../shapes.ts";

/** `with`: the thing of the kit on whose page it is struck. Problem: `struck`, if it is already. */
export const strikeTry = defineAct({
  name: "strike-try",
  input: z.object({
    try: id,
    with: z.string().max(200),
    why: z
      .string()
      .trim()
      .min(1, "Say why it counts no more, so that others know.")
      .max(MOST_WHY, `At most ${MOST_WHY} signs.`),
  }),
  may: "confirm-fact",
  run: async (tx, input) => {
    const struck = await strike(tx, input.try, input.why);
    if (!struck) return bad({ kind: "struck" as const });
    return good({
      answer: {},
      log: [
        {
          entry: { kind: "try-struck" as const, what: input.with, why: input.why },
          unit: struck.unit_id ?? undefined,
        },
      ],
      touches: [{ scope: { of: "club" as const }, why: `a struck try with ${input.with}` }],
    });
  },
});
