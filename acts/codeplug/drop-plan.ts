// The draft of the plan of channels is dropped: the plan that counts stays as it is.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { dropDraft, planDraft } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";

/** `version`: of the draft that the person saw. Problems: `meanwhile`. */
export const dropPlan = defineAct({
  name: "drop-plan",
  input: z.object({ version: z.number().int().min(1).max(1_000_000_000) }),
  may: "edit-plan",
  run: async (tx, { version }) => {
    const draft = await planDraft(tx, true);
    if (!draft || draft.version !== version) return bad({ kind: "meanwhile" as const });
    await dropDraft(tx);
    return good({
      answer: {},
      log: [{ entry: { kind: "plan-dropped" as const, plan: draft.number } }],
    });
  },
});
