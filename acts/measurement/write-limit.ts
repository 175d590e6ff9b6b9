// A limit for harmonics is written down, or written anew: the club's own entry, with where it has it from.
import { isDeepStrictEqual } from "node:util";
import { limitShape } from "#core/measure/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { isDuplicate } from "#db/errors.ts";
import type { Tx } from "#db/pool.ts";
import { limitsOf, putLimit } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** So many limits a club has at most. */
export const MOST_LIMITS = 100;

async function stored(tx: Tx, { limit }: { readonly limit?: string | undefined }) {
  const row = (await limitsOf(tx)).find((one) => one.id === limit);
  if (!row) return undefined;
  const { id: _, ...fields } = row;
  return fields;
}

/** Problems: `no-limit`; `taken`, if another has that name; `full`. */
export const writeLimit = defineAct({
  name: "write-limit",
  input: limitShape.safeExtend({
    /** The one that is written anew. */
    limit: id.optional(),
  }),
  may: "edit-club",
  corrects: { id: ({ limit }) => limit, stored },
  run: async (tx, { limit, ...input }) => {
    const stands = limit === undefined ? undefined : await stored(tx, { limit });
    if (limit !== undefined && !stands) return bad({ kind: "no-limit" as const });
    if (stands && isDeepStrictEqual(stands, input)) return good({ answer: {}, log: [] });
    if (limit === undefined && (await limitsOf(tx)).length >= MOST_LIMITS)
      return bad({ kind: "full" as const });
    try {
      await putLimit(tx, limit, input);
      return good({
        answer: {},
        log: [{ entry: { kind: "limit-written" as const, name: input.name } }],
      });
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
