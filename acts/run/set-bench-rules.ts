// The rules of the bench: when it counts as silent, and what is practised before a real radio is erased.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { benchRules, putBenchRules } from "#db/run/index.ts";
import { defineAct } from "../define.ts";

export const setBenchRules = defineAct({
  name: "set-bench-rules",
  input: z.object({
    /** In minutes. */
    silence: z.number().int().min(5, "5 minutes at least.").max(1440, "1440 minutes, a day, at most."),
    /** Clean tries; 0 asks for none. */
    clean: z.number().int().min(0).max(9),
  }),
  may: "edit-club",
  corrects: { id: () => "rules", stored: (tx) => benchRules(tx) },
  run: async (tx, rules) => {
    const changed = await putBenchRules(tx, rules);
    const what = `a bench counts as silent after ${rules.silence} minutes; ${rules.clean} clean tries before a real radio is erased`;
    return good({
      answer: { changed },
      log: changed ? [{ entry: { kind: "club-changed" as const, what } }] : [],
    });
  },
});
