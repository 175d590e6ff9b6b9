// A run is taken over by somebody else, by name: where its bench has been silent, or where whoever takes it says that they mean to.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { holdRun, isSilent, lockRun, runById } from "#db/run/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Answers from whom. Problems: `no-run`; `over`; `not-silent`, with who has it, as long as its bench is heard of and nobody said `sure`. */
export const takeOverRun = defineAct({
  name: "take-over-run",
  input: z.object({ run: id, sure: z.boolean().optional() }),
  may: "work-at-bench",
  run: async (tx, { run, sure }, who) => {
    await lockRun(tx, run);
    const row = await runById(tx, run);
    if (!row) return bad({ kind: "no-run" as const });
    if (row.ended_at !== null) return bad({ kind: "over" as const });
    const answer = { from: row.held_by };
    if (row.held_by_id === who.person) return good({ answer, log: [] });
    if (!sure && !(await isSilent(tx, run))) return bad({ kind: "not-silent" as const, by: row.held_by });
    await holdRun(tx, run, who.person);
    return good({
      answer,
      log: [
        { entry: { kind: "run-taken-over" as const, what: row.title, from: row.held_by }, unit: row.unit_id },
      ],
      topics: ["run", `run:${run}`],
    });
  },
});
