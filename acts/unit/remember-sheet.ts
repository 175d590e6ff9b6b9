// What the heads of a sheet mean, and which words mean nothing, is remembered for the next one.
import { z } from "zod";
import { LONGEST_NOTHING, MOST_COLUMNS, MOST_NOTHING, toMeaning } from "#core/import/index.ts";
import { good } from "#core/quantities/index.ts";
import { rememberSheet as remember } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";

/** How a sheet was read is remembered for the next one with the same head. */
export const rememberSheet = defineAct({
  name: "remember-sheet",
  input: z.object({
    heads: z.array(z.object({ head: z.string().max(200), meaning: z.string().max(100) })).max(MOST_COLUMNS),
    nothing: z.array(z.string().max(LONGEST_NOTHING)).max(MOST_NOTHING),
  }),
  may: "import-units",
  untold: "it only spares whoever brings in the next sheet saying the same again",
  run: async (tx, { heads, nothing }) => {
    await remember(
      tx,
      heads.map(({ head, meaning }) => [head, toMeaning(meaning) ?? "ignore"] as const),
      nothing,
    );
    return good({ answer: {}, log: [] });
  },
});
