// The draft becomes the plan that counts: a table for each model, and needs for the radios that do not carry theirs.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { addPlanTable, issueDraft, planDraft } from "#db/codeplug/index.ts";
import { keepFile } from "#db/run/index.ts";
import { defineAct } from "../define.ts";
import { fileOf, layTables } from "./plan-tables.ts";

/** `version`: of the draft that the person saw. Problems: `meanwhile`; `empty`, if it has no block; `no-model`, if nothing is known of any codeplug. */
export const issuePlan = defineAct({
  name: "issue-plan",
  input: z.object({
    version: z.number().int().min(1).max(1_000_000_000),
    /** What is new in it. */
    note: z.string().trim().max(300, "At most 300 signs."),
  }),
  may: "edit-plan",
  pace: "work",
  run: async (tx, { version, note }, who) => {
    const draft = await planDraft(tx, true);
    if (!draft || draft.version !== version) return bad({ kind: "meanwhile" as const });
    if (draft.blocks.length === 0) return bad({ kind: "empty" as const });
    // A model that takes none of it has no table.
    const laid = await layTables(tx, draft.blocks, who.today);
    const tables = laid.tables.filter(({ laid }) => laid.channels.length > 0);
    if (tables.length === 0) return bad({ kind: "no-model" as const });
    await issueDraft(tx, draft.id, note, who.person);
    for (const table of tables) {
      const { bytes, sha256 } = fileOf(table);
      await keepFile(tx, sha256, bytes);
      await addPlanTable(tx, {
        plan: draft.id,
        model: table.row.model_id,
        laid: table.laid,
        sum: table.sum,
        sha256,
      });
    }
    const entry = { kind: "plan-issued" as const, plan: draft.number, tables: tables.length, note };
    return good({
      answer: { plan: draft.number },
      log: [{ entry }],
      touches: [{ scope: { of: "club" as const }, why: `plan ${draft.number} of the channels` }],
    });
  },
});
